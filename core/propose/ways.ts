import {
  type AdapterModel,
  type CableModel,
  LEADS,
  type LeadModel,
  choosePieces,
  cutLengthM,
  piecesMinor,
} from '#core/cable'
import { MODELS, type Model, type Path, type Port, carriesPicture, makesOf } from '#core/catalog'
import {
  type DelayMs,
  type DeviceNode,
  type Signal,
  accepts,
  bars,
  carry,
  letsThrough,
  overClass,
  passed,
} from '#core/chain'
import { type Link, type LinkEnd, type Plan, placeAt } from '#core/document'
import { receiverFor, receiverRow } from './receivers'
import { type ConnectorId, type SignalKind, type VideoFormat, listFormats } from '#core/signal'
import type { Draft } from './draft'

/** One cable of a way, with what it is plugged through. */
export interface WayCable {
  readonly lead: string
  readonly model: CableModel
  readonly adapters?: { readonly from?: string; readonly to?: string }
  readonly routeM?: number
  readonly pieces?: readonly number[]
  readonly lengthM: number | undefined
}

export interface WayDevice {
  readonly model: string
  readonly row: Model
  readonly inPort: string
  readonly outPort: string
  readonly format?: VideoFormat
  /** Radio links: how far they bring the picture through the air, metres. */
  readonly airM?: number
  /** Radio links: the box at the other end. */
  readonly receiver?: { readonly id: string; readonly row: Model }
}

/** A way to carry one picture from an output to an input: cables with devices between them. */
export interface Way {
  readonly cables: readonly WayCable[]
  readonly devices: readonly WayDevice[]
  /** Price of all of it, minor units. */
  readonly minor: number
  readonly watts: number
  /** What the devices add, typical. */
  readonly delay: DelayMs
  /** Arrives, but beyond a warning length or near the end of reach. */
  readonly risky: boolean
}

export interface Start {
  readonly port: Port
  readonly signal: Signal
}

export interface Target {
  readonly node: DeviceNode
  readonly portId: string
  readonly port: Port
}

/** How far it is: a measured route, or the length that must be bridged where no route was measured; neither, unknown. */
export interface Span {
  readonly routeM?: number
  readonly cutM?: number
  /** Where its two ends are, by the names of places: what is installed between them may be taken. */
  readonly places?: readonly [string | undefined, string | undefined]
}

/**
 * The ways on which the picture arrives at the input, cheapest first, safe ones before risky ones: directly, through
 * one device and through two, each device near either end or (where it renews the signal) half way. Devices and
 * cables come from the plan and the catalogue. With `heed: 'reach'` the way need only reach the input; whether the
 * input takes the format is left to a second change.
 */
export function listedWays(
  plan: Plan,
  start: Start,
  target: Target,
  span: Span,
  heed: 'format' | 'reach' = 'format',
): Way[] {
  const leads = allLeads(plan)
  // Coax comes in classes, of which a plan keeps to one; an optical cable that is used once is no habit.
  const kept = (lead: string): boolean => {
    const own = Object.hasOwn(plan.leads, lead) ? plan.leads[lead]! : undefined
    return own?.kind === 'cable' && own.reach.kind === 'attenuation'
  }
  const build = wayBuilder(leads, start, target, heed, kept)
  const direct = cablesBetween(leads, start.signal, start.port, span, target.port).map(fitted =>
    build([], [span], fitted),
  )
  const through = chainsOf(wayModels(plan), start.port, target.port, spansOf(span)).map(([devices, spans]) =>
    build(devices, spans),
  )
  const ways = [...direct, ...through].filter(way => way !== undefined)
  const alone = new Set(
    ways.filter(({ devices, risky }) => devices.length === 0 && !risky).map(({ cables }) => cables[0]!.lead),
  )
  // No box that leaves the picture as it is where the cable that bridges the distance behind it does it alone.
  const bridges = ({ cables }: Way) => [...cables].sort((a, b) => (b.lengthM ?? 0) - (a.lengthM ?? 0))[0]!.lead
  const idleBox = (way: Way) =>
    way.devices.every(({ row }) => isPlain(row)) &&
    (alone.has(bridges(way)) ||
      (alone.size > 0 && way.devices.every(({ row }) => row.kind === 'splitter') && start.port.carries === 'hdmi'))
  const needed = ways.filter(way => way.devices.length === 0 || !idleBox(way))
  return ownFirst(bestOfKind(needed), kept)
}

