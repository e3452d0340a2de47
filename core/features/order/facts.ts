import { type Plan, type Segment, minutesOfDay, showMinutes } from '#core/document'
import { segmentsOf } from '#core/run'
import { clockOf } from '#core/words'

export interface SegmentTime {
  readonly id: string
  readonly segment: Segment
  /** On the clock, "19:40"; absent while the start or the length of anything before is open. */
  readonly begins?: string
}

/**
 * When each segment begins, and when the last one ends: the time that is fixed for it, else the brief's start and the
 * lengths before it added up.
 */
export function segmentTimes(plan: Pick<Plan, 'segments' | 'brief'>): {
  readonly rows: readonly SegmentTime[]
  /** On the clock; absent while a length is open. */
  readonly ends?: string
  /** Minutes by which the segments go on after the end that the brief gives; below 0, what they leave of the show. */
  readonly over?: number
} {
  const { start } = plan.brief
  let at = start === undefined ? undefined : minutesOfDay(start)
  let sum: number | undefined = 0
  const rows = segmentsOf(plan).map(([id, segment]): SegmentTime => {
    if (segment.at !== undefined) at = minutesOfDay(segment.at)
    const row = { id, segment, ...(at === undefined ? {} : { begins: clockOf(at) }) }
    at = at === undefined || segment.minutes === undefined ? undefined : at + segment.minutes
    sum = sum === undefined || segment.minutes === undefined ? undefined : sum + segment.minutes
    return row
  })
  const show = showMinutes(plan.brief)
  return {
    rows,
    ...(at === undefined || rows.length === 0 ? {} : { ends: clockOf(at) }),
    ...(show === undefined || sum === undefined || rows.length === 0 ? {} : { over: sum - show }),
  }
}
