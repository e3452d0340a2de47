import type { CableModel } from '#core/cable'
import { carriesPicture, portsOf, isSink } from '#core/catalog'
import { type Run, type Traced, isSwitcher, kitLines, lengthOf, lostDevices, tracedOf } from '#core/chain'
import { type Plan, keepersOf, own } from '#core/document'
import type { Checked } from '#core/propose'
import { controlReach } from '../control/facts'

/** What may fail: a device, a cable, all at one place, one circuit, the mains (`id` is `mains`), or all radio (`radio`). */
export interface Loss {
  readonly of: 'device' | 'link' | 'place' | 'circuit' | 'protection' | 'power' | 'radio'
  readonly id: string
}

/** A screen, recorder or capture whose picture goes. */
export interface DarkSink {
  readonly device: string
  readonly port: string
  readonly name: string
  readonly feed: string | undefined
}

/** What whoever switches can still do at a switcher: what can be cut to, and who sees it. */
export interface Still {
  readonly switcher: string
  readonly name: string
  readonly sources: readonly string[]
  readonly sinks: readonly string[]
}

export interface LossEffect {
  readonly loss: Loss
  /** "Hall distribution", "cable from Arena north to Main". */
  readonly name: string
  /** What the thing is, by its model. */
  readonly kind: string
  /** Sinks that were lit and are dark then, those that are lost with others among them; not the one thing that failed. */
  readonly sinks: readonly DarkSink[]
  /** Names of sources that reach no switcher and no sink any more, the failed one among them. */
  readonly sources: readonly string[]
  readonly still: readonly Still[]
  /** Uninterruptible supplies that keep something going then: for how long, min, and what. */
  readonly kept: readonly { readonly name: string; readonly minutes: number; readonly devices: readonly string[] }[]
  /** Names of sinks that stay lit and fall silent. */
  readonly silent: readonly string[]
  /** Names of devices that nobody can set up or move any more. */
  readonly uncontrolled: readonly string[]
  /** What one more of it costs, minor units; 0 where the kit holds one that nothing uses. */
  readonly spareMinor: number
  /** An idle one is in the kit. */
  readonly inKit: boolean
}

/** Things of which each darkens the same sinks. */
export interface SinglePoint {
  readonly sinks: readonly DarkSink[]
  /** Sinks of the program among them. */
  readonly program: number
  /** The cheapest to double first. */
  readonly things: readonly LossEffect[]
}

/** The names of places at which devices stand. */
export const placesOf = ({ devices }: Plan): string[] =>
  [...new Set(Object.values(devices).flatMap(({ place }) => (place === undefined ? [] : [place])))].sort()

const litSinks = ({ runs, chain }: Traced): Map<string, Run> =>
  new Map(
    runs.flatMap((run): [string, Run][] =>
      run.lit && !run.beside && run.end && isSink(chain.nodes.get(run.end.device)!.model)
        ? [[`${run.end.device}/${run.end.port}`, run]]
        : [],
    ),
  )

const litSources = ({ runs, chain }: Traced): Set<string> =>
  new Set(
    runs.flatMap(({ lit, beside, origin }) =>
      lit && !beside && origin && chain.nodes.get(origin.device)!.model.role === 'source' ? [origin.device] : [],
    ),
  )

/** The sources whose picture comes to a switcher, straight or through others before it. */
function seenAt(traced: Traced, switcher: string, passed: ReadonlySet<string> = new Set()): Set<string> {
  const seen = new Set<string>()
  if (passed.has(switcher)) return seen
  for (const { lit, beside, origin, end } of traced.runs) {
    if (!lit || beside || end?.device !== switcher || !origin) continue
    if (traced.chain.nodes.get(origin.device)!.model.role === 'source') seen.add(origin.device)
    else for (const source of seenAt(traced, origin.device, new Set([...passed, switcher]))) seen.add(source)
  }
  return seen
}