/** Changes nothing of a picture but how it is carried. */
const isPlain = ({ paths, ports }: Model): boolean =>
  paths.every(({ format, maps, fills }) => format === 'same' && !maps && !fills) &&
  Object.values(ports).every(
    ({ levels, divisions, ranges, carries }) => !levels && !divisions && !ranges && carries !== 'sound',
  )

/** A cable of a kind that the plan uses already stands before a cheaper one of another kind. */
function ownFirst(ways: Way[], kept: (lead: string) => boolean): Way[] {
  const isOwn = ({ devices, cables }: Way) => devices.length === 0 && kept(cables[0]!.lead)
  const least = Math.min(...ways.filter(({ devices, risky }) => devices.length === 0 && !risky).map(way => way.minor))
  const weight = (way: Way) => (isOwn(way) ? Math.min(way.minor, least) : way.minor)
  return ways.sort(
    (a, b) => Number(a.risky) - Number(b.risky) || weight(a) - weight(b) || Number(isOwn(b)) - Number(isOwn(a)),
  )
}

/** Every row of one or two devices that fits between the two ports, with how the span is shared among its cables. */
function chainsOf(
  shelf: readonly Shelf[],
  out: Port,
  input: Port,
  ends: ReturnType<typeof spansOf>,
): (readonly [devices: readonly Shelf[], spans: readonly Span[]])[] {
  return shelf
    .filter(first => first.input.carries === out.carries)
    .flatMap(first => {
      const alone = first.output.carries === input.carries ? (renews(first) ? ends.half : ends.one) : []
      const seconds = shelf.filter(
        second =>
          second.input.carries === first.output.carries &&
          second.output.carries === input.carries &&
          sensible(first, second),
      )
      return [
        ...alone.map(spans => [[first], spans] as const),
        ...seconds.flatMap(second => ends.two.map(spans => [[first, second], spans] as const)),
      ]
    })
}

/** The best way of each kind, cheapest first; what two devices do is nothing more than one of them does alone. */
function bestOfKind(ways: readonly Way[]): Way[] {
  const best = new Map<string, Way>()
  for (const way of [...ways].sort(byMerit)) {
    const kind = way.devices.length ? way.devices.map(device => device.model).join('+') : way.cables[0]!.lead
    if (!best.has(kind)) best.set(kind, way)
  }
  const kinds = [...best.values()]
  const alone = new Set(kinds.filter(({ devices }) => devices.length === 1).map(({ devices }) => devices[0]!.model))
  return kinds.filter(({ devices }) => devices.length < 2 || !devices.some(({ model }) => alone.has(model)))
}

type Build = (devices: readonly Shelf[], spans: readonly Span[], fitted?: Fitted) => Way | undefined

