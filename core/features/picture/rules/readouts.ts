import { runWith, socketName, wireAt } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeSockets, rule, spanOf, swapSource } from '#core/propose'

export const readouts = rule({
  code: 'F11',
  about: 'An output is not clean: menus and readouts lie in the picture.',
  messages: {
    shown: { severity: 'Q', says: '{output} sends its menus and readouts with the picture: everybody will see them.' },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()]
      .filter(({ arrives, signal, wire }) => arrives && signal?.readouts && wire.from?.node.id === signal.origin.device)
      .map(({ wire }) =>
        say(
          'shown',
          { on: 'link', link: wire.id, part: 'from' },
          { output: text(socketName(wire.from!)) },
          runWith(traced, wire.id)?.id,
        ),
      ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    const from = at?.wire.from
    if (!from || !at.wire.to) return []
    const offers: Proposal[] = []
    if (own(from.node.model.ports, from.portId)?.readouts === 'switchable') {
      const draft = new Draft(traced.plan)
      draft.set(['devices', from.node.id, 'ports', from.portId, 'clean'], true)
      offers.push({
        title:
          from.node.model.kind === 'phone'
            ? `Use an application for clean output on ${from.node.device.name}`.slice(0, 120)
            : `Switch the readouts off at ${socketName(from)}`.slice(0, 120),
        edits: draft.edits,
      })
    }
    for (const other of freeSockets(traced, from.node, 'out').filter(({ port }) => !port?.readouts)) {
      offers.push(
        ...connectTo(traced, other, [at.wire.to], `Take it from ${socketName(other)} to`, spanOf(traced, at))
          .slice(0, 1)
          .map(({ title, edits }) => ({ title, edits: [{ do: 'disconnect' as const, id: at.wire.id }, ...edits] })),
      )
    }
    return [...offers, ...swapSource(traced, at)]
  },
})
