import { type AdapterModel, type LeadModel, choosePieces, cutLengthM } from '#core/cable'
import { type Port, makesOf } from '#core/catalog'
import { type DeviceNode, type Signal, accepts, bars, letsThrough, overClass, passed } from '#core/chain'
import type { Plan } from '#core/document'
import {
  type SignalKind,
  type VideoFormat,
  conversionSteps,
  listFormats,
  radioMarginDb,
  sameFormat,
  setsContain,
} from '#core/signal'
import {
  type Shelf,
  type Span,
  type Start,
  type Target,
  type Way,
  type WayCable,
  type WayDevice,
  allLeads,
  byMerit,
  cablesBetween,
  listedWays,
  radioModels,
  renews,
  wayModels,
} from './ways'

/** An output set to one format, from which a way may begin. */
export interface Beginning {
  readonly portId: string
  readonly port: Port
  readonly signal: Signal
  /** The output must be set for it. */
  readonly set: boolean
}

/** A way, and all that a choice among ways weighs. */
export interface Candidate extends Way {
  readonly from: Beginning
  /** What arrives at the input. */
  readonly arrives: VideoFormat
  /** Steps of conversion, from the output to the standard of a switcher that takes it. */
  readonly steps: number
  /** What is used: keys as of kit lines (`model:<id>`, `lead:<id>`, `lead:<id>:<metres>`), one entry each. */
  readonly items: readonly string[]
  /** Things on the way that may fail or show less: lengths at which to be careful, pictures that are shrunk, the air. */
  readonly risks: number
  /** Price of the items that the kit has none of, minor units, and their number. */
  readonly owedMinor: number
  readonly owed: number
}

/** Keys of things that the kit holds at least one of. */
export type Holds = (item: string) => boolean

/** What limits a search, beside the gear itself. */
export interface Limits {
  /** The standard that a switcher behind the input mixes in. */
  readonly standard?: VideoFormat
  /** Sound beside the picture must get through. */
  readonly sound?: boolean
}

/** Devices in one way: as many as to a long cable's carriage and back; one more only where nothing arrives by these. */
export const USUAL_DEVICES = 2
export const MOST_DEVICES = 3

interface Label {
  readonly at: Beginning
  readonly signal: Signal
  readonly out: Port
  readonly left: 'all' | 'half' | 'none'
  readonly cables: readonly WayCable[]
  readonly devices: readonly WayDevice[]
  readonly scaled: boolean
  readonly items: readonly string[]
  readonly cost: Cost
  /** The input does not take the picture as it is here. */
  readonly unfit: boolean
  /** What a way through here costs in the end, at least. */
  readonly least: Cost
  /** The picture as far as a cable asks. */
  readonly carriage: string
}

/** What a search depends on at its beginning: outputs of one key lead to the same ways. */
export const startKey = (starts: readonly Beginning[]): string =>
  starts.map(({ port, signal, set }) => `${portKey(port)}/${signalKey(signal)}/${set}`).join('|')

/** What grows along a way; each is better small. */
interface Cost {
  readonly minor: number
  readonly owedMinor: number
  /** Things to get, and in all; a setting of the output counts as one. */
  readonly owed: number
  readonly things: number
  readonly watts: number
  readonly delayMs: number
  readonly risk: number
  readonly steps: number
  /** Cables of the house: there is one of each, so what uses it never stands for what anybody can have. */
  readonly house: number
}

const NOTHING: Cost = { minor: 0, owedMinor: 0, owed: 0, things: 0, watts: 0, delayMs: 0, risk: 0, steps: 0, house: 0 }

/**
 * Whether the first of two is never the worse choice, whatever else the plan does: with the kit at its best for the
 * second and at its worst (everything must be got) for the first.
 */
const dominates = (a: Cost, b: Cost): boolean =>
  a.house === 0 &&
  a.minor <= b.owedMinor &&
  a.minor <= b.minor &&
  a.things <= b.owed &&
  a.delayMs <= b.delayMs &&
  a.risk <= b.risk &&
  a.steps <= b.steps