/** Builds ways of given devices: each cable the best that carries the picture there; undefined where one does not. */
function wayBuilder(
  leads: ReadonlyMap<string, LeadModel>,
  start: Start,
  target: Target,
  heed: 'format' | 'reach',
  kept: (lead: string) => boolean,
): Build {
  const cable = rememberedCables(leads, kept)
  const takenByTarget = (signal: Signal, { carriage }: Fitted): boolean =>
    !accepts(target.node, target.port, signal.format) &&
    !bars(target.node, target.port, signal, carriage) &&
    !overClass(carriage, target.port, 'to')
  return (devices, spans, fitted) => {
    const cables: WayCable[] = []
    const used: WayDevice[] = []
    let { signal, port: out } = start
    let risky = false
    for (const [i, item] of devices.entries()) {
      const best = cable(signal, out, spans[i]!, item.input)
      const led = best && throughDevice(item, signal, best, target)
      if (!led) return undefined
      risky ||= best.risky || (item.path.fills ?? 1) < 1
      cables.push(best.cable)
      used.push(led.device)
      signal = led.signal
      out = item.output
    }
    const last = fitted ?? cable(signal, out, spans.at(-1)!, target.port)
    if (!last) return undefined
    if (heed === 'format' ? !takenByTarget(signal, last) : used.some(device => device.format)) return undefined
    cables.push(last.cable)
    const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)
    return {
      cables,
      devices: used,
      risky: risky || last.risky,
      minor: sum(cables.map(one => cableMinor(leads, one))) + sum(used.map(({ row }) => row.priceMinor)),
      watts: sum(used.map(({ row }) => row.watts)),
      delay: {
        min: signal.delay.min - start.signal.delay.min,
        typ: signal.delay.typ - start.signal.delay.typ,
        max: signal.delay.max - start.signal.delay.max,
      },
    }
  }
}

/** What a device makes of a picture, set so that the target can take it; undefined where it does not pass. */
function throughDevice(
  item: Shelf,
  signal: Signal,
  { carriage }: Fitted,
  target: Target,
): { readonly device: WayDevice; readonly signal: Signal } | undefined {
  const { id, row, path, inId, outId, input } = item
  const device = { model: id, name: id, order: 0 }
  const node: DeviceNode = { id, device, model: row, standard: undefined }
  if (accepts(node, input, signal.format) || bars(node, input, signal, carriage) || !letsThrough(path, signal))
    return undefined
  const format = path.format === 'port' ? outFormat(item, target, signal.format) : undefined
  if (path.format === 'port' && !format) return undefined
  const set: DeviceNode = format ? { ...node, device: { ...device, ports: { [outId]: { format } } } } : node
  return {
    device: { model: id, row, inPort: inId, outPort: outId, ...(format ? { format } : {}) },
    signal: passed(set, path, signal, inId, outId),
  }
}

/** All leads by id: the catalogue's, and the plan's own, which stand before a row of the same id; without what is installed and in use. */
export function allLeads(plan: Plan): ReadonlyMap<string, LeadModel> {
  const taken = new Set(Object.values(plan.links).map(({ cable }) => cable))
  const own = Object.entries(plan.leads).filter(
    ([id, lead]) => !(lead.kind === 'cable' && lead.installed && taken.has(id)),
  )
  return new Map<string, LeadModel>([...LEADS, ...own])
}

/** Whether an installed cable leads from the one place to the other; one that works both ways may be used either way. */
function joinsPlaces({ installed, oneWay }: CableModel, places: Span['places']): boolean {
  const [from, to] = places ?? []
  if (!installed || from === undefined || to === undefined) return false
  return (installed[0] === from && installed[1] === to) || (!oneWay && installed[0] === to && installed[1] === from)
}

export const byMerit = (a: Way, b: Way): number =>
  Number(a.risky) - Number(b.risky) || a.minor - b.minor || a.devices.length - b.devices.length

/** A device that leaves the picture as it was: of use only half way, where it renews the signal. */
export const renews = ({ path, input, output }: Shelf): boolean =>
  path.format === 'same' &&
  input.carries === output.carries &&
  !output.levels &&
  !output.divisions &&
  !path.maps &&
  !path.edid

/** Two scalers in a row, or an idle one beside another device, gain nothing. */
const sensible = (first: Shelf, second: Shelf): boolean =>
  !renews(first) && !renews(second) && !(first.path.format === 'port' && second.path.format === 'port')

export interface Shelf {
  readonly id: string
  readonly row: Model
  readonly path: Path
  readonly inId: string
  readonly outId: string
  readonly input: Port
  readonly output: Port
  /** Radio links: the box at the other end. */
  readonly receiver?: WayDevice['receiver']
}

