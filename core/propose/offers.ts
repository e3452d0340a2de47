import { type CableModel, choosePieces, cutLengthM, pieceSumM } from '#core/cable'
import {
  type Feed,
  MODELS,
  type Model,
  type Port,
  carriesPicture,
  makesInAnyMode,
  portsOf,
  isFeed,
} from '#core/catalog'
import {
  type DeviceNode,
  type Signal,
  type Socket,
  type Traced,
  type WireTrace,
  accepts,
  gathers,
  isSwitcher,
  madeBy,
  mixedBy,
  outputFormat,
  pathFrom,
  socketKey,
  socketName,
  takesAnyEnd,
  wiresAt,
  tiledBy,
  pointedAt,
  placeOf,
  pointedWords,
  runInto,
  choicesAt,
  pointEdits,
} from '#core/chain'
import { type LinkEnd, own } from '#core/document'
import { RATE_TEXTS, type VideoFormat, formatLabel, listFormats, rate, sameFormat, setsContain } from '#core/signal'
import { listWords } from '#core/words'
import { Draft } from './draft'
import { followInputs } from './follow'
import { receiversOf, swapReceivers } from './receivers'
import type { Proposal } from './rule'
import { waysBetween } from './search'
import { type Span, type Way, adaptersFor, allLeads, allModels, layWay, shortTitle, wayTitle } from './ways'

// What rules offer, each as proposals that are tried before they are shown. Builders may propose too much; a proposal
// that does not keep its word is dropped by `remediesOf`.

const proposal = (title: string, draft: Draft): Proposal => ({ title, edits: draft.edits })

/** How far the link's ends are apart: its route, or what its pieces add up to. */
export function spanOf({ chain }: Pick<Traced, 'chain'>, { wire, figures }: WireTrace): Span {
  const places = placesAt(chain, wire.from, wire.to)
  if (wire.link.routeM !== undefined) return { routeM: wire.link.routeM, ...places }
  return figures?.lengthM === undefined ? places : { cutM: figures.lengthM, ...places }
}

/** The places of two ends, where both are known. */
export function placesAt(
  chain: Traced['chain'],
  from: Socket | undefined,
  to: Socket | undefined,
): Pick<Span, 'places'> {
  const [a, b] = [from, to].map(end => end && placeOf(chain, end))
  return a !== undefined && b !== undefined ? { places: [a, b] } : {}
}

/** Sets an output to a format, in the mode that allows it. */
export function setFormat(draft: Draft, node: DeviceNode, portId: string, format: VideoFormat): boolean {
  const modes = makesInAnyMode(node.model, portId).filter(({ sets }) => setsContain(sets, format))
  if (modes.length === 0) return false
  const current = node.device.mode ?? Object.keys(node.model.modes ?? {})[0]
  if (!modes.some(({ mode }) => mode === current)) draft.set(['devices', node.id, 'mode'], modes[0]!.mode)
  draft.set(['devices', node.id, 'ports', portId, 'format'], format)
  return true
}

/** Sets whatever decided the format of this picture (its source, or a scaler on the way) to one of the formats. */
export function setSender({ plan, chain }: Traced, { signal }: WireTrace, formats: readonly VideoFormat[]): Proposal[] {
  const { device, port } = signal!.setBy
  const node = chain.nodes.get(device)!
  return formats.flatMap(format => {
    const draft = new Draft(plan)
    return setFormat(draft, node, port, format)
      ? [proposal(`Set ${node.device.name} to ${formatLabel(format)}`, draft)]
      : []
  })
}

/** Other formats that the sender makes and this input would take, those nearest in raster and rate first. */
export function formatsTaken({ chain }: Traced, { signal, wire }: WireTrace): VideoFormat[] {
  const { device, port } = signal!.setBy
  const sender = chain.nodes.get(device)!
  const input = wire.to?.port
  if (!input) return []
  const formats = makesInAnyMode(sender.model, port).flatMap(({ sets }) => listFormats(sets))
  const place = (format: VideoFormat) =>
    (format.raster === signal!.format.raster ? 0 : 100) +
    (format.scan === signal!.format.scan ? 0 : 50) +
    Math.abs(RATE_TEXTS.indexOf(format.rate) - RATE_TEXTS.indexOf(signal!.format.rate))
  return formats
    .filter(format => !accepts(wire.to!.node, input, format) && !sameFormat(format, signal!.format))
    .sort((a, b) => place(a) - place(b))
}