/** How many ways that do as well in price, delay, risk and conversions are enough: with another one scarce, these remain. */
const FEW = 2

const asGood = (a: Cost, b: Cost): boolean =>
  a.house === 0 &&
  a.minor <= b.minor &&
  a.owedMinor <= b.owedMinor &&
  a.delayMs <= b.delayMs &&
  a.risk <= b.risk &&
  a.steps <= b.steps

/** By what the few that are kept are chosen. */
const MERITS: readonly ((cost: Cost) => number)[] = [
  cost => cost.minor,
  cost => cost.owedMinor,
  cost => cost.owed,
  cost => cost.delayMs,
  cost => cost.steps,
  cost => cost.risk,
  cost => (cost.risk === 0 ? cost.minor : Infinity),
  cost => (cost.risk === 0 ? cost.owedMinor : Infinity),
  cost => (cost.steps === 0 ? cost.minor : Infinity),
]

/** The same with the same things, or fewer of them: the kit is alike for both. */
const leaner = (a: Cost, b: Cost, mine: readonly string[], theirs: readonly string[]): boolean =>
  a.minor <= b.minor &&
  a.things - mine.length <= b.things - theirs.length &&
  a.delayMs <= b.delayMs &&
  a.risk <= b.risk &&
  a.steps <= b.steps &&
  within(mine, theirs)

const beats = (a: Weighed, b: Weighed): boolean => dominates(a.cost, b.cost) || leaner(a.cost, b.cost, a.items, b.items)

interface Weighed {
  readonly cost: Cost
  readonly items: readonly string[]
}

function within(few: readonly string[], many: readonly string[]): boolean {
  const rest = [...many]
  for (const item of few) {
    const at = rest.indexOf(item)
    if (at < 0) return false
    rest.splice(at, 1)
  }
  return true
}

interface Leg {
  readonly cable: WayCable
  readonly carriage: NonNullable<ReturnType<typeof cablesBetween>[number]>['carriage']
  readonly items: readonly string[]
  readonly cost: Cost
}

/**
 * The ways worth choosing among, for one picture into one input: a label-setting search over the output reached, the
 * picture there and how much of the distance is left, in the order of price. A way is dropped when another is at
 * least as good in price, things to get, delay, risk and conversions however the kit is shared out, or when three
 * others do as well in all but the things that they use. Ask one searcher for all inputs of a plan: it remembers the
 * cables that it has tried.
 */
export function searcher(
  plan: Plan,
  holds: Holds = () => false,
): (starts: readonly Beginning[], target: Target, span: Span, limits?: Limits) => Candidate[] {
  const gear = new Gear(plan, holds)
  return (starts, target, span, limits = {}) => {
    for (let most = USUAL_DEVICES; most <= MOST_DEVICES; most++) {
      const found = new Search(gear, target, span, limits, most).run(starts)
      if (found.length) return found
    }
    return []
  }
}

/**
 * The ways on which a picture arrives at an input, as remedies and additions offer them: those through at most two
 * devices; where none of these arrives, what the search finds, through three or through the air. With
 * `heed: 'reach'` the way need only reach the input; whether the input takes the format is left to a second change.
 */
export function waysBetween(
  plan: Plan,
  start: Start,
  target: Target,
  span: Span,
  heed: 'format' | 'reach' = 'format',
): Way[] {
  const listed = listedWays(plan, start, target, span, heed)
  if (listed.length > 0 || heed === 'reach') return listed
  return searcher(plan)([{ ...start, portId: '', set: false }], target, span).sort(byMerit)
}

/** The devices and cables that ways can be made of. */
class Gear {
  readonly byInput = new Map<SignalKind, Shelf[]>()
  readonly cheapestScaler: number
  readonly cheapestTo = new Map<SignalKind, number>()
  private readonly leads: ReadonlyMap<string, LeadModel>
  private readonly shelf: readonly Shelf[]
  private readonly legs = new Map<string, readonly Leg[]>()
  private readonly hops = new Map<SignalKind, ReadonlyMap<SignalKind, number>>()

