import type { CableModel } from '#core/cable'
import { makesInAnyMode, portsOf, isSink } from '#core/catalog'
import {
  type DeviceNode,
  type Run,
  type Traced,
  delayMs,
  gathers,
  isSwitcher,
  lengthOf,
  linkMinor,
  pathFrom,
  tracedOf,
} from '#core/chain'
import { type Edit, type Link, type LinkEnd, type Plan, applyEdits, distanceM, own } from '#core/document'
import { Draft, type Span, setFormat } from '#core/propose'
import { type VideoFormat, conversionSteps, sameFormat, setsContain } from '#core/signal'
import type { Means, SwitcherTask } from './question'

// What lies already: which runs can be taken up, how long they are, and in which standards they hold as they are.

/** How far it is: measured between the places, or as long as what lies there now. */
export function spanOf(traced: Traced, from: DeviceNode, to: DeviceNode, run: Run | undefined): Span {
  const [a, b] = [from.device.place, to.device.place]
  const places = a !== undefined && b !== undefined ? { places: [a, b] as [string, string] } : {}
  const length = run && lengthOfRun(traced, run)
  const there =
    run &&
    [run.origin, run.end].some(end => end?.device === to.id) &&
    [run.origin, run.end].some(end => end?.device === from.id)
  const between = distanceM(traced.plan, a, b)
  if (there && length) return { ...length, ...places }
  if (between !== undefined) return { routeM: between, ...places }
  const other = run && traced.chain.nodes.get((run.origin?.device === from.id ? run.end : run.origin)!.device)
  return { ...(other?.device.place === to.device.place && length ? length : {}), ...places }
}

/** Neither measured nor as long as something that is: what lies there now is not given up for it. */
export const isUnknown = ({ routeM, cutM }: Span): boolean => routeM === undefined && cutM === undefined

export function lengthOfRun({ plan }: Traced, { links }: Run): Span | undefined {
  if (links.every(({ wire }) => wire.link.routeM !== undefined))
    return { routeM: links.reduce((sum, { wire }) => sum + wire.link.routeM!, 0) }
  const lengths = links.map(({ wire }) => lengthOf(plan.leads[wire.link.cable] as CableModel, wire.link).lengthM)
  return lengths.every(m => m !== undefined) ? { cutM: lengths.reduce((sum, m) => sum + m, 0) } : undefined
}

/** A run that nothing else shares and nobody has pinned: it can be taken out as a whole. */
export function movable({ plan, chain, runs }: Traced, run: Run, evenPinned: boolean): boolean {
  // What an output carries as one input is set for who hangs there.
  if (run.links[0]?.signal?.feed === 'input') return false
  return (
    run.links.every(({ wire }, i) => {
      if (
        (wire.link.pinned && !evenPinned) ||
        runs.some(other => other !== run && other.links.some(link => link.wire.id === wire.id))
      )
        return false
      const before = wire.from?.node
      if (i === 0 || !before) return true
      if (before.model.role !== 'way' || gathers(before)) return false
      const mine = new Set(run.links.map(link => link.wire.id))
      return (
        [...chain.wires.values()].every(
          other => mine.has(other.id) || (other.from?.node.id !== before.id && other.to?.node.id !== before.id),
        ) && !Object.values(plan.devices).some(device => device.in === before.id)
      )
    }) &&
    (() => {
      const last = run.links.at(-1)!.wire.to?.node
      return !last || last.model.role !== 'way' || gathers(last)
    })()
  )
}

/** Led by nothing that is chosen for more than its picture: no radio, matrix or delay, and not away from a device that gathers without being a switcher. */
export function leadsSimply({ chain }: Traced, { links, origin, end }: Run): boolean {
  const from = chain.nodes.get(origin!.device)!
  const to = chain.nodes.get(end!.device)!
  if (!(from.model.role === 'source' || isSwitcher(from)) || !(isSink(to.model) || isSwitcher(to))) return false
  if (from.model.role === 'source' && isSink(to.model)) return false
  return links.slice(1).every(({ wire }) => {
    const { model } = wire.from!.node
    return (
      model.kind !== 'radio' &&
      model.kind !== 'matrix' &&
      model.kind !== 'delay' &&
      model.kind !== 'network' &&
      pathFrom(wire.from!.node, portsOf(model, 'in')[0]?.[0] ?? '') !== undefined
    )
  })
}

/** The edits that take a run out, with the devices on its way. */
export function takeAway({ chain }: Traced, { links }: Run): Edit[] {
  const gone = links
    .slice(1)
    .map(({ wire }) => wire.from!.node)
    .filter(node => node.model.role === 'way' && chain.nodes.has(node.id))
  return [
    ...links.map(({ wire }): Edit => ({ do: 'disconnect', id: wire.id })),
    ...gone.map(({ id }): Edit => ({ do: 'remove', collection: 'devices', id })),
  ]
}