/** Plans that share their models share their shelf. */
const SHELVES = new WeakMap<Plan['models'], Shelf[]>()

export function wayModels(plan: Plan): Shelf[] {
  const shelf = SHELVES.get(plan.models) ?? stocked(plan)
  SHELVES.set(plan.models, shelf)
  return shelf
}

/** All models by id: the plan's own, then the catalogue's rows that the plan does not have. */
export function allModels(plan: Pick<Plan, 'models'>): [string, Model][] {
  const known = new Set(
    Object.values(plan.models)
      .map(model => model.from)
      .filter(Boolean),
  )
  return [...Object.entries(plan.models), ...[...MODELS].filter(([, model]) => !known.has(model.from))]
}

/** Radio links with one sender and one receiver, for whom a distance is known. */
export function radioModels(plan: Plan): Shelf[] {
  return allModels(plan).flatMap(([id, row]) => {
    const [path] = row.paths
    if (
      row.role !== 'way' ||
      row.kind !== 'radio' ||
      !row.radio ||
      row.paths.length !== 1 ||
      path!.format !== 'same' ||
      path!.from.length !== 1 ||
      path!.to.length !== 1
    )
      return []
    const [inId, outId] = [path!.from[0]!, path!.to[0]!]
    const receiver = receiverRow(plan, row)
    return [
      {
        id,
        row,
        path: path!,
        inId,
        outId,
        input: row.ports[inId]!,
        output: row.ports[outId]!,
        ...(receiver ? { receiver } : {}),
      },
    ]
  })
}

function stocked(plan: Plan): Shelf[] {
  return allModels(plan).flatMap(([id, row]) => {
    const path = row.paths[0]
    // A radio link is chosen for where the camera goes, not for a length; what takes sound in is no way for a picture alone.
    const odd =
      row.kind === 'radio' ||
      row.kind === 'delay' ||
      row.kind === 'matrix' ||
      (path?.edid === 'kept' && path.to.length === 1) ||
      path?.sound === 'drops' ||
      Object.values(row.ports).some(port => !carriesPicture(port))
    if (row.role !== 'way' || odd || !path || path.format === 'standard' || path.format === 'tiles') return []
    const inId = path.from[0]!
    const outId = path.to[0]!
    return [{ id, row, path, inId, outId, input: row.ports[inId]!, output: row.ports[outId]! }]
  })
}

/**
 * How a span is shared among the cables of a way: nearly all of it in one of them, or half and half. A device at one
 * end stands on a short lead; an unknown distance stays unknown on one of the cables.
 */
function spansOf(span: Span): { one: Span[][]; two: Span[][]; half: Span[][] } {
  const lead: Span = { routeM: 0 }
  if (span.routeM === undefined && span.cutM === undefined)
    return {
      one: [[span, lead]],
      two: span.places
        ? [
            [span, lead, lead],
            [lead, span, lead],
          ]
        : [[span, lead, lead]],
      half: [],
    }
  const half: Span = span.routeM !== undefined ? { routeM: span.routeM / 2 } : { cutM: span.cutM! / 2 }
  return {
    one: [
      [span, lead],
      [lead, span],
    ],
    two: [
      [span, lead, lead],
      [lead, span, lead],
      [lead, lead, span],
    ],
    half: [[half, half]],
  }
}

function outFormat({ row, outId }: Shelf, { node, port }: Target, now: VideoFormat): VideoFormat | undefined {
  const makes = listFormats(makesOf(row, outId))
  const wanted = port.takes === 'standard' ? [node.standard!] : [now, ...makes]
  return wanted.find(
    format =>
      makes.some(made => made.raster === format.raster && made.scan === format.scan && made.rate === format.rate) &&
      !accepts(node, port, format),
  )
}

export interface Fitted {
  readonly cable: WayCable
  readonly carriage: NonNullable<ReturnType<typeof carry>['figures']>
  readonly risky: boolean
}

/**
 * The cheapest cable on which the picture arrives at the input, preferring those without a caution and then those of a
 * kind that is in use; each question is worked out once.
 */
