import { largestDrawOf } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { minutesOfDay, own, powered, hangingOn } from '#core/document'
import { fact } from '#core/kernel'
import type { Battery } from './collection'

/** Share of what is written on a battery that it gives at 20 degrees. */
export const USABLE = 0.8
/** A bank changes its voltage: of what it holds so much comes out. */
export const BANK_SHARE = 0.85
/** From 300 charges or two years on. */
export const AGED_SHARE = 0.8
/** What must be there beyond the time from switching on to the end. */
export const MARGIN = 1.3

/** 1 at 20 degrees and above, linear to 0.8 at 0; colder still, as at 0. */
export const coldShare = (celsius: number): number => Math.min(1, Math.max(0.8, 0.8 + (celsius / 20) * 0.2))

/** One battery, or several of one kind, at a device. */
export interface Cell {
  /** The entry of the plan; absent, the one that comes with the device. */
  readonly battery?: string
  readonly title: string
  readonly kind: Battery['kind'] | 'own'
  readonly count: number
  /** What all of them give, Wh, after cold, age and loss. */
  readonly givesWh: number
  /** All that hangs on it, W: a battery with several loads is shared. */
  readonly drawW: number
  /** The same with everything at its largest draw at once, W: what it must be able to give. */
  readonly largestW: number
  /** How long all of them last at that, h. */
  readonly hours: number
  /** It ends for a reason of its own: it gives too few watts, or its draw is too small to keep it on. */
  readonly fails?: 'weak' | 'off'
}

/** A device that lives on batteries. */
export interface Endurance {
  readonly device: string
  readonly name: string
  readonly watts: number
  readonly cells: readonly Cell[]
  /** One after the other, h; a bank beside a pack adds to it. */
  readonly hours: number
  /** Charged all the while by what stands behind it. */
  readonly charged: boolean
  /** How long it must last, h, with the margin; undefined until the brief says start and end. */
  readonly needHours: number | undefined
  /** When it ends, minutes since midnight; undefined with needHours, or where it is charged. */
  readonly endsAt: number | undefined
  /** Times at which a battery is changed, minutes since midnight. */
  readonly swaps: readonly number[]
  /** Changed without switching off. */
  readonly hotSwap: boolean
  /** Nobody knows what its battery holds. */
  readonly unknown: boolean
  readonly lasts: boolean
}

const charges = ({ chain, runs }: Traced, { id, model }: DeviceNode): boolean =>
  (model.kind === 'phone' || model.kind === 'tablet') &&
  runs.some(
    ({ origin, links }) =>
      origin?.device === id && links.some(({ wire }) => wire.to && chain.nodes.get(wire.to.node.id)?.model.charges),
  )

const enduranceFact = fact<Traced, readonly Endurance[]>('batteries', traced => {
  const { plan, chain } = traced
  const plugged = new Set(Object.keys(plan.circuits).flatMap(id => [...hangingOn(plan, id)]))
  const fed = new Map<string, [string, Battery][]>()
  for (const [id, battery] of Object.entries(plan.batteries))
    for (const device of Object.keys(battery.loads ?? {}))
      if (own(plan.devices, device)) fed.set(device, [...(fed.get(device) ?? []), [id, battery]])
  const cold = coldShare(plan.brief.coldC ?? 20)
  const time = powered(plan.brief)
  return [...chain.nodes.values()]
    .filter(({ id, model }) => (model.supply === 'battery' || fed.has(id)) && !plugged.has(id))
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .map((node): Endurance => {
      const { id, model, device } = node
      const watts = model.watts
      const given = fed.get(id) ?? []
      // Packs of the plan take the place of the one that comes with it; a bank stands beside it.
      const packs = given.filter(([, { kind }]) => kind === 'pack')
      const ownWh = packs.length === 0 && model.supply === 'battery' ? model.battery?.wh : undefined
      const cells: Cell[] = [
        ...(ownWh === undefined
          ? []
          : [
              {
                title: 'its own',
                kind: 'own' as const,
                count: 1,
                givesWh: ownWh * USABLE * cold,
                drawW: watts,
                largestW: largestDrawOf(model),
                hours: watts > 0 ? (ownWh * USABLE * cold) / watts : Infinity,
              },
            ]),
        ...given.map(([battery, one]) => cellOf(traced, battery, one, cold)),
      ]
      const hours = cells.reduce((sum, cell) => sum + (cell.fails ? 0 : cell.hours), 0)
      const charged = charges(traced, node)
      const needHours = time && (time.minutes / 60) * MARGIN
      const unknown = cells.length === 0
      const lasts = charged || unknown || needHours === undefined || hours >= needHours
      const since = time && minutesOfDay(time.since)
      return {
        device: id,
        name: device.name,
        watts,
        cells,
        hours,
        charged,
        needHours,
        endsAt: since === undefined || charged || unknown ? undefined : since + Math.min(hours, 48) * 60,
        swaps: since === undefined ? [] : emptyTimes(cells, since, time!.minutes),
        hotSwap: model.battery?.hotSwap === true,
        unknown,
        lasts,
      }
    })
})

/** Every device that lives on batteries, in the order of the plan. */
export const enduranceOf = (traced: Traced): readonly Endurance[] => traced.ask(enduranceFact)

function cellOf({ plan }: Traced, id: string, battery: Battery, cold: number): Cell {
  const { title, kind, wh, count = 1, mostW, offBelowW, aged, loads = {} } = battery
  const models = Object.keys(loads).flatMap(device => {
    const there = own(plan.devices, device)
    return there ? [plan.models[there.model]!] : []
  })
  const drawW = models.reduce((sum, { watts }) => sum + watts, 0)
  const largestW = models.reduce((sum, model) => sum + largestDrawOf(model), 0)
  const givesWh = wh * count * USABLE * cold * (kind === 'bank' ? BANK_SHARE : 1) * (aged ? AGED_SHARE : 1)
  const fails =
    mostW !== undefined && largestW > mostW ? 'weak' : offBelowW !== undefined && drawW < offBelowW ? 'off' : undefined
  return {
    battery: id,
    title,
    kind,
    count,
    givesWh,
    drawW,
    largestW,
    hours: drawW > 0 ? givesWh / drawW : Infinity,
    ...(fails ? { fails } : {}),
  }
}

/** When one is empty and the next goes in, up to the end of the show. */
function emptyTimes(cells: readonly Cell[], since: number, minutes: number): number[] {
  const swaps: number[] = []
  let at = 0
  for (const { count, hours, kind, fails } of cells) {
    if (kind === 'bank' || fails) continue
    for (let i = 0; i < count; i++) {
      at += (hours / count) * 60
      if (at < minutes && Number.isFinite(at)) swaps.push(since + at)
    }
  }
  return swaps.slice(0, Math.max(0, cells.reduce((sum, { count, kind }) => sum + (kind === 'bank' ? 0 : count), 0) - 1))
}