  constructor(
    plan: Plan,
    readonly holds: Holds,
  ) {
    this.leads = allLeads(plan)
    this.shelf = [...wayModels(plan), ...radioModels(plan)]
    for (const item of this.shelf)
      this.byInput.set(item.input.carries, [...(this.byInput.get(item.input.carries) ?? []), item])
    this.cheapestScaler = Math.min(
      ...this.shelf.filter(({ path }) => path.format === 'port').map(({ row }) => row.priceMinor),
    )
    for (const { output, row } of this.shelf)
      this.cheapestTo.set(output.carries, Math.min(this.cheapestTo.get(output.carries) ?? Infinity, row.priceMinor))
  }

  /** How many devices lie at least between an output of each kind and an input of this one. */
  hopsTo(kind: SignalKind): ReadonlyMap<SignalKind, number> {
    const known = this.hops.get(kind)
    if (known) return known
    const far = new Map<SignalKind, number>([[kind, 0]])
    for (let n = 1; n <= MOST_DEVICES; n++)
      for (const { input, output } of this.shelf)
        if (!far.has(input.carries) && (far.get(output.carries) ?? Infinity) < n) far.set(input.carries, n)
    this.hops.set(kind, far)
    return far
  }

  /** The cables worth trying between two ports. */
  legsBetween(signal: Signal, carriage: string, out: Port, share: Span, input: Port): readonly Leg[] {
    const key = `${portKey(out)}>${portKey(input)}/${carriage}/${signal.spent}/${share.routeM}/${share.cutM}/${share.places?.join('>')}`
    const known = this.legs.get(key)
    if (known) return known
    let found: Leg[] = []
    for (const { cable, carriage, risky } of cablesBetween(this.leads, signal, out, share, input, (lead, m) =>
      this.holds(`lead:${lead}:${m}`),
    )) {
      const { items, minors } = itemsOf(this.leads, cable)
      const owed = items.map(item => !this.holds(item))
      const cost: Cost = {
        ...NOTHING,
        minor: minors.reduce((sum, one) => sum + one, 0),
        owedMinor: minors.reduce((sum, one, i) => sum + (owed[i] ? one : 0), 0),
        owed: owed.filter(Boolean).length,
        things: items.length,
        risk: Number(risky),
        house: Number(cable.model.installed !== undefined),
      }
      if (found.some(leg => beats(leg, { cost, items })) || found.filter(leg => asGood(leg.cost, cost)).length >= FEW)
        continue
      found = [...found.filter(leg => !dominates(cost, leg.cost)), { cable, carriage, items, cost }]
    }
    this.legs.set(key, found)
    return found
  }
}

/** One search, with at most so many devices in a way. */
class Search {
  private readonly found: { readonly candidate: Candidate; readonly cost: Cost; readonly items: readonly string[] }[] =
    []
  private readonly settled = new Map<
    string,
    { readonly cost: Cost; readonly items: readonly string[]; readonly devices: number }[]
  >()
  private readonly queue: Label[] = []
  private readonly far: ReadonlyMap<SignalKind, number>

  constructor(
    private readonly gear: Gear,
    private readonly target: Target,
    private readonly span: Span,
    private readonly limits: Limits,
    private readonly most: number,
  ) {
    this.far = gear.hopsTo(target.port.carries)
  }

