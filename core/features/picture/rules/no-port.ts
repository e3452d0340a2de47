import { runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, freeSockets, rule } from '#core/propose'

export const noPort = rule({
  code: 'C06',
  about: 'The model has no such port.',
  messages: {
    stopped: { severity: 'D', says: '{device} ({model}) has no port {port}: there is nothing to plug into.' },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'no-port').map(({ wire, stop }) => {
      const socket = wire[stop.end]!
      return say(
        'stopped',
        { on: 'link', link: wire.id, part: stop.end },
        {
          device: text(socket.node.device.name),
          model: text(socket.node.model.title),
          port: text(socket.portId),
        },
        runWith(traced, wire.id)?.id,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'no-port') return []
    const { end } = at.stop
    const carries = at.wire[end === 'from' ? 'to' : 'from']?.port?.carries
    return freeSockets(traced, at.wire[end]!.node, end === 'from' ? 'out' : 'in')
      .sort((a, b) => Number(b.port?.carries === carries) - Number(a.port?.carries === carries))
      .slice(0, 6)
      .map(socket => {
        const draft = new Draft(traced.plan)
        draft.move(at.wire.id, end, { device: socket.node.id, port: socket.portId }, at.wire.link.adapters?.[end])
        return { title: `Use ${socketName(socket)}`, edits: draft.edits }
      })
  },
})