/** The ways that could take the place of this link, `heed` as waysBetween has it. */
export function waysFor(traced: Traced, at: WireTrace, heed: 'format' | 'reach' = 'format'): Way[] {
  const { wire, signal } = at
  if (!signal || !wire.from?.port || !wire.to?.port) return []
  return waysBetween(
    traced.plan,
    { port: wire.from.port, signal },
    { node: wire.to.node, portId: wire.to.portId, port: wire.to.port },
    spanOf(traced, at),
    heed,
  )
}

/** As waysFor, with those behind that reach the input but still need its format put right. */
export function waysReaching(traced: Traced, at: WireTrace): Way[] {
  const whole = waysFor(traced, at)
  const known = new Set(whole.map(wayTitle))
  return [...whole, ...waysFor(traced, at, 'reach').filter(way => !known.has(wayTitle(way)))]
}

/** Puts a way in the place of a link; the run keeps its name. */
export function replaceLink({ plan, chain }: Traced, { wire, signal }: WireTrace, way: Way, title: string): Proposal {
  const draft = new Draft(plan)
  draft.disconnect(wire.id)
  layWay(draft, way, wire.link.from!, wire.link.to!, chain.nodes.get(signal!.origin.device)!.device.name, wire.id)
  return proposal(title, draft)
}

export const throughDevices = (ways: readonly Way[]): Way[] => ways.filter(way => way.devices.length > 0)
export const direct = (ways: readonly Way[]): Way[] => ways.filter(way => way.devices.length === 0)

/** Proposals of the best few ways through devices ("Put in ...") or of better cables ("Take ..."). */
export function offerWays(traced: Traced, at: WireTrace, ways: readonly Way[], most = 3): Proposal[] {
  return ways
    .slice(0, most)
    .map(way => replaceLink(traced, at, way, `${way.devices.length ? 'Put in' : 'Take'} ${wayTitle(way)}`))
}

/**
 * Sets a switcher to another standard and everything that feeds it, where its own settings allow that. Only the
 * standards that leave nothing dark survive being tried.
 */
export function otherStandards(
  traced: Traced,
  switcherId: string,
  { only, first }: { only?: (format: VideoFormat) => boolean; first?: VideoFormat } = {},
): Proposal[] {
  const { plan, chain, runs } = traced
  const switcher = chain.nodes.get(switcherId)!
  const now = switcher.standard!
  const distance = (format: VideoFormat) =>
    (first && sameFormat(format, first) ? -1000 : 0) +
    (format.raster === now.raster ? 0 : 100) +
    (format.scan === now.scan ? 0 : 50) +
    (rate(format.rate).den === rate(now.rate).den ? 0 : 20) +
    Math.abs(RATE_TEXTS.indexOf(format.rate) - RATE_TEXTS.indexOf(now.rate))
  return listFormats(switcher.model.standards ?? [])
    .filter(format => !sameFormat(format, now) && (!only || only(format)))
    .sort((a, b) => distance(a) - distance(b))
    .flatMap(format => {
      const draft = new Draft(plan)
      const changed: string[] = []
      let follows = true
      const setSwitcher = (node: DeviceNode) => {
        draft.set(['devices', node.id, 'standard'], format)
        if (node !== switcher) changed.push(node.device.name)
        for (const run of runs) {
          if (run.end?.device !== node.id || node.model.ports[run.end.port]!.takes !== 'standard') continue
          const signal = run.links.findLast(link => link.signal)?.signal
          const sender = signal && chain.nodes.get(signal.setBy.device)
          if (!sender || sameFormat(signal.format, format)) continue
          if (isSwitcher(sender)) {
            if (!draft.edits.some(edit => edit.do === 'set' && edit.at[1] === sender.id && edit.at[2] === 'standard'))
              setSwitcher(sender)
          } else if (setFormat(draft, sender, signal.setBy.port, format)) changed.push(sender.device.name)
          else follows = false
        }
      }
      setSwitcher(switcher)
      if (!follows) return []
      return [
        {
          title:
            `Set ${switcher.device.name} to ${formatLabel(format)}${changed.length ? `, and with it ${fewWords([...new Set(changed)])}` : ''}`.slice(
              0,
              120,
            ),
          edits: draft.edits,
          alone: true as const,
        },
      ]
    })
}