  run(starts: readonly Beginning[]): Candidate[] {
    for (const at of starts)
      this.push(at.signal, at.port, { ...NOTHING, owed: Number(at.set), things: Number(at.set) }, () => ({
        at,
        left: 'all',
        cables: [],
        devices: [],
        scaled: false,
        items: [],
      }))
    for (let label = this.queue.shift(); label; label = this.queue.shift()) {
      if (this.isBeaten(label)) continue
      if (!label.unfit) this.finish(label)
      const more = this.most - label.devices.length
      if (more === 0 || (label.unfit && label.scaled)) continue
      for (const item of this.gear.byInput.get(label.out.carries) ?? []) {
        const leads =
          (this.far.get(item.output.carries) ?? Infinity) < more &&
          !(label.unfit && more === 1 && item.path.format !== 'port')
        if (leads) this.expand(label, item)
      }
    }
    return this.bestFew().map(({ candidate }) => candidate)
  }

  /** The best few by each thing that is weighed, price breaking ties; all of them where they are few. */
  private bestFew(): Search['found'] {
    const kept = new Set<Search['found'][number]>()
    for (const of of MERITS) {
      const sorted = [...this.found].sort(
        (a, b) => of(a.cost) - of(b.cost) || a.cost.owedMinor - b.cost.owedMinor || a.cost.minor - b.cost.minor,
      )
      for (const one of sorted.slice(0, FEW)) kept.add(one)
    }
    return this.found.filter(one => kept.has(one) || one.cost.house > 0)
  }

  /** Files a label, unless finished ways leave nothing to gain by it; `rest` is only worked out for one that is filed. */
  private push(
    signal: Signal,
    out: Port,
    cost: Cost,
    rest: () => Pick<Label, 'at' | 'left' | 'cables' | 'devices' | 'scaled' | 'items'>,
  ): void {
    const unfit = accepts(this.target.node, this.target.port, signal.format) !== undefined
    // A finished way from here needs at least the cheapest device of the kind that is still missing.
    const missing = unfit
      ? this.gear.cheapestScaler
      : out.carries === this.target.port.carries
        ? 0
        : (this.gear.cheapestTo.get(this.target.port.carries) ?? 0)
    const least = missing === 0 ? cost : { ...cost, minor: cost.minor + missing, things: cost.things + 1 }
    if (this.isHopeless(least)) return
    const { raster, scan, rate } = signal.format
    let at = this.queue.length
    while (at > 0 && this.queue[at - 1]!.least.minor > least.minor) at--
    this.queue.splice(at, 0, {
      ...rest(),
      signal,
      out,
      cost,
      unfit,
      least,
      carriage: `${raster}${scan}${rate}${signal.coding.sampling}${signal.coding.depth}`,
    })
  }

  /** Whether finished ways leave nothing to gain beyond this cost. */
  private isHopeless(cost: Cost): boolean {
    let enough = 0
    for (const done of this.found) {
      if (asGood(done.cost, cost) && ++enough >= FEW) return true
      if (dominates(done.cost, cost)) return true
    }
    return false
  }

  private isSurpassed(cost: Cost, items: readonly string[]): boolean {
    return this.isHopeless(cost) || this.found.some(done => leaner(done.cost, cost, done.items, items))
  }

  /** Settles a label, unless finished ways or others of the same state are as good already. */
  private isBeaten({ out, signal, left, devices, scaled, cost, items, least }: Label): boolean {
    if (this.isSurpassed(least, items)) return true
    const key = `${portKey(out)}/${signalKey(signal)}/${left}/${scaled}`
    const known = this.settled.get(key) ?? []
    // One that took fewer devices may still go where the other may not.
    const before = known.filter(other => other.devices <= devices.length)
    if (
      before.some(other => beats(other, { cost, items })) ||
      before.filter(other => asGood(other.cost, cost)).length >= FEW
    )
      return true
    this.settled.set(key, [...known, { cost, items, devices: devices.length }])
    return false
  }

