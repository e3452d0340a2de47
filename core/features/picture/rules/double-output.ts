import { isSwitcher, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import {
  Draft,
  type Proposal,
  freeSockets,
  layWay,
  loopsBehind,
  rule,
  signalAt,
  spanOf,
  splitOff,
  wayTitle,
  waysBetween,
} from '#core/propose'

export const doubleOutput = rule({
  code: 'C05',
  about: 'One output feeds two cables without a splitter.',
  messages: {
    stopped: {
      severity: 'D',
      says: '{output} feeds {other} already, and a second cable is planned from it to {to}: one socket takes one plug, so {to} gets nothing.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'double-output').map(({ wire, stop }) => {
      const other = traced.chain.wires.get(stop.other)!
      return say(
        'stopped',
        { on: 'link', link: wire.id, part: 'from' },
        {
          output: text(socketName(wire.from!)),
          other: text(other.to ? other.to.node.device.name : 'a loose cable'),
          to: text(wire.to ? socketName(wire.to) : 'a loose cable'),
        },
        runWith(traced, wire.id)?.id,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'double-output') return []
    const { wire } = at
    const offers: Proposal[] = []
    const first = traced.trace.wires.get(at.stop.other)!
    if (wire.to?.port) {
      const from = wire.from!
      const feed = at.signal?.feed
      const target = { node: wire.to.node, portId: wire.to.portId, port: wire.to.port }
      const others = freeSockets(traced, from.node, 'out').filter(
        ({ port }) => !isSwitcher(from.node) || (feed && port?.feeds?.includes(feed)),
      )
      for (const socket of [...others, ...loopsBehind(traced, first)]) {
        const sending =
          socket.node === from.node && from.node.model.role === 'source'
            ? at.signal && { ...at.signal, setBy: { device: socket.node.id, port: socket.portId } }
            : (signalAt(traced, socket) ?? at.signal)
        if (!sending || !socket.port) continue
        const way = waysBetween(
          traced.plan,
          { port: socket.port, signal: { ...sending, coding: socket.port.coding ?? sending.coding } },
          target,
          spanOf(traced, at),
        )[0]
        if (!way) continue
        const draft = new Draft(traced.plan)
        draft.disconnect(wire.id)
        const setting = own(from.node.device.ports, from.portId)?.format
        if (socket.node === from.node && from.node.model.role === 'source')
          draft.set(['devices', from.node.id, 'ports', socket.portId, 'format'], setting ?? at.signal!.format)
        if (
          feed &&
          isSwitcher(socket.node) &&
          (own(socket.node.device.ports, socket.portId)?.feed ?? socket.port.feeds?.[0]) !== feed
        )
          draft.set(['devices', socket.node.id, 'ports', socket.portId, 'feed'], feed)
        layWay(
          draft,
          way,
          { device: socket.node.id, port: socket.portId },
          wire.link.to!,
          from.node.device.name,
          wire.id,
        )
        offers.push({ title: `Take it from ${socketName(socket)}: ${wayTitle(way)}`.slice(0, 120), edits: draft.edits })
      }
      offers.push(...splitOff(traced, first, [wire.to], 'Put in', wire.id))
    }
    const draft = new Draft(traced.plan)
    draft.disconnect(wire.id)
    offers.push({ title: 'Take the second cable out', edits: draft.edits })
    return offers
  },
})