const fewWords = (names: readonly string[]): string =>
  listWords(names.length > 3 ? [...names.slice(0, 2), `${names.length - 2} more`] : names)

/** The sockets of a device in one direction that no link uses. */
export function freeSockets({ chain }: Traced, node: DeviceNode, dir: 'in' | 'out'): Socket[] {
  const others = portsOf(node.model, dir === 'in' ? 'out' : 'in')
    .map(([portId, port]) => ({ node, portId, port }))
    .filter(takesAnyEnd)
  return portsOf(node.model, dir)
    .map(([portId, port]) => ({ node, portId, port }))
    .concat(others)
    .filter(socket => wiresAt(chain, socket, dir === 'in' ? 'to' : 'from').length === 0)
    .filter(({ portId }) => !(dir === 'in' && own(node.device.ports, portId)?.reserved))
}

/** Moves a link's input end to another input, with the link as it is or by a way that fits there. */
export function moveInput(traced: Traced, at: WireTrace, inputs: readonly Socket[]): Proposal[] {
  const { plan } = traced
  const from = at.wire.link.to
  // Where two cables lead into one input, what looks say of it may mean the other.
  const alone = from && traced.chain.entering.get(socketKey(from.device, from.port))?.length === 1
  return inputs.flatMap(socket => {
    const to: LinkEnd = { device: socket.node.id, port: socket.portId }
    const follow = (draft: Draft) => {
      if (alone) followInputs(draft, plan, [{ from, to }])
    }
    const out = at.wire.from?.port
    if (!out || !socket.port || !at.signal) return []
    const cable = plan.leads[at.wire.link.cable] as CableModel
    const title = `Move it to ${socketName(socket)}`
    if (
      socket.port.carries === cable.carries &&
      socket.port.connector === (at.wire.to?.port?.connector ?? cable.ends[1])
    ) {
      const draft = new Draft(plan)
      draft.move(at.wire.id, 'to', to, at.wire.link.adapters?.to)
      follow(draft)
      return [proposal(title, draft)]
    }
    const way = waysBetween(
      plan,
      { port: out, signal: at.signal },
      { node: socket.node, portId: socket.portId, port: socket.port },
      spanOf(traced, at),
    )[0]
    if (!way) return []
    const draft = new Draft(plan)
    draft.disconnect(at.wire.id)
    layWay(draft, way, at.wire.link.from!, to, traced.chain.nodes.get(at.signal.origin.device)!.device.name, at.wire.id)
    follow(draft)
    return [proposal(`${title}: ${wayTitle(way)}`, draft)]
  })
}

/** All inputs of switchers that are free, in the order of switchers and numbers; those of `prefer` come first. */
export function freeInputs(traced: Traced, prefer?: string): Socket[] {
  const switchers = [...traced.chain.nodes.values()].filter(isSwitcher)
  return switchers
    .sort((a, b) => Number(b.id === prefer) - Number(a.id === prefer) || a.device.order - b.device.order)
    .flatMap(switcher => freeSockets(traced, switcher, 'in'))
    .filter(({ port }) => port && carriesPicture(port))
}

/** Lays the cheapest way from an output to each of the inputs; the format is set where that makes it fit. */
export function connectTo(
  traced: Traced,
  from: Socket,
  inputs: readonly Socket[],
  verb: string,
  span: Span = {},
): Proposal[] {
  const { plan, chain } = traced
  const now = from.port && signalAt(traced, from)
  if (!now || !from.port) return []
  const offers: (Proposal & { minor: number })[] = []
  for (const socket of inputs) {
    if (!socket.port) continue
    const target = { node: socket.node, portId: socket.portId, port: socket.port }
    const strict = socket.port.takes === 'standard' ? socket.node.standard : undefined
    const owner = from.node.device.name
    const end: LinkEnd = { device: from.node.id, port: from.portId }
    const lay = (signal: Signal, set?: VideoFormat) => {
      const way = waysBetween(plan, { port: from.port!, signal }, target, {
        ...placesAt(chain, from, socket),
        ...span,
      })[0]
      if (!way) return
      const draft = new Draft(plan)
      if (set && !setFormat(draft, from.node, from.portId, set)) return
      layWay(draft, way, end, { device: socket.node.id, port: socket.portId }, owner)
      offers.push({
        ...proposal(
          `${verb} ${socketName(socket)} by ${wayTitle(way)}${set ? `, set to ${formatLabel(set)}` : ''}`,
          draft,
        ),
        minor: way.minor,
      })
    }
    if (strict && !sameFormat(strict, now.format) && chain.nodes.get(now.setBy.device)!.id === from.node.id)
      lay({ ...now, format: strict }, strict)
    lay(now)
  }
  return offers.sort((a, b) => a.minor - b.minor)
}

