import { MODELS, portsOf } from '#core/catalog'
import { type DeviceNode, type Socket, type Traced, socketKey } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectControl, controlLead, freeSockets, rule } from '#core/propose'

export const noControl = rule({
  code: 'C17',
  about: 'A device that must be set up has no control connection.',
  messages: {
    alone: {
      severity: 'R',
      says: '{device} can only be set up by {ways}, and nothing is connected there: it will come up as it was left.',
    },
  },
  find: (traced, say) =>
    alone(traced).map(node =>
      say(
        'alone',
        { on: 'device', device: node.id },
        {
          device: text(node.device.name),
          ways: text(node.model.configured!.map(id => node.model.ports[id]!.title).join(' or ')),
        },
        traced.runs.find(({ origin, end }) => origin?.device === node.id || end?.device === node.id)?.id,
      ),
    ),
  remedies: (traced, { at }) => {
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!node) return []
    const inputs = node.model.configured!.map((id): Socket => ({ node, portId: id, port: node.model.ports[id] }))
    const there = inputs.flatMap(input =>
      controllers(traced).flatMap(out => connectControl(traced, out, input, 'Connect it to', out)),
    )
    return [...there, ...inputs.flatMap(input => [...throughSwitch(traced, input), ...bring(traced, input)])]
  },
})

/** Devices in use whose control ports are all free. */
function alone({ chain }: Traced): DeviceNode[] {
  return [...chain.nodes.values()].filter(
    ({ id, model }) =>
      model.configured?.length &&
      model.configured.every(port => !chain.entering.has(socketKey(id, port))) &&
      portsOf(model, 'in')
        .concat(portsOf(model, 'out'))
        .some(([port]) => chain.entering.has(socketKey(id, port)) || chain.leaving.has(socketKey(id, port))),
  )
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
  if (!out || controllers(traced).length > 0) return []
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
