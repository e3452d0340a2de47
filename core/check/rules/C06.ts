import { text } from '../finding'
import { freeSockets } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'
import { Draft } from '#core/ways'

export const C06: Rule = {
  id: 'C06',
  about: 'The model has no such port.',
  says: { stopped: '{device} ({model}) has no port {port}: there is nothing to plug into.' },
  find: traced => stoppedBy(traced, 'no-port').map(({ wire, stop }) => {
    const socket = wire[stop.end]!
    return finding('C06', 'D', { on: 'link', link: wire.id, part: stop.end }, 'stopped', {
      device: text(socket.node.device.name), model: text(socket.node.model.title), port: text(socket.portId),
    }, runWith(traced, wire.id)?.id)
  }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'no-port') return []
    const { end } = at.stop
    const carries = at.wire[end === 'from' ? 'to' : 'from']?.port?.carries
    return freeSockets(traced, at.wire[end]!.node, end === 'from' ? 'out' : 'in')
      .sort((a, b) => Number(b.port?.carries === carries) - Number(a.port?.carries === carries)).slice(0, 6)
      .map((socket) => {
        const draft = new Draft(traced.plan)
        draft.move(at.wire.id, end, { device: socket.node.id, port: socket.portId }, at.wire.link.adapters?.[end])
        return { title: `Use ${socketName(socket)}`, edits: draft.edits }
      })
  },
}
