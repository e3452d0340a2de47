import type { Traced } from '#core/chain'
import { minutesOfDay, powered } from '#core/document'
import { segmentTimes } from '../order/facts'
import { enduranceOf } from './endurance'

/** A change of battery, on the clock, minutes (past midnight they go on). */
export interface Swap {
  /** When the one before is empty. */
  readonly by: number
  /** When to do it: the latest moment before that at which the source is off the air; absent where there is none. */
  readonly at: number | undefined
  /** The segment that is on when it is empty. */
  readonly during: string | undefined
}

interface Stretch {
  readonly from: number
  readonly to: number
  readonly title: string
  /** The segment uses the source. */
  readonly uses: boolean
}

/** The day as stretches of the clock, each with whether the source is used then; empty while a time is open. */
function stretchesOf({ plan }: Traced, device: string): Stretch[] {
  const on = powered(plan.brief)
  if (!on) return []
  const since = minutesOfDay(on.since)
  const onward = (time: string): number => {
    const minutes = minutesOfDay(time)
    return minutes < since ? minutes + 1440 : minutes
  }
  const { rows } = segmentTimes(plan)
  const begun = rows.flatMap(({ segment, begins }) => (begins === undefined ? [] : [{ segment, from: onward(begins) }]))
  if (begun.length === 0 || begun.length < rows.length) return []
  const end = since + on.minutes
  return [
    // What is on before the show is tried out, not shown.
    { from: since, to: begun[0]!.from, title: 'before the show', uses: false },
    ...begun.map(({ segment, from }, i): Stretch => ({
      from,
      to: begun[i + 1]?.from ?? end,
      title: segment.title,
      uses: segment.sources === undefined || segment.sources.includes(device),
    })),
  ]
}

/** Moments of rest that are too short to change a battery and see the picture again, minutes. */
const LEAST_MINUTES = 2

/**
 * When the batteries of a device are changed: each no later than it is empty, and where the running order says so, while
 * its picture is not used; one that goes in early is empty the earlier, so of all ways the one with the fewest changes while
 * it is on. What is changed while it runs needs no such moment.
 */
export function swapsOf(traced: Traced, device: string): Swap[] {
  const one = enduranceOf(traced).find(entry => entry.device === device)
  const on = powered(traced.plan.brief)
  if (!one || !on || one.charged) return []
  const since = minutesOfDay(on.since)
  const end = since + on.minutes
  // A bank keeps the first one full for so long.
  const banked = one.cells.reduce(
    (sum, { kind, hours, fails }) => sum + (kind === 'bank' && !fails ? hours * 60 : 0),
    0,
  )
  const packs = one.cells.flatMap(({ kind, hours, count, fails }) =>
    kind === 'bank' || fails ? [] : Array.from({ length: count }, () => (hours / count) * 60),
  )
  const stretches = stretchesOf(traced, device)
  /** From the battery that went in at `last` on: the fewest changes while it is on, then the fewest at all. */
  const best = (
    i: number,
    last: number,
    early: boolean,
  ): { readonly onAir: number; readonly swaps: readonly Swap[] } => {
    const by = last + packs[i]!
    if (!(by < end)) return { onAir: 0, swaps: [] }
    const during = stretches.find(({ from, to }) => from <= by && by < to)?.title
    // That the last one does not last is told by itself; because it went in early it may not be.
    if (i === packs.length - 1) return { onAir: early ? 2 : 0, swaps: [] }
    const goOn = (at: number | undefined, cost: number) => {
      const rest = best(i + 1, at ?? by, early || (at !== undefined && at < by))
      return { onAir: cost + rest.onAir, swaps: [{ by, at, during }, ...rest.swaps] }
    }
    if (one.hotSwap) return goOn(by, 0)
    const free = stretches
      .map(({ from, to, uses }) => ({ from: Math.max(from, last), to: Math.min(by, to), uses }))
      .findLast(({ from, to, uses }) => !uses && to - from >= LEAST_MINUTES && to - LEAST_MINUTES > last)
    const onAir = goOn(undefined, 1)
    const off = free && goOn(free.to - LEAST_MINUTES, 0)
    return off && (off.onAir < onAir.onAir || (off.onAir === onAir.onAir && off.swaps.length <= onAir.swaps.length))
      ? off
      : onAir
  }
  return packs.length ? [...best(0, since + banked, false).swaps] : []
}