const MOST_HOPS = 20

/** What leaves an output, or would leave it were its inputs lit; also where no link uses it. */
export function signalAt(traced: Traced, { node, portId, port }: Socket, depth = 0): Signal | undefined {
  const { chain, trace } = traced
  if (!port || port.dir !== 'out') return undefined
  if (node.model.role === 'source') return madeBy(node, portId, port)
  if (gathers(node)) {
    const path = node.model.paths.find(candidate => candidate.to.includes(portId))
    return path && (path.format === 'tiles' ? tiledBy : mixedBy)(node, path, portId)
  }
  const wire = chain.leaving.get(socketKey(node.id, portId))?.[0]
  const known = wire && trace.wires.get(wire.id)?.signal
  if (known) return known
  const path = node.model.paths.find(candidate => candidate.to.includes(portId))
  const entering = path?.from.flatMap(id => chain.entering.get(socketKey(node.id, id)) ?? [])[0]
  const before =
    entering &&
    (trace.wires.get(entering.id)?.signal ??
      (entering.from && depth < MOST_HOPS ? signalAt(traced, entering.from, depth + 1) : undefined))
  if (!before || !path) return undefined
  const out = path.format === 'port' ? (outputFormat(node, portId) ?? before.format) : before.format
  return {
    ...before,
    format: out,
    coding: port.coding ?? before.coding,
    ...(path.format === 'port' ? { setBy: { device: node.id, port: portId } } : {}),
  }
}

/** Ways to take a second picture off an output that feeds one link already: by a splitter of the right kind. */
export function splitOff(
  traced: Traced,
  first: WireTrace,
  inputs: readonly Socket[],
  verb: string,
  drop?: string,
): Proposal[] {
  const { plan, chain } = traced
  const out = first.wire.from?.port
  const signal = first.signal ?? (first.wire.from && signalAt(traced, first.wire.from))
  if (!out || !signal || !first.wire.link.to) return []
  const offers: Proposal[] = []
  for (const [id, row] of splitters(traced)) {
    const [inId, input] = portsOf(row, 'in')[0]!
    const legs = portsOf(row, 'out')
    if (input.carries !== out.carries || legs[0]![1].carries !== out.carries) continue
    for (const socket of inputs) {
      if (!socket.port) continue
      const node: DeviceNode = { id, device: { model: id, name: id, order: 0 }, model: row, standard: undefined }
      const toSplitter = waysBetween(
        plan,
        { port: out, signal },
        { node, portId: inId, port: input },
        { routeM: 0 },
      ).find(way => way.devices.length === 0)
      const onward = waysBetween(
        plan,
        { port: legs[1]![1], signal },
        { node: socket.node, portId: socket.portId, port: socket.port },
        drop ? spanOf(traced, traced.trace.wires.get(drop)!) : {},
      )[0]
      if (!toSplitter || !onward) continue
      const owner = chain.nodes.get(first.wire.from!.node.id)!.device.name
      const draft = new Draft(plan)
      if (drop) draft.disconnect(drop)
      const device = draft.device({
        model: draft.model(id),
        name: `${shortTitle(row.title)}, ${owner}`.slice(0, 120),
        order: 0,
      })
      draft.move(first.wire.id, 'from', { device, port: legs[0]![0] })
      layWay(draft, toSplitter, first.wire.link.from!, { device, port: inId }, owner)
      layWay(draft, onward, { device, port: legs[1]![0] }, { device: socket.node.id, port: socket.portId }, owner, drop)
      offers.push(
        proposal(
          `${verb} ${shortTitle(row.title)} at ${socketName(first.wire.from!)}: ${wayTitle(onward)}`.slice(0, 120),
          draft,
        ),
      )
    }
  }
  return offers
}

/** Devices that give one picture to several, of the plan and the catalogue, the cheapest first. */
export function splitters({ plan }: Traced): [string, Model][] {
  return allModels(plan)
    .filter(([, row]) => row.role === 'way' && row.paths[0]?.format === 'same' && portsOf(row, 'out').length > 1)
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
}

