import { text } from '#core/kernel'
import { chromaFault } from '#core/picture'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { allJudged, faultOf, judgedAt } from '../judged'
import { byPair, findIt, findScreen } from '../mend'
import { without } from '../offers'

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
    allJudged(traced).flatMap(judged => {
      const { painted } = judged
      if (painted && chromaFault(painted.found, painted.wordsLost) === 'alike')
        return [
          say(
            'alike',
            { on: 'overlay', overlay: judged.id },
            {
              overlay: text(judged.laid.overlay.title),
              share: text(percent(Math.max(painted.found.lost ?? 0, painted.wordsLost ?? 0))),
              screen: text(painted.chroma.screen.join(', ')),
            },
          ),
        ]
      if (faultOf(judged) !== 'dark') return []
      const { found, wordsLost } = judged.pixels!
      const [words, all] = [wordsLost ?? 0, found.lost ?? 0]
      return [
        say(
          words > all ? 'words' : 'dark',
          { on: 'overlay', overlay: judged.id },
          { overlay: text(judged.laid.overlay.title), share: text(percent(Math.max(words, all))) },
        ),
      ]
    }),
  remedies: (traced, { at }) => {
    const judged = at.on === 'overlay' ? judgedAt(traced, at.overlay) : undefined
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
