import type { Traced } from '#core/chain'
import type { Edit } from '#core/document'
import { type Checked, tryEdits } from '#core/propose'
import { hallsOf } from './halls'
import { judgedAt, photographsUnder } from './judged'
import { type Measure, measuresOf } from './measures'
import { stepsApart } from './pairs'

/** What is measured of an overlay's key as a plan has it, by name; nothing without a graphic. */
function standing(traced: Traced, id: string): ReadonlyMap<string, Measure> {
  const judged = judgedAt(traced, id)
  if (!judged) return new Map()
  const { laid, misread, weights, graphic, cut } = judged
  const row = {
    overlay: laid.overlay,
    photographs: photographsUnder(traced, laid),
    halls: hallsOf(traced, laid),
    apart: stepsApart(traced, laid),
    misread,
    ...(weights ? { weights } : {}),
  }
  return new Map(measuresOf(row, graphic, cut, undefined).map(measure => [measure.name, measure]))
}

/**
 * What is measured after each of some changes, of what is wrong before or after it: "graphic lost: 0 %". Empty where
 * nothing of it is measured, or the overlay is given up. Takes a check for each.
 */
export function outcomesOf(checked: Checked, id: string, offers: readonly (readonly Edit[])[]): string[] {
  const before = standing(checked.traced, id)
  return offers.map(edits => {
    const tried = tryEdits(checked, edits)
    if (!tried) return ''
    return [...standing(tried.checked.traced, id).values()]
      .filter(({ name, bad }) => bad || before.get(name)?.bad)
      .map(({ name, now }) => `${name.charAt(0).toLowerCase()}${name.slice(1)}: ${now}`)
      .join(', ')
  })
}