  private finish({ at, signal, out, left, cables, devices, items: before, cost: sofar, carriage }: Label): void {
    const { node, port } = this.target
    const rest = left === 'all' ? this.span : left === 'half' ? halfOf(this.span) : NEAR
    for (const leg of this.gear.legsBetween(signal, carriage, out, rest, port)) {
      if (bars(node, port, signal, leg.carriage) || overClass(leg.carriage, port, 'to')) continue
      const cost = add(sofar, leg.cost, {
        steps: this.limits.standard ? conversionSteps(signal.format, this.limits.standard) : 0,
      })
      const items = [...before, ...leg.items]
      if (this.isSurpassed(cost, items)) continue
      for (let i = this.found.length - 1; i >= 0; i--)
        if (beats({ cost, items }, this.found[i]!)) this.found.splice(i, 1)
      const begun = at.signal.delay
      this.found.push({
        cost,
        items,
        candidate: {
          from: at,
          cables: [...cables, leg.cable],
          devices,
          arrives: signal.format,
          items,
          minor: cost.minor,
          watts: cost.watts,
          risky: cost.risk > 0,
          risks: cost.risk,
          steps: cost.steps,
          owedMinor: cost.owedMinor,
          owed: cost.owed,
          delay: {
            min: signal.delay.min - begun.min,
            typ: signal.delay.typ - begun.typ,
            max: signal.delay.max - begun.max,
          },
        },
      })
    }
  }

  private expand(label: Label, item: Shelf): void {
    if (item.path.format === 'port' && label.scaled) return
    if (this.limits.sound && item.path.sound === 'drops') return
    const node: DeviceNode = {
      id: item.id,
      device: { model: item.id, name: item.id, order: 0 },
      model: item.row,
      standard: undefined,
    }
    if (accepts(node, item.input, label.signal.format) || !letsThrough(item.path, label.signal)) return
    const boxes = [item, ...(item.receiver ? [item.receiver] : [])]
    const keys = boxes.map(({ id }) => `model:${id}`)
    const owing = boxes.filter((_, i) => !this.gear.holds(keys[i]!))
    const sum = (all: readonly Pick<Shelf, 'row'>[], of: 'priceMinor' | 'watts') =>
      all.reduce((sum, { row }) => sum + row[of], 0)
    const own = {
      minor: sum(boxes, 'priceMinor'),
      owedMinor: sum(owing, 'priceMinor'),
      owed: owing.length,
      things: boxes.length,
      watts: sum(boxes, 'watts'),
    }
    if (this.isHopeless(add(label.cost, NOTHING, own))) return
    for (const [share, left] of this.shares(label, item)) {
      for (const leg of this.gear.legsBetween(label.signal, label.carriage, label.out, share, item.input)) {
        if (bars(node, item.input, label.signal, leg.carriage)) continue
        for (const format of item.path.format === 'port' ? this.madeFor(item, label.signal.format) : [undefined]) {
          const set: DeviceNode = format
            ? { ...node, device: { ...node.device, ports: { [item.outId]: { format } } } }
            : node
          const signal = passed(set, item.path, label.signal, item.inId, item.outId)
          const cost = add(label.cost, leg.cost, {
            ...own,
            delayMs: signal.delay.typ - label.signal.delay.typ,
            risk: Number((item.path.fills ?? 1) < 1) + Number(item.row.radio !== undefined),
            steps: conversionSteps(label.signal.format, signal.format),
          })
          this.push(signal, item.output, cost, () => ({
            at: label.at,
            left,
            scaled: label.scaled || item.path.format === 'port',
            cables: [...label.cables, leg.cable],
            devices: [
              ...label.devices,
              {
                model: item.id,
                row: item.row,
                inPort: item.inId,
                outPort: item.outId,
                ...(format ? { format } : {}),
                ...(item.row.radio ? { airM: this.span.routeM! } : {}),
                ...(item.receiver ? { receiver: item.receiver } : {}),
              },
            ],
            items: [...label.items, ...leg.items, ...keys],
          }))
        }
      }
    }
  }