/** Loop-through outputs behind the sink that a link feeds. */
export function loopsBehind(traced: Traced, first: WireTrace): Socket[] {
  const to = first.wire.to
  if (!to?.port || isSwitcher(to.node)) return []
  const path = pathFrom(to.node, to.portId)
  return freeSockets(traced, to.node, 'out').filter(({ portId }) => path?.to.includes(portId))
}

/** Devices of the catalogue that could stand in for a source: same connector, and a format that the input takes. */
export function swapSource({ plan, chain }: Traced, { signal, wire }: WireTrace, most = 2): Proposal[] {
  const node = chain.nodes.get(signal!.origin.device)!
  const first = signal!.setBy.device === node.id ? own(node.model.ports, signal!.setBy.port) : undefined
  const input = wire.to?.port
  if (!first || !input || node.model.role !== 'source') return []
  return [...MODELS]
    .flatMap(([id, row]) => {
      if (row.role !== 'source' || row.from === node.model.from || row.kind !== (node.model.kind ?? row.kind)) return []
      const match = portsOf(row, 'out').find(
        ([, port]) => port.carries === first.carries && port.connector === first.connector,
      )
      if (!match) return []
      const [portId] = match
      const formats = makesInAnyMode(row, portId).flatMap(({ mode, sets }) =>
        listFormats(sets).map(made => ({ mode, made })),
      )
      const fit = formats.find(({ made }) => !accepts(wire.to!.node, input, made))
      return fit ? [{ id, row, portId, fit }] : []
    })
    .sort((a, b) => a.row.priceMinor - b.row.priceMinor)
    .slice(0, most)
    .map(({ id, row, portId, fit }) => {
      const draft = new Draft(plan)
      const model = draft.model(id)
      if (node.device.ports) draft.set(['devices', node.id, 'ports'])
      if (node.device.mode !== undefined) draft.set(['devices', node.id, 'mode'])
      draft.set(['devices', node.id, 'model'], model)
      const port = row.ports[portId]!
      draft.set(['devices', node.id, 'ports', portId], {
        format: fit.made,
        ...(port.readouts === 'switchable' ? { clean: true } : {}),
        ...(port.transfers && port.transfers[0] !== 'sdr' && port.transfers.includes('sdr') ? { transfer: 'sdr' } : {}),
        ...(port.aspects && port.aspects[0] !== '16:9' && port.aspects.includes('16:9') ? { aspect: '16:9' } : {}),
      })
      if (fit.mode !== undefined && fit.mode !== Object.keys(row.modes!)[0])
        draft.set(['devices', node.id, 'mode'], fit.mode)
      for (const leaving of chain.wires.values()) {
        if (leaving.from?.node.id === node.id && leaving.from.portId === signal!.setBy.port)
          draft.move(leaving.id, 'from', { device: node.id, port: portId }, leaving.link.adapters?.from)
      }
      return proposal(`Use another source: ${shortTitle(row.title)}, set to ${formatLabel(fit.made)}`, draft)
    })
}

/** A shorter choice of stock pieces where more was chosen than the route needs. */
export function shorterPieces({ plan }: Traced, { wire }: WireTrace): Proposal[] {
  const { routeM, pieces, cable } = wire.link
  if (routeM === undefined || !pieces) return []
  const least = choosePieces(plan.leads[cable] as CableModel, cutLengthM(routeM))
  if (!least || pieceSumM(least.pieces) >= pieceSumM(pieces)) return []
  const draft = new Draft(plan)
  draft.set(['links', wire.id, 'pieces'])
  return [proposal(`Take ${least.pieces.join(' + ')} m, which is enough for the ${routeM} m route`, draft)]
}

/** Outputs of switchers that can be pointed at a feed and are free. */
export function freeOutputs(traced: Traced, feed: Feed): Socket[] {
  return [...traced.chain.nodes.values()]
    .filter(isSwitcher)
    .flatMap(switcher => freeSockets(traced, switcher, 'out').filter(({ port }) => port?.feeds?.includes(feed)))
}

