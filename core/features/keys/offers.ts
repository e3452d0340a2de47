import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { Draft, type Proposal } from '#core/propose'
import { listWords } from '#core/words'
import type { Laid } from './laid'

/** Gives an overlay up in these segments; altogether, where none are given. */
export function without({ plan }: Traced, { id, overlay }: Laid, segments: readonly string[] = []): Proposal {
  if (segments.length === 0)
    return {
      title: `Give up ${overlay.title}`.slice(0, 120),
      edits: [{ do: 'remove', collection: 'overlays', id }],
      givesUp: true,
    }
  const draft = new Draft(plan)
  const left = (overlay.segments ?? Object.keys(plan.segments)).filter(segment => !segments.includes(segment))
  draft.set(['overlays', id, 'segments'], left)
  const titles = listWords(segments.map(segment => own(plan.segments, segment)?.title ?? segment))
  return { title: `Give up ${overlay.title} in ${titles}`.slice(0, 120), edits: draft.edits, givesUp: true }
}