function stillAt(traced: Traced): Still[] {
  const { chain, plan } = traced
  const name = (id: string) => plan.devices[id]!.name
  const lit = [...litSinks(traced).values()]
  return [...chain.nodes.values()].filter(isSwitcher).flatMap((node): Still[] => {
    const sinks = lit.filter(({ origin }) => origin?.device === node.id).map(({ end }) => name(end!.device))
    return sinks.length
      ? [
          {
            switcher: node.id,
            name: node.device.name,
            sources: [...seenAt(traced, node.id)].map(name),
            sinks: [...new Set(sinks)],
          },
        ]
      : []
  })
}

/** The name of a sink, with its plug where it has several. */
function inputName(plan: Plan, id: string, port: string): string {
  const { name, model } = plan.devices[id]!
  const inputs = portsOf(plan.models[model]!, 'in').filter(([, port]) => carriesPicture(port))
  return inputs.length > 1 ? `${name} ${plan.models[model]!.ports[port]!.title}` : name
}

/** Residual-current protections that the circuits name, each once. */
export const protectionsOf = ({ circuits }: Pick<Plan, 'circuits'>): string[] => [
  ...new Set(Object.values(circuits).flatMap(({ residual }) => residual ?? [])),
]

function groupName({ circuits }: Plan, { of, id }: Loss): string {
  if (of === 'place') return `everything at ${id}`
  if (of === 'circuit') return `the circuit ${circuits[id]!.title}`
  if (of === 'protection') return `all behind the protection ${id}`
  return of === 'radio' ? 'all radio' : 'the mains'
}

/** Throws on a thing that the plan does not have. */
function named(plan: Plan, loss: Loss): { name: string; kind: string; spareMinor: number; inKit: boolean } {
  const idle = kitLines(plan).filter(({ there, needed }) => there > needed)
  if (loss.of === 'device') {
    const device = own(plan.devices, loss.id)
    if (!device) throw new Error(`no device ${loss.id}`)
    const model = plan.models[device.model]!
    const inKit = idle.some(({ kind: of, id }) => of === 'model' && id === device.model)
    return { name: device.name, kind: model.title, spareMinor: inKit ? 0 : model.priceMinor, inKit }
  }
  if (loss.of !== 'link') {
    const gone = threatened(plan, loss)
    if (gone.size === 0) throw new Error(`no ${loss.of} ${loss.id}`)
    const count = `${gone.size} device${gone.size > 1 ? 's' : ''}`
    return {
      name: groupName(plan, loss),
      kind: count,
      spareMinor: 0,
      inKit: false,
    }
  }
  const link = own(plan.links, loss.id)
  if (!link) throw new Error(`no link ${loss.id}`)
  const lead = plan.leads[link.cable] as CableModel
  const { pieces = [] } = lengthOf(lead, link)
  const inKit =
    pieces.length > 0 &&
    pieces.every(piece =>
      idle.some(({ kind: of, id, pieceM }) => of === 'lead' && id === link.cable && pieceM === piece),
    )
  const end = (side: 'from' | 'to') => plan.devices[link[side]?.device ?? '']?.name ?? 'a loose end'
  return {
    name: `cable from ${end('from')} to ${end('to')}`,
    kind: lead.title,
    spareMinor: inKit
      ? 0
      : pieces.reduce((sum, piece) => sum + (lead.stock.find(({ m }) => m === piece)?.priceMinor ?? 0), 0),
    inKit,
  }
}

/** What would be lost were there no uninterruptible supply. */
function threatened(plan: Plan, loss: Loss): ReadonlySet<string> {
  const strips = Object.fromEntries(Object.entries(plan.strips).map(([id, { keeps: _, ...strip }]) => [id, strip]))
  return lostDevices({ ...plan, strips }, loss)
}

/** Of that, what each supply keeps going. */
function keptThen(plan: Plan, loss: Loss): LossEffect['kept'] {
  if (loss.of !== 'circuit' && loss.of !== 'protection' && loss.of !== 'power') return []
  const [now, without] = [lostDevices(plan, loss), threatened(plan, loss)]
  return keepersOf(plan).flatMap(({ title, minutes, devices, weak }) => {
    const mine = weak ? [] : devices.filter(id => without.has(id) && !now.has(id))
    return mine.length ? [{ name: title, minutes, devices: mine.map(id => plan.devices[id]!.name) }] : []
  })
}

