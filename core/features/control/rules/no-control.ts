import { MODELS, portsOf } from '#core/catalog'
import { type DeviceNode, type Socket, type Traced, socketKey, takesAnyEnd } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectControl, controlLead, freeSockets, rule } from '#core/propose'
import { controlReach } from '../facts'

export const noControl = rule({
  code: 'C17',
  about: 'A device that must be set up has no control connection.',
  messages: {
    alone: {
      severity: 'R',
      says: '{device} can only be set up by {ways}, and nothing is connected there: it will come up as it was left.',
    },
    nobody: {
      severity: 'R',
      says: '{device} is connected by {ways}, and no controller is at the other end: it will come up as it was left.',
    },
    idle: { severity: 'R', says: '{device} is planned, and reaches nothing that it could set up.' },
  },
  find: (traced, say) => {
    const { unreached, idle } = controlReach(traced)
    const runOf = (id: string) => traced.runs.find(({ origin, end }) => origin?.device === id || end?.device === id)?.id
    return [
      ...unreached.map(node => {
        const linked = node.model.configured!.filter(port => enters(traced, { node, portId: port, port: undefined }))
        const ways = (linked.length ? linked : node.model.configured!).map(id => node.model.ports[id]!.title)
        return say(
          linked.length ? 'nobody' : 'alone',
          { on: 'device', device: node.id },
          { device: text(node.device.name), ways: text(ways.join(' or ')) },
          runOf(node.id),
        )
      }),
      ...idle.map(node =>
        say('idle', { on: 'device', device: node.id }, { device: text(node.device.name) }, runOf(node.id)),
      ),
    ]
  },
  remedies: (traced, { at, says }) => {
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!node) return []
    if (says === 'idle') return putToWork(traced, node)
    const inputs = node.model.configured!.flatMap((portId): Socket[] => {
      const own: Socket = { node, portId, port: node.model.ports[portId] }
      return enters(traced, own) ? behind(traced, own) : [own]
    })
    const there = inputs.flatMap(input =>
      controllers(traced).flatMap(out => connectControl(traced, out, input, 'Connect it to', out)),
    )
    return [...there, ...inputs.flatMap(input => [...throughSwitch(traced, input), ...bring(traced, input)])]
  },
})

const enters = ({ chain }: Traced, { node, portId }: Socket): boolean =>
  chain.entering.has(socketKey(node.id, portId)) || chain.leaving.has(socketKey(node.id, portId))

/** A free socket of something that can be set up and is not yet; else the controller stays at home. */
function putToWork(traced: Traced, node: DeviceNode): Proposal[] {
  const inputs = [...traced.chain.nodes.values()]
    .filter(({ id, model }) => id !== node.id && model.kind !== 'controller')
    .flatMap(other => freeSockets(traced, other, 'in').filter(({ port }) => port?.carries === 'control'))
  const draft = new Draft(traced.plan)
  for (const { id, from, to } of traced.chain.wires.values())
    if (from?.node === node || to?.node === node) draft.disconnect(id)
  draft.edits.push({ do: 'remove', collection: 'devices', id: node.id })
  return [
    ...freeSockets(traced, node, 'out')
      .flatMap(out => inputs.flatMap(input => connectControl(traced, out, input, 'Connect it to', input)))
      .slice(0, 3),
    { title: `Leave ${node.device.name} at home`.slice(0, 120), edits: draft.edits },
  ]
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
