import {
  type Feed,
  MODELS,
  type Model,
  type Port,
  carriesPicture,
  portsOf,
  type Carried,
  isForScreens,
} from '#core/catalog'
import {
  type DeviceNode,
  type Socket,
  type Traced,
  type Wire,
  isSwitcher,
  mixedBy,
  outputFormat,
  socketKey,
} from '#core/chain'
import { type Edit, type LinkEnd, type PortSetting, own } from '#core/document'
import { type VideoFormat, listFormats, sameFormat, setsContain } from '#core/signal'
import { Draft } from './draft'
import { freeInputs } from './offers'
import type { Proposal } from './rule'
import { waysBetween } from './search'
import { layWay, shortTitle } from './ways'

// More inputs, more outputs: a larger switcher in the place of one, or a feeder before it.

/** Sources that are connected to nothing. */
export function idleSources({ chain, pictures }: Traced): DeviceNode[] {
  const wired = new Set([...chain.wires.values()].flatMap(({ from }) => (from ? [from.node.id] : [])))
  return pictures.flatMap(picture =>
    picture.of === 'source' && !wired.has(picture.device) ? [chain.nodes.get(picture.device)!] : [],
  )
}

/** Of the sources that are connected to nothing, those for which no input of any switcher is left: the last in the plan's order. */
export function excessSources(traced: Traced): DeviceNode[] {
  if (![...traced.chain.nodes.values()].some(isSwitcher)) return []
  return idleSources(traced)
    .sort((a, b) => a.device.order - b.device.order)
    .slice(freeInputs(traced).length)
}

const pictureInputs = (model: Model): [string, Port][] =>
  portsOf(model, 'in').filter(([, port]) => carriesPicture(port))
const pictureOutputs = (model: Model): [string, Port][] =>
  portsOf(model, 'out').filter(([, port]) => isForScreens(port))

/** Switchers by their order in the plan. */
export function switchersOf({ chain }: Traced): DeviceNode[] {
  return [...chain.nodes.values()].filter(isSwitcher).sort((a, b) => a.device.order - b.device.order)
}

/** Switchers of the catalogue that could take the place of a switcher, cables and settings moved over, cheapest first. */
export function largerSwitcher(
  traced: Traced,
  switcher: DeviceNode,
  wanted: (model: Model) => boolean,
  most = 2,
): (Proposal & { readonly model: string })[] {
  return [...MODELS]
    .filter(([, row]) => row.kind === 'switcher' && row.from !== switcher.model.from && wanted(row))
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
    .flatMap(([id, row]) => {
      const edits = swapSwitcher(traced, switcher, id, row)
      return edits
        ? [{ title: `Use a larger switcher at ${switcher.device.name}: ${row.title}`.slice(0, 120), edits, model: id }]
        : []
    })
    .slice(0, most)
}

/** The edits that put another model in a switcher's place; undefined where a cable would find no port of its kind. */
export function swapSwitcher(traced: Traced, switcher: DeviceNode, id: string, row: Model): Edit[] | undefined {
  const { chain, plan } = traced
  if (switcher.standard && !setsContain(row.standards ?? [], switcher.standard)) return undefined
  const draft = new Draft(plan)
  const model = draft.model(id)
  const moved: [Wire, 'from' | 'to', string][] = []
  const settings: Record<string, PortSetting> = {}
  const taken = new Set<string>()
  const renamed = new Map<string, string>()
  for (const dir of ['in', 'out'] as const) {
    for (const [portId, port] of portsOf(switcher.model, dir)) {
      const wires = (dir === 'in' ? chain.entering : chain.leaving).get(socketKey(switcher.id, portId)) ?? []
      const set = own(switcher.device.ports, portId)
      if (wires.length === 0 && !set) continue
      const feed: Carried | undefined = dir === 'out' ? (set?.feed ?? port.feeds?.[0]) : undefined
      const there = portsOf(row, dir).filter(
        ([other, candidate]) =>
          !taken.has(other) &&
          candidate.carries === port.carries &&
          (wires.length === 0 || candidate.connector === port.connector) &&
          (!feed || candidate.feeds?.includes(feed)),
      )
      const next = there.find(([other]) => other === portId) ?? there[0]
      if (!next) {
        if (wires.length === 0) continue
        return undefined
      }
      taken.add(next[0])
      renamed.set(portId, next[0])
      for (const wire of wires) if (next[0] !== portId) moved.push([wire, dir === 'in' ? 'to' : 'from', next[0]])
      const of = set?.of === undefined ? undefined : (renamed.get(set.of) ?? set.of)
      const kept = {
        ...set,
        ...(of === undefined ? {} : { of }),
        ...(feed && feed !== next[1].feeds?.[0] ? { feed } : {}),
      }
      if (Object.keys(kept).length) settings[next[0]] = kept
    }
  }
  if (switcher.device.ports) draft.set(['devices', switcher.id, 'ports'])
  if (switcher.device.mode !== undefined) draft.set(['devices', switcher.id, 'mode'])
  draft.set(['devices', switcher.id, 'model'], model)
  if (switcher.standard && !switcher.device.standard) draft.set(['devices', switcher.id, 'standard'], switcher.standard)
  if (Object.keys(settings).length) draft.set(['devices', switcher.id, 'ports'], settings)
  for (const [wire, end, port] of moved)
    draft.move(wire.id, end, { device: switcher.id, port }, wire.link.adapters?.[end])
  return draft.edits
}

