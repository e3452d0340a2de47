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
 * its picture is not used. What is changed while it runs, or hangs on no source, needs no such moment.
 */
export function swapsOf(traced: Traced, device: string): Swap[] {
  const one = enduranceOf(traced).find(entry => entry.device === device)
  if (!one || one.charged) return []
  const stretches = stretchesOf(traced, device)
  let last = -Infinity
  return one.swaps.map((by): Swap => {
    const during = stretches.find(({ from, to }) => from <= by && by < to)
    const free = stretches.filter(
      ({ from, to, uses }) => !uses && to > last && Math.min(by, to) - Math.max(from, last) >= LEAST_MINUTES,
    )
    const latest = free.at(-1)
    const at = one.hotSwap ? by : latest && Math.min(by, latest.to) - LEAST_MINUTES
    if (at !== undefined) last = at
    return { by, at, during: during?.title }
  })
}
