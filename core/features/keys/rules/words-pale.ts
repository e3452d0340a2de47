import { text } from '#core/kernel'
import { LIMITS } from '#core/picture'
import { rule } from '#core/propose'
import { type Judged, contrastOf, faultOf, firstsOf, judgedOf, wordsOf } from '../judged'
import { byPair } from '../mend'
import { without } from '../offers'

export const wordsPale = rule({
  code: 'K12',
  about: 'Words may be as bright as the picture behind them: they are not read then.',
  messages: {
    pale: {
      severity: 'Q',
      says: 'Over some pictures the words of {overlay} have a contrast of {contrast} to 1 to what lies behind them; 3 is the least that is read.',
    },
  },
  find: (traced, say) =>
    firstsOf(traced, isPale).map(judged =>
      say(
        'pale',
        { on: 'overlay', overlay: judged.id },
        { overlay: text(judged.title), contrast: text(leastContrast(judged)!.toFixed(1)) },
      ),
    ),
  remedies: (traced, { at }) => {
    const judged = judgedOf(traced, at, isPale)
    return judged ? [...byPair(traced, judged), without(traced, judged.laid)] : []
  },
})

const isPale = (judged: Judged): boolean => (leastContrast(judged) ?? LIMITS.contrast) < LIMITS.contrast

/** Of words that are cut away nothing is said: what took them is. */
function leastContrast(judged: Judged): number | undefined {
  const fault = faultOf(judged)
  if (fault === 'dark' || fault === 'eaten' || fault === 'invert') return undefined
  const { laid, cut, misread } = judged
  const about = { kind: laid.overlay.kind, cut, ...(misread ? { misread } : {}) }
  const known = wordsOf(judged.graphic).flatMap(([, word]) => contrastOf(about, word) ?? [])
  return known.length ? Math.min(...known) : undefined
}
