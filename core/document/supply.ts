import { largestDrawOf } from '#core/catalog'
import type { Plan } from './plan'
import { own } from './problem'

type Supplied = Pick<Plan, 'circuits' | 'strips'>

/** Share of what is written on a battery that an uninterruptible supply gives: what is usable, less its own loss. */
const KEPT_SHARE = 0.8 * 0.85

/** An uninterruptible supply with all that hangs on it. */
export interface Keeper {
  readonly strip: string
  readonly title: string
  /** Devices of the plan, by strips that are plugged into it too. */
  readonly devices: readonly string[]
  /** Typically, and with everything at its largest draw at once, W. */
  readonly drawW: number
  readonly largestW: number
  readonly mostW: number
  /** It gives less than they may draw: it switches off as soon as the mains fail. */
  readonly weak: boolean
  /** How long they go on without mains, min. */
  readonly minutes: number
}

/** The circuit on which a strip hangs, through others if it is plugged into them; undefined where none is said, or in a ring. */
export function circuitOf({ circuits, strips }: Supplied, strip: string): string | undefined {
  const seen = new Set<string>()
  for (let at: string | undefined = strip; at !== undefined && !seen.has(at);) {
    seen.add(at)
    const one: Plan['strips'][string] | undefined = own(strips, at)
    if (one?.strip === undefined)
      return one?.circuit !== undefined && own(circuits, one.circuit) ? one.circuit : undefined
    at = one.strip
  }
  return undefined
}

/** Ids of what hangs on a circuit, by outlets and by strips; of what is gone from the plan too. */
export function hangingOn(plan: Supplied, circuit: string): ReadonlySet<string> {
  const found = new Set(Object.keys(own(plan.circuits, circuit)?.loads ?? {}))
  for (const [id, { loads = {} }] of Object.entries(plan.strips))
    if (circuitOf(plan, id) === circuit) for (const device of Object.keys(loads)) found.add(device)
  return found
}

/** Ids of what hangs on a strip, and on those that are plugged into it; of what is gone from the plan too. */
export function hangingBehind({ strips }: Pick<Plan, 'strips'>, strip: string): ReadonlySet<string> {
  const under = (at: string, seen: ReadonlySet<string>): string[] => [
    ...Object.keys(strips[at]!.loads ?? {}),
    ...Object.entries(strips).flatMap(([id, one]) =>
      one.strip === at && !seen.has(id) ? under(id, new Set([...seen, id])) : [],
    ),
  ]
  return new Set(under(strip, new Set([strip])))
}

/** A strip and those before it, from it to the wall; each once where they form a ring. */
export function stripsTo({ strips }: Pick<Plan, 'strips'>, strip: string): string[] {
  const found: string[] = []
  for (let at: string | undefined = strip; at !== undefined && own(strips, at) && !found.includes(at);) {
    found.push(at)
    at = strips[at]!.strip
  }
  return found
}

/**
 * How long an uninterruptible supply goes on at a draw, min: between two draws of its table in a straight line, below the
 * first as at it, beyond the last by its watt-minutes; without a table by what it holds.
 */
export function minutesAt({ wh, table }: NonNullable<Plan['strips'][string]['keeps']>, drawW: number): number {
  if (drawW <= 0) return Infinity
  if (!table) return ((wh * KEPT_SHARE) / drawW) * 60
  const next = table.findIndex(({ w }) => w >= drawW)
  if (next === 0) return table[0]!.min
  const before = table.at(next < 0 ? -1 : next - 1)!
  if (next < 0) return (before.min * before.w) / drawW
  const after = table[next]!
  return before.min + ((after.min - before.min) * (drawW - before.w)) / (after.w - before.w)
}

/** Every uninterruptible supply of the plan. */
export function keepersOf({ strips, devices, models }: Pick<Plan, 'strips' | 'devices' | 'models'>): Keeper[] {
  return Object.entries(strips).flatMap(([strip, { title, keeps }]): Keeper[] => {
    if (!keeps) return []
    const there = [...hangingBehind({ strips }, strip)].filter(id => own(devices, id))
    const drawW = there.reduce((sum, id) => sum + models[devices[id]!.model]!.watts, 0)
    const largestW = there.reduce((sum, id) => sum + largestDrawOf(models[devices[id]!.model]!), 0)
    const weak = largestW > keeps.mostW
    const minutes = weak ? 0 : minutesAt(keeps, drawW)
    return [{ strip, title, devices: there, drawW, largestW, mostW: keeps.mostW, weak, minutes }]
  })
}

/** Devices that go on for a while when the mains fail. */
export const keptDevices = (plan: Parameters<typeof keepersOf>[0]): ReadonlySet<string> =>
  new Set(keepersOf(plan).flatMap(({ weak, devices }) => (weak ? [] : devices)))