function rememberedCables(
  leads: ReadonlyMap<string, LeadModel>,
  kept: (lead: string) => boolean,
): (signal: Signal, out: Port, span: Span, input: Port) => Fitted | undefined {
  const known = new Map<Port, Map<Port, Map<string, Fitted | undefined>>>()
  return (signal, out, span, input) => {
    const { raster, scan, rate } = signal.format
    const key = `${raster}${scan}${rate}${signal.coding.sampling}${signal.coding.depth}/${span.routeM}/${span.cutM}/${span.places?.join('>')}`
    const fromOut = known.get(out) ?? new Map<Port, Map<string, Fitted | undefined>>()
    const answers = fromOut.get(input) ?? new Map<string, Fitted | undefined>()
    known.set(out, fromOut)
    fromOut.set(input, answers)
    if (!answers.has(key)) {
      const all = cablesBetween(leads, signal, out, span, input)
      const own = all.find(({ cable, risky }) => risky === all[0]!.risky && kept(cable.lead))
      answers.set(key, own ?? all[0])
    }
    return answers.get(key)
  }
}

/**
 * All cables that carry the picture this far, safe and cheap ones first. Of pieces that `lie` ready, longer ones are
 * taken as well.
 */
export function cablesBetween(
  leads: ReadonlyMap<string, LeadModel>,
  signal: Pick<Signal, 'format' | 'coding'>,
  out: Port,
  span: Span,
  input: Port,
  lie: (lead: string, m: number) => boolean = () => false,
): Fitted[] {
  const fitted: (Fitted & { minor: number })[] = []
  for (const [lead, model] of leads) {
    if (model.kind !== 'cable' || model.carries !== out.carries) continue
    const adapters = adaptersFor(leads, out, model, input)
    if (!adapters || (model.bare && (adapters.from ?? adapters.to))) continue
    if (model.installed && !joinsPlaces(model, span.places)) continue
    const pieces = model.installed
      ? [model.stock[0]!.m]
      : span.routeM === undefined && span.cutM !== undefined
        ? choosePieces(model, span.cutM)?.pieces
        : undefined
    if (!model.installed && span.routeM === undefined && span.cutM !== undefined && !pieces) continue
    const cutM = model.installed ? undefined : span.routeM === undefined ? span.cutM : cutLengthM(span.routeM)
    const longer =
      cutM === undefined ? [] : model.stock.filter(({ m }) => m >= cutM && lie(lead, m)).map(({ m }) => [m])
    for (const taken of [pieces, ...longer]) {
      const link: Pick<Link, 'routeM' | 'pieces'> = {
        ...(span.routeM === undefined ? {} : { routeM: span.routeM }),
        ...(taken ? { pieces: taken } : {}),
      }
      const carried = carry(
        signal,
        out,
        { cable: model, fromAdapter: adapters.from?.row, toAdapter: adapters.to?.row },
        link,
        input,
      )
      if (carried.stop || !carried.figures) continue
      const ends = {
        ...(adapters.from ? { from: adapters.from.id } : {}),
        ...(adapters.to ? { to: adapters.to.id } : {}),
      }
      const cable: WayCable = {
        lead,
        model,
        ...(Object.keys(ends).length ? { adapters: ends } : {}),
        ...link,
        lengthM: carried.figures.lengthM,
      }
      fitted.push({
        cable,
        carriage: carried.figures,
        risky: carried.figures.caution !== undefined || model.bare === true,
        minor: cableMinor(leads, cable),
      })
    }
  }
  return fitted.sort((a, b) => Number(a.risky) - Number(b.risky) || a.minor - b.minor)
}

interface Chosen {
  readonly id: string
  readonly row: AdapterModel
}

