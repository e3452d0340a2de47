import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { percent } from '#core/words'
import { allJudged, faultOf, judgedAt } from '../judged'
import { findIt } from '../mend'
import { without } from '../offers'

export const groundLit = rule({
  code: 'K05',
  about: 'The ground of a graphic that is cut out by its brightness is not black, and stays as a veil.',
  messages: {
    ground: {
      severity: 'Q',
      says: 'The ground of {overlay} is not black ({ground}): {share} of it stays over the picture as a veil.',
    },
  },
  find: (traced, say) =>
    allJudged(traced).flatMap(judged => {
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
    return judged ? [...findIt(traced, judged), without(traced, judged.laid)] : []
  },
})
