import type { Traced } from '#core/chain'
import { type Edit, type Plan, own, slidesOf } from '#core/document'
import { Draft, type Proposal } from '#core/propose'
import { cuesOf } from '#core/run'
import { listWords } from '#core/words'
import type { Laid } from './laid'

/** Takes pictures out of the plan that no overlay but this one shows. */
export function unshared(plan: Plan, id: string, graphics: readonly string[]): Edit[] {
  const elsewhere = new Set(
    Object.entries(plan.overlays).flatMap(([other, overlay]) => (other === id ? [] : slidesOf(overlay))),
  )
  return [...new Set(graphics)]
    .filter(graphic => own(plan.graphics, graphic) && !elsewhere.has(graphic))
    .map(graphic => ({ do: 'remove', collection: 'graphics', id: graphic }))
}

/** Takes an overlay out, with the pictures that no other one shows. */
export function removalOf(plan: Plan, id: string): Edit[] {
  const overlay = own(plan.overlays, id)
  return [{ do: 'remove', collection: 'overlays', id }, ...unshared(plan, id, overlay ? slidesOf(overlay) : [])]
}

/** Gives an overlay up in these segments, and their looks no longer light it; altogether, where none are given. */
export function without({ plan }: Traced, { id, overlay }: Laid, segments: readonly string[] = []): Proposal {
  const draft = new Draft(plan)
  const taken = new Set(
    segments.flatMap(segment => [
      own(plan.segments, segment)?.opens,
      ...cuesOf(plan, segment).map(([, { look }]) => look),
    ]),
  )
  for (const [look, { keys }] of Object.entries(plan.looks))
    if (segments.length === 0 || taken.has(look))
      for (const [device, numbers] of Object.entries(keys ?? {}))
        for (const [number, there] of Object.entries(numbers))
          if (there === id) draft.set(['looks', look, 'keys', device, number])
  if (segments.length === 0) {
    draft.edits.push(...removalOf(plan, id))
    return { title: `Give up ${overlay.title}`.slice(0, 120), edits: draft.edits, givesUp: true }
  }
  const left = (overlay.segments ?? Object.keys(plan.segments)).filter(segment => !segments.includes(segment))
  draft.set(['overlays', id, 'segments'], left)
  const titles = listWords(segments.map(segment => own(plan.segments, segment)?.title ?? segment))
  return { title: `Give up ${overlay.title} in ${titles}`.slice(0, 120), edits: draft.edits, givesUp: true }
}
