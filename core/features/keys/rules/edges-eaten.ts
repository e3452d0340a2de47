import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { allJudged, faultOf, judgedAt } from '../judged'
import { asSent, byPair, findIt, turnBack } from '../mend'
import { without } from '../offers'

export const edgesEaten = rule({
  code: 'K11',
  about: 'Clip and gain leave a veil, or eat what is meant to be seen.',
  messages: {
    haze: {
      severity: 'Q',
      says: '{share} of what is meant to be clear around {overlay} stays as a veil: its clip is too low for what comes in.',
    },
    eaten: { severity: 'Q', says: 'Clip and gain cut {share} of {overlay} away.' },
    edges: {
      severity: 'Q',
      says: 'Of the soft edges of {overlay} {share} are kept: they come out hard.',
    },
  },
  find: (traced, say) =>
    allJudged(traced).flatMap(judged => {
      const fault = faultOf(judged)
      if (fault !== 'haze' && fault !== 'eaten' && fault !== 'edges') return []
      const { found, wordsLost } = judged.pixels!
      const share =
        fault === 'haze' ? found.haze! : fault === 'edges' ? found.soft! : Math.max(found.lost ?? 0, wordsLost ?? 0)
      return [
        say(
          fault,
          { on: 'overlay', overlay: judged.id },
          { overlay: text(judged.laid.overlay.title), share: text(percent(share)) },
        ),
      ]
    }),
  remedies: (traced, { at }) => {
    const judged = at.on === 'overlay' ? judgedAt(traced, at.overlay) : undefined
    return judged
      ? [
          ...turnBack(traced, judged),
          ...asSent(traced, judged),
          ...findIt(traced, judged),
          ...byPair(traced, judged),
          without(traced, judged.laid),
        ]
      : []
  },
})