/** A small switcher before a switcher: one source of the switcher moves to it, and its program takes that input. */
export function feederSwitcher(
  traced: Traced,
  switcher: DeviceNode,
  most = 2,
  wanted: (model: Model) => boolean = () => true,
): (Proposal & { readonly model: string })[] {
  const { chain, plan } = traced
  const used = pictureInputs(switcher.model)
    .flatMap(([portId, port]) => {
      const wire = chain.entering.get(socketKey(switcher.id, portId))?.[0]
      return wire?.from && wire.from.node.model.role === 'source' ? [{ portId, port, wire }] : []
    })
    .reverse()
  return [...MODELS]
    .filter(
      ([, row]) =>
        row.kind === 'switcher' &&
        switcher.standard &&
        setsContain(row.standards ?? [], switcher.standard) &&
        wanted(row),
    )
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
    .flatMap(([id, row]) => {
      const program = pictureOutputs(row).find(([, port]) => port.feeds?.[0] === 'program')
      const give = used.find(
        ({ port, wire }) =>
          program?.[1].carries === port.carries &&
          pictureInputs(row).some(
            ([, input]) => input.carries === wire.to!.port!.carries && input.connector === wire.to!.port!.connector,
          ),
      )
      if (!program || !give) return []
      const draft = new Draft(plan)
      const name = `Side ${switchersOf(traced).length}`
      const order = 1 + Math.max(...switchersOf(traced).map(({ device }) => device.order))
      const device = draft.device({ model: draft.model(id), name, order, standard: switcher.standard! })
      const input = pictureInputs(row).find(([, port]) => port.carries === give.wire.to!.port!.carries)![0]
      const node: DeviceNode = {
        id: device,
        device: { model: id, name, order, standard: switcher.standard! },
        model: row,
        standard: switcher.standard,
      }
      const signal = mixedBy(node, row.paths[0]!, program[0])!
      const way = waysBetween(
        plan,
        { port: program[1], signal },
        { node: switcher, portId: give.portId, port: give.port },
        {},
      )[0]
      if (!way || accepted(node, input) === undefined) return []
      draft.move(give.wire.id, 'to', { device, port: input }, give.wire.link.adapters?.to)
      layWay(draft, way, { device, port: program[0] }, { device: switcher.id, port: give.portId }, name)
      return [
        {
          title:
            `Put a feeder before ${switcher.device.name} input ${give.port.number ?? give.portId}: ${shortTitle(row.title)}`.slice(
              0,
              120,
            ),
          edits: draft.edits,
          model: id,
        },
      ]
    })
    .slice(0, most)
}

const accepted = (node: DeviceNode, portId: string): Port | undefined => own(node.model.ports, portId)

