import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { type Judged, faultOf, firstsOf, judgedOf } from '../judged'
import { asSent, byPair, findIt, turnBack } from '../mend'
import { without } from '../offers'

const isEaten = (judged: Judged): boolean => ['haze', 'eaten', 'edges'].includes(faultOf(judged) ?? '')

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
    firstsOf(traced, isEaten).map(judged => {
      const fault = faultOf(judged) as 'haze' | 'eaten' | 'edges'
      const { found, wordsLost } = judged.pixels!
      const share =
        fault === 'haze' ? found.haze! : fault === 'edges' ? found.soft! : Math.max(found.lost ?? 0, wordsLost ?? 0)
      return say(
        fault,
        { on: 'overlay', overlay: judged.id },
        { overlay: text(judged.title), share: text(percent(share)) },
      )
    }),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isEaten)
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