const PHASE: Readonly<Record<Edit['do'], number>> = { disconnect: 0, remove: 1, move: 2, set: 2, add: 3, connect: 4 }

/** Edits in an order that holds whichever parts they come from: away, out, settings, new things, new cables. */
export const inPhases = (edits: readonly Edit[]): Edit[] => [...edits].sort((a, b) => PHASE[a.do] - PHASE[b.do])

/** The plan with every switcher set to a standard, and what else was set for it. */
interface Trial {
  readonly traced: Traced
  readonly standardOf: (switcher: string) => VideoFormat
  /** Edits at a device's own runs. */
  readonly setsOf: (device: string) => readonly Edit[]
  readonly runOf: (id: string) => Run | undefined
}

type Sets = ReadonlyMap<string, readonly Edit[]>

/** Each source set to a format, where it can be. */
function sourcesSet({ plan, chain, runs }: Traced, format: VideoFormat): Sets {
  const sets = new Map<string, readonly Edit[]>()
  for (const run of runs) {
    const node = run.origin && chain.nodes.get(run.origin.device)
    if (!node || run.beside || node.model.role !== 'source' || !run.end) continue
    const now = own(node.device.ports, run.origin.port)?.format
    if (now && sameFormat(now, format)) continue
    const draft = new Draft(plan)
    if (!setFormat(draft, node, run.origin.port, format)) continue
    const before = sets.get(node.id) ?? []
    const told = new Set(before.map(edit => JSON.stringify(edit)))
    sets.set(node.id, [...before, ...draft.edits.filter(edit => !told.has(JSON.stringify(edit)))])
  }
  return sets
}

/** The last scaler before a switcher set to a format, where it can be. */
function scalersSet({ plan, chain, runs }: Traced, format: VideoFormat): Sets {
  const sets = new Map<string, readonly Edit[]>()
  for (const run of runs) {
    if (run.beside || !run.origin || !run.end || !isSwitcher(chain.nodes.get(run.end.device)!)) continue
    const from = run.links
      .slice(1)
      .map(({ wire }) => wire.from!)
      .findLast(({ node, portId }) => node.model.paths.some(path => path.format === 'port' && path.to.includes(portId)))
    if (!from) continue
    const makes = makesInAnyMode(from.node.model, from.portId).flatMap(({ sets: made }) => [...made])
    const draft = new Draft(plan)
    if (setsContain(makes, format) && setFormat(draft, from.node, from.portId, format))
      sets.set(run.origin.device, [...(sets.get(run.origin.device) ?? []), ...draft.edits])
  }
  return sets
}

const NOTHING_SET: Sets = new Map()

/** Sets every switcher to each standard in turn: with sources as they are, set to it, and with scalers set to it. */
function trials(traced: Traced, switchers: readonly SwitcherTask[]): Trial[] {
  const { plan } = traced
  const formats: VideoFormat[] = []
  for (const format of switchers.flatMap(({ standards }) => standards))
    if (!formats.some(known => sameFormat(known, format))) formats.push(format)
  return [undefined, ...formats].flatMap(format => {
    const standards = new Map(
      switchers.map(({ node, standards: able }) => [
        node.id,
        format && able.some(one => sameFormat(one, format)) ? format : node.standard!,
      ]),
    )
    const base = switchers.flatMap(({ node }): Edit[] => {
      const standard = standards.get(node.id)!
      return sameFormat(standard, node.standard!)
        ? []
        : [{ do: 'set', at: ['devices', node.id, 'standard'], value: standard }]
    })
    const others = format ? [sourcesSet(traced, format), scalersSet(traced, format)].filter(({ size }) => size) : []
    return [NOTHING_SET, ...others].flatMap(sets => {
      const applied = applyEdits(plan, [...base, ...[...sets.values()].flat()])
      return applied.ok ? [trialOf(traced, applied.value.plan, standards, sets)] : []
    })
  })
}

function trialOf(traced: Traced, plan: Plan, standards: ReadonlyMap<string, VideoFormat>, sets: Sets): Trial {
  const tried = plan === traced.plan ? traced : tracedOf(plan)
  let runs: ReadonlyMap<string, Run> | undefined
  return {
    traced: tried,
    standardOf: id => standards.get(id)!,
    setsOf: id => sets.get(id) ?? [],
    runOf: id => (runs ??= new Map(tried.runs.map(run => [run.id, run]))).get(id),
  }
}

/**
 * What lies already, in each standard: tried by setting every switcher to it, with sources as they are, with sources set
 * to it, and with the last scaler before a switcher set to it. Returns the choices that leave a device's runs lit.
 */
