import { type Traced, type Wire, type WireTrace, deviceName, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, freeInputs, freeSockets, moveInput, rule } from '#core/propose'

export const doubleInput = rule({
  code: 'C04',
  about: 'Two cables go into one input.',
  messages: {
    stopped: {
      severity: 'D',
      says: '{input} holds the cable from {other} already, and that from {sender} is planned into it too: only one can be plugged in.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'double-input').map(({ wire, stop }) => {
      const other = traced.chain.wires.get(stop.other)!
      return say(
        'stopped',
        { on: 'link', link: wire.id, part: 'to' },
        {
          input: text(socketName(wire.to!)),
          other: text(other.from ? other.from.node.device.name : 'a loose end'),
          sender: text(senderName(traced, wire)),
        },
        runWith(traced, wire.id)?.id,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to || at.stop?.why !== 'double-input') return []
    const free = freeInputs(traced, at.wire.to.node.id)
    const other = traced.trace.wires.get(at.stop.other)!
    const draft = new Draft(traced.plan)
    if (!other.beside && !other.signal) draft.disconnect(at.stop.other)
    return [
      ...moveInput(traced, at, free).slice(0, 4),
      ...moveInput(traced, other, free)
        .slice(0, 2)
        .map(({ title, edits }) => ({
          title: title.replace('Move it', `Move ${other.wire.from?.node.device.name ?? 'the other'}`),
          edits,
        })),
      ...(at.beside ? moveBeside(traced, at) : []),
      ...(draft.edits.length ? [{ title: 'Take out the other cable, which carries nothing', edits: draft.edits }] : []),
    ]
  },
})

/** Where a cable's picture, sound or control comes from. */
function senderName(traced: Traced, { id, from }: Wire): string {
  const origin = runWith(traced, id)?.origin?.device ?? from?.node.id
  return origin === undefined ? 'a loose end' : deviceName(traced, origin)
}

/** Sound and control move to a free socket of their own kind, lead and all. */
function moveBeside(traced: Traced, { wire }: WireTrace): Proposal[] {
  return freeSockets(traced, wire.to!.node, 'in')
    .filter(({ port }) => port?.carries === wire.to!.port!.carries && port.connector === wire.to!.port!.connector)
    .map(socket => {
      const draft = new Draft(traced.plan)
      draft.move(wire.id, 'to', { device: socket.node.id, port: socket.portId }, wire.link.adapters?.to)
      return { title: `Move it to ${socketName(socket)}`, edits: draft.edits }
    })
}
