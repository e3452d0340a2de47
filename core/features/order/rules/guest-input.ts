import { portsOf } from '#core/catalog'
import { type Traced } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, freeInputs, rule } from '#core/propose'

export const guestInput = rule({
  code: 'R08',
  about: 'A guest with a picture of their own comes in the running order, and no input is kept for them.',
  messages: {
    unkept: {
      severity: 'R',
      says: '{guest} comes in {segment} with a picture of their own, and no input is kept for it.',
    },
  },
  find: (traced, say) =>
    guests(traced).map(({ id, title, guest }) =>
      say('unkept', { on: 'segment', id }, { guest: text(guest), segment: text(title) }),
    ),
  remedies: (traced, { at }): Proposal[] => {
    const one = guests(traced).find(({ id }) => at.on === 'segment' && id === at.id)
    if (!one) return []
    return freeInputs(traced)
      .slice(0, 3)
      .map(({ node, portId, port }): Proposal => {
        const draft = new Draft(traced.plan)
        draft.set(['devices', node.id, 'ports', portId, 'reserved'], one.guest)
        return {
          title: `Keep ${node.device.name} input ${port!.number ?? port!.title} for ${one.guest}`.slice(0, 120),
          edits: draft.edits,
        }
      })
  },
})

/** Guests by the segment in which they first come, whose name stands at no input that is kept. */
function guests({ plan, chain }: Traced): { id: string; title: string; guest: string }[] {
  const kept = new Set(
    [...chain.nodes.values()].flatMap(node =>
      portsOf(node.model, 'in').flatMap(([port]) => own(node.device.ports, port)?.reserved ?? []),
    ),
  )
  const told = new Set<string>()
  return Object.entries(plan.segments)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .flatMap(([id, { title, guest }]) => {
      if (guest === undefined || kept.has(guest) || told.has(guest)) return []
      told.add(guest)
      return [{ id, title, guest }]
    })
}