/** The adapters that make a cable fit both sockets; undefined when none on sale do. */
export function adaptersFor(
  leads: ReadonlyMap<string, LeadModel>,
  out: Port,
  cable: CableModel,
  input: Port,
): { from?: Chosen; to?: Chosen } | undefined {
  const [a, b] = cable.ends
  for (const [first, last] of cable.oneWay || a === b ? [[a, b] as const] : [[a, b] as const, [b, a] as const]) {
    const from = adapterFor(leads, out.connector, first, out.carries)
    const to = adapterFor(leads, input.connector, last, input.carries)
    if (from && to) return { ...(from === 'none' ? {} : { from }), ...(to === 'none' ? {} : { to }) }
  }
  return undefined
}

function adapterFor(
  leads: ReadonlyMap<string, LeadModel>,
  socket: ConnectorId,
  plug: ConnectorId,
  carries: SignalKind,
): Chosen | 'none' | undefined {
  if (socket === plug) return 'none'
  for (const [id, row] of leads) {
    if (row.kind === 'adapter' && row.carries === carries && row.ends.includes(socket) && row.ends.includes(plug))
      return { id, row }
  }
  return undefined
}

function cableMinor(leads: ReadonlyMap<string, LeadModel>, { model, pieces, routeM, adapters }: WayCable): number {
  const taken = pieces ?? (routeM === undefined ? [] : (choosePieces(model, cutLengthM(routeM))?.pieces ?? []))
  const ends = [adapters?.from, adapters?.to].reduce(
    (sum, id) => sum + (id === undefined ? 0 : (leads.get(id) as AdapterModel).priceMinor),
    0,
  )
  return piecesMinor(model, taken) + ends
}

/** Lays a way in a plan. `last` keeps the id of a link that it takes the place of, so that the run keeps its name. */
export function layWay(draft: Draft, way: Way, from: LinkEnd, to: LinkEnd, owner: string, last?: string): void {
  let start = from
  for (const [i, cable] of way.cables.entries()) {
    const next = way.devices[i]
    const adapters = cable.adapters && {
      ...(cable.adapters.from ? { from: draft.lead(cable.adapters.from) } : {}),
      ...(cable.adapters.to ? { to: draft.lead(cable.adapters.to) } : {}),
    }
    const link = (end: LinkEnd): Link => ({
      from: start,
      to: end,
      cable: draft.lead(cable.lead),
      ...(adapters ? { adapters } : {}),
      ...(cable.routeM === undefined ? {} : { routeM: cable.routeM }),
      ...(cable.pieces ? { pieces: cable.pieces } : {}),
    })
    if (!next) {
      draft.connect(link(to), last)
      return
    }
    const name = `${shortTitle(next.row.title)}, ${owner}`.slice(0, 120)
    const box = receiverFor(draft, next.row, name, placeAt(draft.plan, to))
    const port = { ...(next.format ? { format: next.format } : {}), ...(box === undefined ? {} : { receiver: box }) }
    const device = draft.device({
      model: draft.model(next.model),
      name,
      order: 0,
      ...(Object.keys(port).length ? { ports: { [next.outPort]: port } } : {}),
      ...(next.airM === undefined ? {} : { air: { m: next.airM } }),
    })
    draft.connect(link({ device, port: next.inPort }))
    start = { device, port: next.outPort }
  }
}

/** A title up to its first comma. */
export const shortTitle = (title: string): string => title.split(',')[0]!

/** A way in words: "30 m Optical HDMI", or its devices with the long cable between them. */
export function wayTitle(way: Way): string {
  const metres = (cable: WayCable) =>
    `${cable.lengthM === undefined ? '' : `${Number(cable.lengthM.toFixed(1))} m `}${cable.model.title}`
  if (way.devices.length === 0) {
    const { adapters } = way.cables[0]!
    return metres(way.cables[0]!) + (adapters ? ` with adapter${adapters.from && adapters.to ? 's' : ''}` : '')
  }
  const long = [...new Set(way.cables.filter(cable => (cable.lengthM ?? 0) > 3).map(metres))]
  return [...way.devices.map(device => shortTitle(device.row.title)), ...long].join(', ')
}
