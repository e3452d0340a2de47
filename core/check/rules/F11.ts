import { own } from '#core/plan'
import { Draft } from '#core/ways'
import { text } from '../finding'
import { connectTo, freeSockets, spanOf, swapSource } from '../offers'
import { finding, runWith, socketName, wireAt, type Proposal, type Rule } from '../rule'

export const F11: Rule = {
  id: 'F11',
  about: 'An output is not clean: menus and readouts lie in the picture.',
  says: { shown: '{output} sends its menus and readouts with the picture: everybody will see them.' },
  find: traced => [...traced.trace.wires.values()]
    .filter(({ arrives, signal, wire }) => arrives && signal?.readouts && wire.from?.node.id === signal.origin.device)
    .map(({ wire }) => finding('F11', 'Q', { on: 'link', link: wire.id, part: 'from' }, 'shown', { output: text(socketName(wire.from!)) }, runWith(traced, wire.id)?.id)),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    const from = at?.wire.from
    if (!from || !at.wire.to) return []
    const offers: Proposal[] = []
    if (own(from.node.model.ports, from.portId)?.readouts === 'switchable') {
      const draft = new Draft(traced.plan)
      draft.set(['devices', from.node.id, 'ports', from.portId, 'clean'], true)
      offers.push({ title: `Switch the readouts off at ${socketName(from)}`.slice(0, 120), edits: draft.edits })
    }
    for (const other of freeSockets(traced, from.node, 'out').filter(({ port }) => !port?.readouts)) {
      offers.push(...connectTo(traced, other, [at.wire.to], `Take it from ${socketName(other)} to`, spanOf(at)).slice(0, 1).map(({ title, edits }) => ({ title, edits: [{ do: 'disconnect' as const, id: at.wire.id }, ...edits] })))
    }
    return [...offers, ...swapSource(traced, at)]
  },
}
