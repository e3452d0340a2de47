import { tracedOf, type Run, type Traced } from '#core/chain'
import { type Edit, applyEdits } from '#core/document'
import { Draft } from './draft'

/** The same plan with edits made to it; undefined where they cannot be made. */
export function after({ plan, scope }: Traced, edits: readonly Edit[]): Traced | undefined {
  const applied = applyEdits(plan, edits)
  return applied.ok ? tracedOf(applied.value.plan, scope) : undefined
}

/** Takes out what belongs to one run alone: its last links, and devices on the way that nothing else needs. */
export function removeRun(traced: Traced, run: Run): { readonly edits: readonly Edit[]; readonly without: Traced } {
  const draft = new Draft(traced.plan)
  for (const { wire } of [...run.links].reverse()) {
    draft.disconnect(wire.id)
    const before = wire.from?.node
    if (!before || before.model.role !== 'way' || run.origin?.device === before.id) break
    const others = [...traced.chain.wires.values()].filter(
      other => other.id !== wire.id && other.from?.node.id === before.id,
    )
    if (others.length > 0) break
    draft.edits.push({ do: 'remove', collection: 'devices', id: before.id })
  }
  // A device goes only after every link of it has gone.
  const edits = [
    ...draft.edits.filter(edit => edit.do === 'disconnect'),
    ...draft.edits.filter(edit => edit.do !== 'disconnect'),
  ]
  return { edits, without: after(traced, edits)! }
}