  /** How much of the distance the cable before a device may take, and what is left then: all or nothing; half where it renews the signal. */
  private shares({ left }: Label, item: Shelf): (readonly [Span, Label['left']])[] {
    const { routeM, cutM, places } = this.span
    // The air takes the place of the cable, where it carries so far.
    if (item.row.radio)
      return left === 'all' && routeM !== undefined && radioMarginDb(item.row.radio, { m: routeM }) >= 0
        ? [[NEAR, 'none']]
        : []
    if (renews(item))
      return left === 'all' && (routeM !== undefined || cutM !== undefined) ? [[halfOf(this.span), 'half']] : []
    if (left !== 'all') return [[NEAR, left]]
    const near = routeM === 0 && !places
    const known = routeM !== undefined || cutM !== undefined || places !== undefined
    return near || !known
      ? [[this.span, 'none']]
      : [
          [this.span, 'none'],
          [NEAR, 'all'],
        ]
  }

  /** What a scaler is worth setting to: the standard of a strict input; else what the switcher mixes in, or what comes. */
  private madeFor(item: Shelf, now: VideoFormat): VideoFormat[] {
    const sets = makesOf(item.row, item.outId)
    const { node, port } = this.target
    if (port.takes === 'standard') return setsContain(sets, node.standard!) ? [node.standard!] : []
    const fits = listFormats(sets).filter(format => !accepts(node, port, format))
    const likely = [this.limits.standard, now]
      .filter(format => format !== undefined)
      .filter(format => fits.some(made => sameFormat(made, format)))
    return likely.length
      ? likely.filter((format, i) => likely.findIndex(other => sameFormat(other, format)) === i)
      : fits.slice(0, 1)
  }
}

const add = (a: Cost, leg: Cost, step: Partial<Cost>): Cost => ({
  minor: a.minor + leg.minor + (step.minor ?? 0),
  owedMinor: a.owedMinor + leg.owedMinor + (step.owedMinor ?? 0),
  owed: a.owed + leg.owed + (step.owed ?? 0),
  things: a.things + leg.things + (step.things ?? 0),
  watts: a.watts + (step.watts ?? 0),
  delayMs: a.delayMs + (step.delayMs ?? 0),
  risk: a.risk + leg.risk + (step.risk ?? 0),
  steps: a.steps + (step.steps ?? 0),
  house: a.house + leg.house,
})

const NEAR: Span = { routeM: 0 }
const halfOf = ({ routeM, cutM }: Span): Span =>
  routeM !== undefined ? { routeM: routeM / 2 } : cutM !== undefined ? { cutM: cutM / 2 } : {}

/** The things of one cable, as kit lines call them, with the price of each. */
export function itemsOf(
  leads: ReadonlyMap<string, LeadModel>,
  { lead, model, pieces, routeM, adapters }: WayCable,
): { items: string[]; minors: number[] } {
  const taken = pieces ?? (routeM === undefined ? [] : (choosePieces(model, cutLengthM(routeM))?.pieces ?? []))
  const ends = [adapters?.from, adapters?.to].filter(id => id !== undefined)
  return {
    items: [...taken.map(m => `lead:${lead}:${m}`), ...ends.map(id => `lead:${id}`)],
    minors: [
      ...taken.map(m => model.stock.find(piece => piece.m === m)?.priceMinor ?? 0),
      ...ends.map(id => (leads.get(id) as AdapterModel).priceMinor),
    ],
  }
}

const PORT_KEYS = new WeakMap<Port, string>()

/** Ports of one key do the same to a picture. */
export function portKey(port: Port): string {
  let key = PORT_KEYS.get(port)
  if (key === undefined) {
    const { title: _, number: _number, sound: _sound, ...rest } = port
    key = JSON.stringify(rest)
    PORT_KEYS.set(port, key)
  }
  return key
}

const signalKey = ({
  format: { raster, scan, rate },
  coding,
  level,
  division,
  fills,
  transfer,
  range,
  aspect,
  protected: shut,
  readouts,
}: Signal): string =>
  `${raster}${scan}${rate}/${coding.sampling}${coding.depth}/${level}${division}${fills}${transfer}${range}${aspect}${shut}${readouts}`