/** What goes dark and what is left when one thing fails. Throws when the plan has no such thing. Linear in hops. */
export function whatIf({ traced }: Pick<Checked, 'traced'>, loss: Loss): LossEffect {
  const { plan, scope } = traced
  const words = named(plan, loss)
  const left = tracedOf(plan, { ...scope, losses: [...(scope.losses ?? []), loss] })
  const after = litSinks(left)
  const sources = litSources(left)
  const gone = lostDevices(plan, loss)
  return {
    loss,
    ...words,
    sinks: [...litSinks(traced)]
      .filter(([key, { end }]) => {
        const alone = loss.of === 'device' && loss.id === end!.device
        return (!after.has(key) || gone.has(end!.device)) && !alone
      })
      .map(([, { end, links }]) => ({
        device: end!.device,
        port: end!.port,
        name: inputName(plan, end!.device, end!.port),
        feed: links[0]!.signal?.feed,
      }))
      .sort((a, b) => (a.name < b.name ? -1 : 1)),
    sources: [...litSources(traced)].filter(id => !sources.has(id)).map(id => plan.devices[id]!.name),
    kept: keptThen(plan, loss),
    still: stillAt(left),
    silent: [...after.values()]
      .map(({ end }) => end!.device)
      .filter(id => !gone.has(id) && traced.sound.heard.get(id)?.size && !left.sound.heard.get(id)?.size)
      .map(id => plan.devices[id]!.name)
      .sort(),
    uncontrolled: controlReach(left)
      .unreached.filter(({ id }) => !gone.has(id) && !controlReach(traced).unreached.some(node => node.id === id))
      .map(({ device }) => device.name)
      .sort(),
  }
}

/** All that can fail, sound and control too: devices first, then cables, places, circuits, the mains and all radio. */
export function lossesOf(plan: Plan): Loss[] {
  const { devices, links, models } = plan
  return [
    ...Object.entries(devices)
      .filter(([, { model }]) => models[model]!.role !== 'load' || models[model]!.kind === 'receiver')
      .map(([id]): Loss => ({ of: 'device', id })),
    ...Object.keys(links).map((id): Loss => ({ of: 'link', id })),
    ...placesOf(plan).map((id): Loss => ({ of: 'place', id })),
    ...Object.keys(plan.circuits)
      .filter(id => threatened(plan, { of: 'circuit', id }).size > 0)
      .map((id): Loss => ({ of: 'circuit', id })),
    // One circuit alone behind it is that circuit.
    ...protectionsOf(plan)
      .filter(
        id =>
          Object.values(plan.circuits).filter(({ residual }) => residual === id).length > 1 &&
          threatened(plan, { of: 'protection', id }).size > 0,
      )
      .map((id): Loss => ({ of: 'protection', id })),
    ...(Object.values(devices).some(({ model }) => models[model]!.supply === 'mains')
      ? [{ of: 'power', id: 'mains' } as const]
      : []),
    ...(Object.values(devices).filter(({ model }) => models[model]!.kind === 'radio').length > 1
      ? [{ of: 'radio', id: 'radio' } as const]
      : []),
  ]
}

/** Of effects those that darken a sink; things that darken the same ones stand together. The most program comes first, then the most sinks. */
export function pointsOf(effects: readonly LossEffect[]): SinglePoint[] {
  const groups = new Map<string, LossEffect[]>()
  for (const effect of effects) {
    if (effect.sinks.length === 0) continue
    const key = effect.sinks
      .map(({ device, port }) => `${device}/${port}`)
      .sort()
      .join(' ')
    groups.set(key, [...(groups.get(key) ?? []), effect])
  }
  return [...groups.values()]
    .map((things): SinglePoint => ({
      sinks: things[0]!.sinks,
      program: things[0]!.sinks.filter(({ feed }) => feed === 'program').length,
      things: things.sort((a, b) => a.spareMinor - b.spareMinor || (a.name < b.name ? -1 : 1)),
    }))
    .sort(
      (a, b) =>
        b.program - a.program || b.sinks.length - a.sinks.length || (a.sinks[0]!.name < b.sinks[0]!.name ? -1 : 1),
    )
}
