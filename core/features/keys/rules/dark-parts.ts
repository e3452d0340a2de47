import { text } from '#core/kernel'
import { chromaFault } from '#core/picture'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { type Judged, faultOf, firstsOf, judgedOf } from '../judged'
import { byPair, findIt, findScreen } from '../mend'
import { without } from '../offers'

const isGone = (judged: Judged): boolean =>
  faultOf(judged) === 'dark' ||
  (judged.painted !== undefined && chromaFault(judged.painted.found, judged.painted.wordsLost) === 'alike')

export const darkParts = rule({
  code: 'K04',
  about:
    'A graphic with dark parts is cut out by its brightness, or one with the colour of its screen by that: they are gone.',
  messages: {
    dark: {
      severity: 'Q',
      says: '{share} of {overlay} is too dark to be told from black by its brightness: it is not seen.',
    },
    words: {
      severity: 'Q',
      says: '{share} of the words of {overlay} are too dark to be told from black by their brightness: they are not seen.',
    },
    alike: {
      severity: 'Q',
      says: '{share} of {overlay} is too near to the colour of its screen ({screen}): it is not seen. Another ink, or another screen, keeps it.',
    },
  },
  find: (traced, say) =>
    firstsOf(traced, isGone).map(({ id, title, painted, pixels }) => {
      const { found, wordsLost = 0 } = (painted ?? pixels)!
      const all = found.lost ?? 0
      return say(
        painted ? 'alike' : wordsLost > all ? 'words' : 'dark',
        { on: 'overlay', overlay: id },
        {
          overlay: text(title),
          share: text(percent(Math.max(wordsLost, all))),
          screen: text(painted?.chroma.screen.join(', ') ?? ''),
        },
      )
    }),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isGone)
    return judged
      ? [
          ...byPair(traced, judged),
          ...findIt(traced, judged),
          ...findScreen(traced, judged),
          without(traced, judged.laid),
        ]
      : []
  },
})
