import type { CableModel } from '#core/cable'
import { makesInAnyMode, portsOf } from '#core/catalog'
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
  if (!(from.model.role === 'source' || isSwitcher(from)) || !(to.model.role === 'sink' || isSwitcher(to))) return false
  if (from.model.role === 'source' && to.model.role === 'sink') return false
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
  const { plan, chain, runs } = traced
  const formats: VideoFormat[] = []
  for (const { standards } of switchers)
    for (const format of standards) if (!formats.some(known => sameFormat(known, format))) formats.push(format)
  const tries: {
    traced: Traced
    standardOf: (switcher: string) => VideoFormat
    setsOf: (device: string) => readonly Edit[]
  }[] = []
  const asIs = new Map(switchers.map(({ node }) => [node.id, node.standard!]))
  for (const format of [undefined, ...formats]) {
    const standards = new Map(
      switchers.map(({ node, standards: able }) => [
        node.id,
        format && able.some(one => sameFormat(one, format)) ? format : node.standard!,
      ]),
    )
    const base: Edit[] = [...standards].flatMap(([id, standard]): Edit[] =>
      sameFormat(standard, asIs.get(id)!) ? [] : [{ do: 'set', at: ['devices', id, 'standard'], value: standard }],
    )
    for (const how of ['as-is', 'source', 'scaler'] as const) {
      if (!format && how !== 'as-is') continue
      const sets = new Map<string, readonly Edit[]>()
      if (format && how === 'source') {
        for (const run of runs) {
          const node = run.origin && chain.nodes.get(run.origin.device)
          if (!node || run.beside || node.model.role !== 'source' || !run.end) continue
          const draft = new Draft(plan)
          if (
            own(node.device.ports, run.origin.port)?.format &&
            sameFormat(own(node.device.ports, run.origin.port)!.format!, format)
          )
            continue
          if (setFormat(draft, node, run.origin.port, format))
            sets.set(node.id, [
              ...(sets.get(node.id) ?? []),
              ...draft.edits.filter(
                edit => !sets.get(node.id)?.some(known => JSON.stringify(known) === JSON.stringify(edit)),
              ),
            ])
        }
      }
      if (format && how === 'scaler') {
        for (const run of runs) {
          if (run.beside || !run.origin || !run.end || !isSwitcher(chain.nodes.get(run.end.device)!)) continue
          const last = run.links
            .slice(1)
            .findLast(({ wire }) =>
              wire.from!.node.model.paths.some(path => path.format === 'port' && path.to.includes(wire.from!.portId)),
            )
          const from = last?.wire.from
          if (
            !from ||
            !setsContain(
              makesInAnyMode(from.node.model, from.portId).flatMap(({ sets: made }) => [...made]),
              format,
            )
          )
            continue
          const draft = new Draft(plan)
          if (setFormat(draft, from.node, from.portId, format))
            sets.set(run.origin.device, [...(sets.get(run.origin.device) ?? []), ...draft.edits])
        }
      }
      if (how !== 'as-is' && sets.size === 0) continue
      const applied = applyEdits(plan, [...base, ...[...sets.values()].flat()])
      if (!applied.ok) continue
      tries.push({
        traced: applied.value.plan === plan ? traced : tracedOf(applied.value.plan),
        standardOf: id => standards.get(id)!,
        setsOf: id => sets.get(id) ?? [],
      })
    }
  }
  const known = new Map<Traced, ReadonlyMap<string, Run>>()
  const runIn = (other: Traced, id: string): Run | undefined => {
    let map = known.get(other)
    if (!map) {
      map = new Map(other.runs.map(run => [run.id, run]))
      known.set(other, map)
    }
    return map.get(id)
  }
  return (device: string, mine: readonly Run[], rigid: boolean): Means[] => {
    const litNow = mine.filter(({ lit }) => lit)
    const must = rigid && litNow.length ? litNow : mine
    const found = new Map<string, Means>()
    for (const { traced: tried, standardOf, setsOf } of tries) {
      const there = must.map(run => runIn(tried, run.id))
      if (there.some(run => !run?.lit)) continue
      const touched = new Set(
        mine
          .flatMap(run => [run.origin?.device, run.end?.device])
          .filter(id => id !== undefined && switchers.some(({ node }) => node.id === id)) as string[],
      )
      const needs = [...touched].map(id => [id, standardOf(id)] as const)
      const sets = setsOf(device)
      const key = JSON.stringify(needs)
      if (found.has(key) && found.get(key)!.settings <= sets.length) continue
      const switcher =
        must[0]!.end && switchers.some(({ node }) => node.id === must[0]!.end!.device)
          ? must[0]!.end.device
          : must[0]!.origin!.device
      const last = there[0]!.links.at(-1)!
      const first = there[0]!.links[0]!
      const arrives = last.signal!.format
      const port = last.wire.to!.port!
      const behind = touched.has(last.wire.to!.node.id) ? standardOf(last.wire.to!.node.id) : undefined
      const switcherTask = switchers.find(({ node }) => node.id === switcher)
      const path = switcherTask?.node.model.paths.find(({ format }) => format === 'standard')
      const links = rigid ? [] : mine.flatMap(run => run.links)
      const devices = rigid ? [] : mine.flatMap(run => run.links.slice(1).map(({ wire }) => wire.from!.node))
      found.set(key, {
        switcher,
        needs,
        keep: sets,
        takes: mine
          .flatMap(run => [run.origin, run.end])
          .filter(end => end !== undefined)
          .flatMap(end => (flexible.has(mine[0]!) && classOf(end) ? [classOf(end)!] : [])),
        items: [
          ...links.flatMap(({ wire }) => linkItems(plan, wire.link)),
          ...devices.map(node => `model:${node.device.model}`),
        ],
        minor:
          links.reduce((sum, { wire }) => sum + linkMinor(plan, wire.link), 0) +
          devices.reduce((sum, node) => sum + node.model.priceMinor, 0),
        watts: devices.reduce((sum, node) => sum + node.model.watts, 0),
        delayMs:
          last.signal!.delay.typ -
          first.signal!.delay.typ +
          (behind ? delayMs(port.delay, behind).typ : 0) +
          (behind && path && switcherTask && !switcherTask.root && chain.nodes.get(device)!.model.role === 'source'
            ? delayMs(path.delay, behind).typ
            : 0),
        steps: conversionSteps(first.signal!.format, arrives) + (behind ? conversionSteps(arrives, behind) : 0),
        risk: must.reduce(
          (sum, run) =>
            sum +
            runIn(tried, run.id)!.links.filter(
              ({ figures, signal }) => figures?.caution || (signal && signal.fills < 1),
            ).length,
          0,
        ),
        settings: sets.length,
        moved: 0,
        devices: devices.map(node => node.device.model).join('+'),
        scales: devices.some(({ model }) => model.paths.some(({ format }) => format === 'port')),
      })
    }
    return [...found.values()]
  }
}

/** The pieces and adapters of a link, as kit lines call them. */
const linkItems = (plan: Plan, link: Link): string[] => [
  ...(lengthOf(plan.leads[link.cable] as CableModel, link).pieces ?? []).map(m => `lead:${link.cable}:${m}`),
  ...[link.adapters?.from, link.adapters?.to].flatMap(id => (id === undefined ? [] : [`lead:${id}`])),
]
