import { MODELS, portsOf } from '#core/catalog'
import { type DeviceNode, type Socket, type Traced, socketKey, takesAnyEnd } from '#core/chain'
import { Draft } from './draft'
import { connectControl, controlLead, freeSockets } from './offers'
import type { Proposal } from './rule'

// What controls, and the ways by which it can reach a device.

/** Something is plugged in there. */
export const hangsOn = ({ chain }: Traced, { node, portId }: Socket): boolean =>
  chain.entering.has(socketKey(node.id, portId)) || chain.leaving.has(socketKey(node.id, portId))

/** Ways to bring a controller to one of these control sockets of a device: one that is there, through a switch, a new computer. */
export function bringControl(traced: Traced, node: DeviceNode, ports: readonly string[]): Proposal[] {
  const inputs = ports.flatMap((portId): Socket[] => {
    const own: Socket = { node, portId, port: node.model.ports[portId] }
    return hangsOn(traced, own) ? behind(traced, own) : [own]
  })
  const there = inputs.flatMap(input =>
    controllers(traced).flatMap(out => connectControl(traced, out, input, 'Connect it to', out)),
  )
  return [...there, ...inputs.flatMap(input => [...throughSwitch(traced, input), ...bring(traced, input)])]
}

/** Free sockets of the switches that a connected socket hangs on. */
function behind(traced: Traced, { node, portId }: Socket): Socket[] {
  const at = (socket: Socket | undefined) => socket?.node === node && socket.portId === portId
  return [...traced.chain.wires.values()]
    .flatMap(({ from, to }) => (at(from) ? [to] : at(to) ? [from] : []))
    .flatMap(other => (takesAnyEnd(other) ? freeSockets(traced, other!.node, 'in').slice(0, 1) : []))
}

/** Free plugs of what controls, and of switches that something controlling reaches. */
const controllers = (traced: Traced): Socket[] =>
  [...traced.chain.nodes.values()]
    .filter(({ model }) => model.role === 'control')
    .flatMap(node => freeSockets(traced, node, 'out'))

/** Where the one network socket of what controls is taken by a single device: a switch comes in between. */
function throughSwitch(traced: Traced, input: Socket): Proposal[] {
  const { chain, plan } = traced
  const taken = [...chain.wires.values()].find(
    ({ from, to }) =>
      from?.node.model.kind === 'controller' && from.port?.connector === '8p8c' && to?.node.model.kind !== 'network',
  )
  if (!taken || input.port?.connector !== '8p8c') return []
  const draft = new Draft(plan)
  const hub = draft.device({ model: draft.model('switch-control'), name: 'Control switch', order: draft.lastOrder })
  draft.move(taken.id, 'from', { device: hub, port: 'out-2' })
  draft.connect({
    from: taken.link.from!,
    to: { device: hub, port: 'in' },
    cable: draft.lead('control-network'),
    pieces: [2],
  })
  draft.connect({
    from: { device: hub, port: 'out-3' },
    to: { device: input.node.id, port: input.portId },
    cable: draft.lead('control-network'),
  })
  return [{ title: `Put in a network switch behind ${taken.from!.node.device.name}`.slice(0, 120), edits: draft.edits }]
}

/** A computer for control, where there is none yet. */
function bring(traced: Traced, input: Socket): Proposal[] {
  const { plan } = traced
  const row = MODELS.get('computer-control')!
  const out = portsOf(row, 'out').find(([, port]) => controlLead(traced, port, input.port!) !== undefined)
  if (!out || controllers(traced).some(socket => !takesAnyEnd(socket))) return []
  const draft = new Draft(plan)
  const computer = draft.device({
    model: draft.model('computer-control'),
    name: 'Control computer',
    order: draft.lastOrder,
  })
  draft.connect({
    from: { device: computer, port: out[0] },
    to: { device: input.node.id, port: input.portId },
    cable: draft.lead(controlLead(traced, out[1], input.port!)!),
  })
  return [{ title: `Add a control computer at ${input.port!.title}`.slice(0, 120), edits: draft.edits }]
}