/** So many more free inputs than before, by a feeder or a larger switcher. */
export function moreInputs(traced: Traced, need = 1): Proposal[] {
  return switchersOf(traced)
    .slice(0, 2)
    .flatMap(switcher => [
      // The feeder takes an input for its program and gives back that of the source which moves to it.
      ...feederSwitcher(traced, switcher, 2, row => pictureInputs(row).length > need).slice(0, 1),
      ...largerSwitcher(
        traced,
        switcher,
        row => pictureInputs(row).length >= pictureInputs(switcher.model).length + need,
      ).slice(0, 1),
    ])
}

/** A larger switcher with more outputs that carry a feed. */
export function moreOutputs(traced: Traced, feed: Feed): Proposal[] {
  const able = (model: Model) => pictureOutputs(model).filter(([, port]) => port.feeds?.includes(feed)).length
  return switchersOf(traced).flatMap(switcher =>
    largerSwitcher(traced, switcher, row => able(row) > able(switcher.model)).slice(0, 1),
  )
}

/** Adds a device with one picture or sound input and lays a way to it. */
export function addSink(traced: Traced, from: Socket, modelId: string, name: string, feed: Feed): Edit[] | undefined {
  const row = MODELS.get(modelId)!
  const draft = new Draft(traced.plan)
  const order = draft.lastOrder
  const device = draft.device({ model: draft.model(modelId), name, order })
  const [inId, input] = portsOf(row, 'in')[0]!
  const node: DeviceNode = { id: device, device: { model: modelId, name, order }, model: row, standard: undefined }
  if (from.port?.feeds && (own(from.node.device.ports, from.portId)?.feed ?? from.port.feeds[0]) !== feed)
    draft.set(['devices', from.node.id, 'ports', from.portId, 'feed'], feed)
  const path = from.node.model.paths.find(({ to }) => to.includes(from.portId))
  const mixed = path && mixedBy(from.node, path, from.portId)
  if (!from.port?.coding || !mixed) return undefined
  const end: LinkEnd = { device: from.node.id, port: from.portId }
  const way = waysBetween(
    traced.plan,
    { port: from.port, signal: { ...mixed, feed } },
    { node, portId: inId, port: input },
    {},
  )[0]
  if (!way) return undefined
  layWay(draft, way, end, { device, port: inId }, name)
  draft.edits.push({ do: 'add', collection: 'wants', id: `${device}-sees`.slice(0, 64), value: { sink: device, feed } })
  return draft.edits
}

/**
 * Switchers for a plan that has none: the smallest that takes every source, and the next larger one, each set to the
 * standard that most of the sources send.
 */
export function firstSwitchers(
  { plan, chain }: Traced,
  most = 2,
): { readonly row: Model; readonly edits: readonly Edit[] }[] {
  const sources = [...chain.nodes.values()].filter(({ model }) => model.role === 'source')
  if (sources.length < 2 || [...chain.nodes.values()].some(isSwitcher)) return []
  const kinds = sources.flatMap(node =>
    pictureOutputs(node.model)
      .slice(0, 1)
      .map(([, { carries }]) => carries),
  )
  const sent = sources.flatMap(node =>
    pictureOutputs(node.model)
      .slice(0, 1)
      .flatMap(([port]) => outputFormat(node, port) ?? []),
  )
  const count = (format: VideoFormat) => sent.filter(other => sameFormat(other, format)).length
  const takesAll = (row: Model) => {
    const inputs = pictureInputs(row).map(([, { carries }]) => carries)
    return [...new Set(kinds)].every(
      kind => inputs.filter(carries => carries === kind).length >= kinds.filter(carries => carries === kind).length,
    )
  }
  const rows = [...MODELS]
    .filter(([, row]) => row.kind === 'switcher' && takesAll(row))
    .sort(([, a], [, b]) => pictureInputs(a).length - pictureInputs(b).length || a.priceMinor - b.priceMinor)
  const sizes = new Set<number>()
  return rows
    .filter(([, row]) => {
      const size = pictureInputs(row).length
      return !sizes.has(size) && sizes.add(size).size <= most
    })
    .map(([id, row]) => {
      const draft = new Draft(plan)
      const standard = listFormats(row.standards ?? []).sort((a, b) => count(b) - count(a))[0]
      draft.device({ model: draft.model(id), name: 'Switcher', order: 1, ...(standard ? { standard } : {}) })
      return { row, edits: draft.edits }
    })
}
