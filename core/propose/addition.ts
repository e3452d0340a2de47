import type { CableModel } from '#core/cable'
import { type Feed, MODELS, makesInAnyMode, portsOf, isSink } from '#core/catalog'
import { type DeviceNode, type Signal, type Traced, tracedOf, isSwitcher, madeBy, mixedBy, resolve } from '#core/chain'
import { type Device, type Edit, type LinkEnd, type Plan, applyEdits, own } from '#core/document'
import { type VideoFormat, setsContain } from '#core/signal'
import { Draft } from './draft'
import { freeInputs, freeSockets } from './offers'
import { soundLead } from './sound'
import { receiverFor, receiversOf } from './receivers'
import { waysBetween } from './search'
import { type Span, adaptersFor, allLeads, layWay } from './ways'

/** A device to add, with how it is set and where it is connected. */
export interface Addition {
  /** Id in the plan's models or the catalogue. */
  readonly model: string
  readonly name: string
  /** Format of its first output, or the standard of a switcher. */
  readonly format?: VideoFormat
  /** Sinks: what it should show; the brief then wants it. */
  readonly feed?: Feed
  /** Stage's input for a source, switcher's output for a sink; `next` takes the next free one; absent, not connected. */
  readonly connect?: LinkEnd | 'next'
  /** Measured way of its cable, metres. */
  readonly routeM?: number
  /** A cable to take whether it reaches or not; absent, the cheapest way on which the picture arrives. */
  readonly cable?: string
}

/** The edits that add a device. `random` makes its ids. Nothing is connected where no port is free. */
export function additionEdits(plan: Plan, addition: Addition, random: () => number): Edit[] {
  const draft = new Draft(plan, random)
  const model = draft.model(addition.model)
  const row = own(plan.models, addition.model) ?? MODELS.get(addition.model)!
  const order =
    1 +
    Math.max(
      0,
      ...Object.values(plan.devices)
        .filter(device => plan.models[device.model]!.role === row.role)
        .map(device => device.order),
    )
  const outs = portsOf(row, 'out')
  const firstOut = outs[0]?.[0]
  const mode =
    addition.format && row.modes && firstOut
      ? makesInAnyMode(row, firstOut).find(({ sets }) => setsContain(sets, addition.format!))?.mode
      : undefined
  const device: Device = {
    model,
    name: addition.name,
    order,
    ...(mode === undefined ? {} : { mode }),
    ...(addition.format && row.role === 'switcher' ? { standard: addition.format } : {}),
    ...(addition.format && row.role !== 'switcher' && firstOut
      ? {
          ports: Object.fromEntries(
            outs.filter(([, port]) => port.makes || row.modes).map(([id]) => [id, { format: addition.format! }]),
          ),
        }
      : {}),
  }
  const id = draft.device(device)
  for (const [port] of outs) {
    const box = receiverFor(draft, row, addition.name, undefined)
    if (box !== undefined) draft.set(['devices', id, 'ports', port, 'receiver'], box)
  }
  if (addition.feed && isSink(row))
    draft.edits.push({
      do: 'add',
      collection: 'wants',
      id: `${id}-sees`.slice(0, 64),
      value: { sink: id, feed: addition.feed },
    })
  if (addition.connect) connect(plan, draft, id, addition)
  return [...draft.edits]
}

function connect(plan: Plan, draft: Draft, id: string, { connect: asked, routeM, cable, feed, name }: Addition): void {
  const applied = applyEdits(plan, draft.edits)
  if (!applied.ok || !asked) return
  const placed = applied.value.plan
  const traced = tracedOf(placed)
  const { nodes } = traced.chain
  const node = nodes.get(id)!
  if (node.model.role === 'sound') {
    connectSound(placed, traced, draft, node, asked, routeM, cable)
    return
  }
  const sink = isSink(node.model)
  const span: Span = routeM === undefined ? {} : { routeM }
  const mine = sink ? freeSockets(traced, node, 'in') : freeSockets(traced, node, 'out')
  const theirs =
    asked !== 'next'
      ? [
          {
            node: nodes.get(asked.device)!,
            portId: asked.port,
            port: own(nodes.get(asked.device)!.model.ports, asked.port),
          },
        ]
      : sink
        ? [...nodes.values()]
            .filter(isSwitcher)
            .flatMap(switcher => freeSockets(traced, switcher, 'out'))
            .filter(({ port }) => !feed || port?.feeds?.includes(feed))
        : freeInputs(traced).filter(socket => socket.node.id !== id)
  // Of several free ports the one with the same connector comes first, then by number.
  const kind = mine[0]?.port?.carries
  const [other] = [...theirs].sort((a, b) => Number(b.port?.carries === kind) - Number(a.port?.carries === kind))
  const [own0] = mine
  if (!other?.port || !own0?.port) return
  const from = sink ? other : own0
  const to = sink ? own0 : other
  const signal = signalOf(from.node, from.portId)
  if (!signal) return
  if (sink && feed && (own(from.node.device.ports, from.portId)?.feed ?? from.port!.feeds?.[0]) !== feed)
    draft.set(['devices', from.node.id, 'ports', from.portId, 'feed'], feed)
  const ends: [LinkEnd, LinkEnd] = [
    { device: from.node.id, port: from.portId },
    { device: to.node.id, port: to.portId },
  ]
  const target = { node: to.node, portId: to.portId, port: to.port! }
  if (cable === undefined) {
    const start = { port: from.port!, signal }
    const way = waysBetween(placed, start, target, span)[0] ?? waysBetween(placed, start, target, span, 'reach')[0]
    if (way) {
      layWay(draft, way, ...ends, name)
      return
    }
  }
  const leads = allLeads(placed)
  const lead = cable ?? [...leads].find(([, row]) => row.kind === 'cable' && row.carries === from.port!.carries)?.[0]
  if (lead === undefined) return
  const adapters = adaptersFor(leads, from.port!, leads.get(lead) as CableModel, to.port!)
  const fitted = {
    ...(adapters?.from ? { from: draft.lead(adapters.from.id) } : {}),
    ...(adapters?.to ? { to: draft.lead(adapters.to.id) } : {}),
  }
  draft.connect({
    from: ends[0],
    to: ends[1],
    cable: draft.lead(lead),
    ...(Object.keys(fitted).length ? { adapters: fitted } : {}),
    ...(routeM === undefined ? {} : { routeM }),
  })
}

