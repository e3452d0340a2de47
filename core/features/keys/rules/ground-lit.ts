import { text } from '#core/kernel'
import { chromaFault } from '#core/picture'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { type Judged, faultOf, firstsOf, judgedOf } from '../judged'
import { findIt, findScreen } from '../mend'
import { without } from '../offers'

const isLit = (judged: Judged): boolean =>
  faultOf(judged) === 'ground' ||
  (judged.painted !== undefined && chromaFault(judged.painted.found, judged.painted.wordsLost) === 'screen')

export const groundLit = rule({
  code: 'K05',
  about:
    'The ground of a graphic is not what its key cuts away, black or the colour of its screen, and stays as a veil.',
  messages: {
    ground: {
      severity: 'Q',
      says: 'The ground of {overlay} is not black ({ground}): {share} of it stays over the picture as a veil.',
    },
    screen: {
      severity: 'Q',
      says: '{share} of the screen behind {overlay} stays: it is {ground} there, and {screen} is cut away.',
    },
  },
  find: (traced, say) =>
    firstsOf(traced, isLit).map(({ id, title, graphic, painted, pixels }) =>
      say(
        painted ? 'screen' : 'ground',
        { on: 'overlay', overlay: id },
        {
          overlay: text(title),
          ground: text(graphic.ground!.join(', ')),
          share: text(percent((painted ?? pixels)!.found.haze!)),
          screen: text(painted?.chroma.screen.join(', ') ?? ''),
        },
      ),
    ),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isLit)
    return judged ? [...findIt(traced, judged), ...findScreen(traced, judged), without(traced, judged.laid)] : []
  },
})