/** Other ways between what enters a device on the way and where its run goes on to; the device goes. */
export function replaceDevice(traced: Traced, device: string, most = 4, unmeasured = false): Proposal[] {
  const { plan, chain, trace } = traced
  const entering = [...chain.wires.values()].filter(wire => wire.to?.node.id === device)
  const leaving = [...chain.wires.values()].filter(wire => wire.from?.node.id === device)
  const [first] = entering
  const [last] = leaving
  if (entering.length !== 1 || leaving.length !== 1 || !first?.from?.port || !last?.to?.port) return []
  const signal = trace.wires.get(first.id)!.signal
  if (!signal) return []
  const routes = [first, last].map(({ link }) => link.routeM ?? 0)
  const longest = Math.max(...routes)
  // Metres of air are a distance, which a cable in its place has to go; without it nobody could judge that cable.
  const air = chain.nodes.get(device)!.device.air?.m
  if (unmeasured && air === undefined) return []
  const over = unmeasured ? routes.reduce((sum, m) => sum + m, air!) : longest
  const span: Span = over > 0 ? { routeM: over } : {}
  return waysBetween(
    plan,
    { port: first.from.port, signal },
    { node: last.to.node, portId: last.to.portId, port: last.to.port },
    span,
  )
    .filter(way => !(way.devices.length === 1 && way.devices[0]!.row.from === chain.nodes.get(device)!.model.from))
    .slice(0, most)
    .map(way => {
      const draft = new Draft(plan)
      draft.disconnect(first.id)
      draft.disconnect(last.id)
      for (const id of [device, ...receiversOf(plan, device)])
        draft.edits.push({ do: 'remove', collection: 'devices', id })
      layWay(draft, way, first.link.from!, last.link.to!, chain.nodes.get(signal.origin.device)!.device.name, last.id)
      return { title: `In its place: ${wayTitle(way)}`.slice(0, 120), edits: draft.edits }
    })
}

/** Models of the catalogue that do the same as a box on the way and have a socket for each of its cables, cheapest first. */
export function swapBox(traced: Traced, node: DeviceNode, most = 2): Proposal[] {
  const { plan, chain } = traced
  if (node.model.role !== 'way' || node.model.kind === undefined) return []
  const wires = (['in', 'out'] as const).flatMap(dir =>
    portsOf(node.model, dir).flatMap(([portId, port]) => {
      const there = (dir === 'in' ? chain.entering : chain.leaving).get(socketKey(node.id, portId)) ?? []
      return there.map(wire => ({ wire, dir, portId, port }))
    }),
  )
  return [...MODELS]
    .filter(([, row]) => row.kind === node.model.kind && row.role === 'way' && row.from !== node.model.from)
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
    .flatMap(([id, row]) => {
      const draft = new Draft(plan)
      draft.set(['devices', node.id, 'model'], draft.model(id))
      swapReceivers(draft, node, row)
      const taken = new Set<string>()
      for (const { wire, dir, portId, port } of wires) {
        const fits = portsOf(row, dir).filter(
          ([other, one]) => !taken.has(other) && one.carries === port.carries && one.connector === port.connector,
        )
        const next = (fits.find(([other]) => other === portId) ?? fits[0])?.[0]
        if (next === undefined) return []
        taken.add(next)
        const end = dir === 'in' ? 'to' : 'from'
        if (next !== portId) draft.move(wire.id, end, { device: node.id, port: next }, wire.link.adapters?.[end])
      }
      return [{ title: `Use another ${node.model.kind}: ${row.title}`.slice(0, 120), edits: draft.edits }]
    })
    .slice(0, most + 2)
}

/** What an output of a switcher could be pointed at instead: its feeds, and each input that shows a picture. */
export function feedChoices(traced: Traced, node: DeviceNode, portId: string): Proposal[] {
  const now = pointedAt(node, portId)
  return choicesAt(node, portId)
    .filter(choice => choice !== now && (isFeed(choice) || runInto(traced, { device: node.id, port: choice })?.lit))
    .map(choice => {
      return { title: `Point it at ${pointedWords(node, choice)}`, edits: pointEdits(node, portId, choice) }
    })
}

const TRAIT_SETTING = {
  levels: 'level',
  divisions: 'division',
  ranges: 'range',
  transfers: 'transfer',
  aspects: 'aspect',
} as const

