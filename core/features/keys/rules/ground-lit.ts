import { text } from '#core/kernel'
import { chromaFault } from '#core/picture'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { allJudged, faultOf, judgedAt } from '../judged'
import { findIt, findScreen } from '../mend'
import { without } from '../offers'

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
    allJudged(traced).flatMap(judged => {
      const { painted } = judged
      if (painted && chromaFault(painted.found, painted.wordsLost) === 'screen')
        return [
          say(
            'screen',
            { on: 'overlay', overlay: judged.id },
            {
              overlay: text(judged.laid.overlay.title),
              ground: text(judged.graphic.ground!.join(', ')),
              screen: text(painted.chroma.screen.join(', ')),
              share: text(percent(painted.found.haze!)),
            },
          ),
        ]
      if (faultOf(judged) !== 'ground') return []
      return [
        say(
          'ground',
          { on: 'overlay', overlay: judged.id },
          {
            overlay: text(judged.laid.overlay.title),
            ground: text(judged.graphic.ground!.join(', ')),
            share: text(percent(judged.pixels!.found.haze!)),
          },
        ),
      ]
    }),
  remedies: (traced, { at }) => {
    const judged = at.on === 'overlay' ? judgedAt(traced, at.overlay) : undefined
    return judged ? [...findIt(traced, judged), ...findScreen(traced, judged), without(traced, judged.laid)] : []
  },
})