export function keepers(
  traced: Traced,
  switchers: readonly SwitcherTask[],
  flexible: ReadonlySet<Run>,
  classOf: (end: LinkEnd) => string | undefined,
) {
  const tries = trials(traced, switchers)
  const isSwitcherOfTask = (id: string) => switchers.some(({ node }) => node.id === id)
  return (device: string, mine: readonly Run[], rigid: boolean): Means[] => {
    const litNow = mine.filter(({ lit }) => lit)
    const must = rigid && litNow.length ? litNow : mine
    const ends = mine.flatMap(({ origin, end }) => [origin, end]).filter(end => end !== undefined)
    const touched = new Set(ends.map(end => end.device).filter(isSwitcherOfTask))
    const gear = rigid ? { ...NO_GEAR } : gearOf(traced.plan, mine)
    const takes = flexible.has(mine[0]!) ? ends.flatMap(end => classOf(end) ?? []) : []
    const entered = must[0]!.end?.device
    const switcher = entered !== undefined && isSwitcherOfTask(entered) ? entered : must[0]!.origin!.device
    const found = new Map<string, Means>()
    for (const trial of tries) {
      const there = must.map(run => trial.runOf(run.id))
      if (there.some(run => !run?.lit)) continue
      const needs = [...touched].map(id => [id, trial.standardOf(id)] as const)
      const sets = trial.setsOf(device)
      const key = JSON.stringify(needs)
      if (found.has(key) && found.get(key)!.settings <= sets.length) continue
      const owner = switchers.find(({ node }) => node.id === switcher)
      const fromSource = traced.chain.nodes.get(device)!.model.role === 'source'
      found.set(key, {
        switcher,
        needs,
        keep: sets,
        takes,
        ...gear,
        ...carriedBy(there[0]!, touched, trial, owner && !owner.root && fromSource ? owner : undefined),
        risk: there.reduce((sum, run) => sum + risksOf(run!), 0),
        settings: sets.length,
        moved: 0,
      })
    }
    return [...found.values()]
  }
}

/** The cables and devices of runs, with what they cost. */
function gearOf(plan: Plan, runs: readonly Run[]): Pick<Means, 'items' | 'minor' | 'watts' | 'devices' | 'scales'> {
  const links = runs.flatMap(run => run.links)
  const nodes = runs.flatMap(run => run.links.slice(1).map(({ wire }) => wire.from!.node))
  return {
    items: [
      ...links.flatMap(({ wire }) => linkItems(plan, wire.link)),
      ...nodes.map(node => `model:${node.device.model}`),
    ],
    minor:
      links.reduce((sum, { wire }) => sum + linkMinor(plan, wire.link), 0) +
      nodes.reduce((sum, node) => sum + node.model.priceMinor, 0),
    watts: nodes.reduce((sum, node) => sum + node.model.watts, 0),
    devices: nodes.map(node => node.device.model).join('+'),
    scales: nodes.some(({ model }) => model.paths.some(({ format }) => format === 'port')),
  }
}

const NO_GEAR = { items: [], minor: 0, watts: 0, devices: '', scales: false } as const

/** Delay and conversions of a run, with those of the input that it enters; a feeder adds its own to a source's. */
function carriedBy(
  { links }: Run,
  touched: ReadonlySet<string>,
  { standardOf }: Trial,
  feeder: SwitcherTask | undefined,
): Pick<Means, 'delayMs' | 'steps'> {
  const [first, last] = [links[0]!, links.at(-1)!]
  const { node, port } = last.wire.to!
  const arrives = last.signal!.format
  const travelled = last.signal!.delay.typ - first.signal!.delay.typ
  const converted = conversionSteps(first.signal!.format, arrives)
  if (!touched.has(node.id)) return { delayMs: travelled, steps: converted }
  const behind = standardOf(node.id)
  const path = feeder?.node.model.paths.find(({ format }) => format === 'standard')
  return {
    delayMs: travelled + delayMs(port!.delay, behind).typ + (path ? delayMs(path.delay, behind).typ : 0),
    steps: converted + conversionSteps(arrives, behind),
  }
}

const risksOf = ({ links }: Run): number =>
  links.filter(({ figures, signal }) => figures?.caution || (signal && signal.fills < 1)).length

/** The pieces and adapters of a link, as kit lines call them. */
const linkItems = (plan: Plan, link: Link): string[] => [
  ...(lengthOf(plan.leads[link.cable] as CableModel, link).pieces ?? []).map(m => `lead:${link.cable}:${m}`),
  ...[link.adapters?.from, link.adapters?.to].flatMap(id => (id === undefined ? [] : [`lead:${id}`])),
]