/** Sets what an output sends to another value that its model has: of the source, and of what stands behind it in the run. */
export function setTrait(
  { plan, chain }: Traced,
  { origin, setBy }: Signal,
  kind: keyof typeof TRAIT_SETTING,
  value: string,
  words: string,
): Proposal[] {
  return [...new Map([origin, setBy].map(end => [`${end.device}/${end.port}`, end])).values()].flatMap(end => {
    const node = chain.nodes.get(end.device)!
    const offered = own(node.model.ports, end.port)?.[kind] as readonly string[] | undefined
    if (!offered?.includes(value)) return []
    const draft = new Draft(plan)
    draft.set(['devices', end.device, 'ports', end.port, TRAIT_SETTING[kind]], value as never)
    return [{ title: `Set ${node.device.name} to ${words}`, edits: draft.edits }]
  })
}

/** Other leads for control that fit both plugs and reach that far. */
export function betterControl({ plan }: Traced, { wire, stop }: WireTrace): Proposal[] {
  const { link, from, to } = wire
  if (!from?.port || !to?.port || stop?.why !== 'too-far') return []
  const leads = allLeads(plan)
  return [...leads].flatMap(([id, lead]) => {
    if (
      lead.kind !== 'cable' ||
      lead.carries !== 'control' ||
      id === link.cable ||
      lead.reach.kind !== 'length' ||
      !adaptersFor(leads, from.port!, lead, to.port!)
    )
      return []
    const pieces = choosePieces(lead, link.routeM === undefined ? stop.lengthM : cutLengthM(link.routeM))?.pieces
    if (!pieces || pieceSumM(pieces) > lead.reach.steps[0]!.faultM) return []
    const draft = new Draft(plan)
    const { pieces: _, ...rest } = link
    draft.disconnect(wire.id)
    draft.connect({ ...rest, cable: draft.lead(id), ...(link.routeM === undefined ? { pieces } : {}) }, wire.id)
    return [proposal(`Take ${pieces.join(' + ')} m ${lead.title}`, draft)]
  })
}

/** The first lead on sale that joins two plugs for control. */
export function controlLead({ plan }: Traced, out: Port, input: Port): string | undefined {
  const leads = allLeads(plan)
  return [...leads].find(
    ([, row]) => row.kind === 'cable' && row.carries === 'control' && adaptersFor(leads, out, row, input),
  )?.[0]
}

/** Joins two plugs for control that a lead does not fit with one that does. */
export function joinControl(traced: Traced, { wire }: WireTrace): Proposal[] {
  const { from, to, link } = wire
  const lead = from?.port && to?.port && controlLead(traced, from.port, to.port)
  if (lead === undefined || !link.from || !link.to) return []
  const draft = new Draft(traced.plan)
  draft.disconnect(wire.id)
  const rest = link.routeM === undefined ? {} : { routeM: link.routeM }
  draft.connect({ ...rest, from: link.from, to: link.to, cable: draft.lead(lead) }, wire.id)
  return [proposal(`Take ${allLeads(traced.plan).get(lead)!.title}`, draft)]
}

/** The other sockets by which a device can be set up, for a control lead that does not get there by this one. */
export function otherControl(traced: Traced, { wire }: WireTrace): Proposal[] {
  const { chain } = traced
  if (!wire.to || !wire.from) return []
  const inputs = freeSockets(traced, wire.to.node, 'in').filter(
    ({ port }) => port?.carries === 'control' && port.connector !== wire.to!.port?.connector,
  )
  const outs = [...chain.nodes.values()]
    .filter(({ model }) => model.role === 'control')
    .sort((a, b) => Number(b === wire.from!.node) - Number(a === wire.from!.node))
    .flatMap(node => freeSockets(traced, node, 'out'))
  return inputs.flatMap(input =>
    outs
      .flatMap(out => connectControl(traced, out, input, 'Use', input))
      .slice(0, 1)
      .map(({ title, edits }) => ({
        title: `${title} in its place`.slice(0, 120),
        edits: [{ do: 'disconnect' as const, id: wire.id }, ...edits],
      })),
  )
}

/** Joins a plug that controls with one that is controlled; the title names `named`. */
export function connectControl(traced: Traced, out: Socket, input: Socket, verb: string, named: Socket): Proposal[] {
  const cable = out.port && input.port && controlLead(traced, out.port, input.port)
  if (cable === undefined) return []
  const draft = new Draft(traced.plan)
  draft.connect({
    from: { device: out.node.id, port: out.portId },
    to: { device: input.node.id, port: input.portId },
    cable: draft.lead(cable),
  })
  return [proposal(`${verb} ${named.node.device.name} ${named.port!.title}`.slice(0, 120), draft)]
}