/** A microphone or a desk goes to the first free plug for sound that a lead on sale fits. */
function connectSound(
  placed: Plan,
  traced: Traced,
  draft: Draft,
  node: DeviceNode,
  asked: LinkEnd | 'next',
  routeM: number | undefined,
  cable: string | undefined,
): void {
  const plugs = [...traced.chain.nodes.values()]
    .filter(other => other.id !== node.id && (isSwitcher(other) || other.model.kind === 'desk'))
    .flatMap(other => freeSockets(traced, other, 'in'))
    .filter(
      ({ port, node: other, portId }) =>
        port?.carries === 'sound' && (asked === 'next' || (asked.device === other.id && asked.port === portId)),
    )
  for (const out of freeSockets(traced, node, 'out')) {
    for (const plug of plugs) {
      const found = soundLead(traced, out, plug)
      if (!found && cable === undefined) continue
      const lead = cable ?? found!.lead
      const adapters = adaptersFor(allLeads(placed), out.port!, allLeads(placed).get(lead) as CableModel, plug.port!)
      if (!adapters) continue
      draft.connect({
        from: { device: node.id, port: out.portId },
        to: { device: plug.node.id, port: plug.portId },
        cable: draft.lead(lead),
        ...(routeM === undefined ? {} : { routeM }),
      })
      return
    }
  }
}

function signalOf(node: DeviceNode, portId: string): Signal | undefined {
  const port = own(node.model.ports, portId)
  const path = node.model.paths.find(candidate => candidate.format === 'standard' && candidate.to.includes(portId))
  return path ? mixedBy(node, path, portId) : port && madeBy(node, portId, port)
}

/** The edits that take a device out, with its cables, its wants, and the devices on the way that serve it alone. */
export function removalEdits(plan: Plan, id: string): Edit[] {
  const chain = resolve(plan)
  const links = new Set<string>()
  const devices = new Set([id])
  for (let grown = true; grown;) {
    grown = false
    for (const wire of chain.wires.values()) {
      const ends = [wire.from?.node, wire.to?.node]
      if (links.has(wire.id) || !ends.some(node => node && devices.has(node.id))) continue
      links.add(wire.id)
      grown = true
      for (const node of ends) {
        if (!node || node.model.role !== 'way' || devices.has(node.id)) continue
        // Behind what goes, a device has lost its picture; before it, it stays while it feeds something else.
        const fedByIt = node === wire.to?.node
        const feedsOthers = [...chain.wires.values()].some(other => !links.has(other.id) && other.from?.node === node)
        if (fedByIt || !feedsOthers) devices.add(node.id)
      }
    }
  }
  for (const one of [...devices]) for (const box of receiversOf(plan, one)) devices.add(box)
  return [
    ...[...links].map(link => ({ do: 'disconnect' as const, id: link })),
    ...Object.entries(plan.wants)
      .filter(([, { sink }]) => devices.has(sink))
      .map(([want]) => ({ do: 'remove' as const, collection: 'wants' as const, id: want })),
    ...Object.entries(plan.segments)
      .filter(([, { sources }]) => sources?.some(source => devices.has(source)))
      .map(([segment, { sources }]) => ({
        do: 'set' as const,
        at: ['segments', segment, 'sources'] as const,
        value: sources!.filter(source => !devices.has(source)),
      })),
    ...Object.entries(plan.devices)
      .filter(([other, { in: host }]) => host !== undefined && devices.has(host) && !devices.has(other))
      .map(([other]) => ({ do: 'set' as const, at: ['devices', other, 'in'] as const })),
    ...[...devices].map(device => ({ do: 'remove' as const, collection: 'devices' as const, id: device })),
  ]
}
