import { slowestMs, type Traced } from '#core/chain'
import { count, delay, type Measure } from '#core/kernel'

/** The largest change of a run's typical delay, ms. */
function largestShift(before: Traced, after: Traced): number {
  const delays = new Map(before.runs.map(run => [run.id, run.links.at(-1)!.signal?.delay.typ]))
  return after.runs
    .map(run => (run.links.at(-1)!.signal?.delay.typ ?? NaN) - (delays.get(run.id) ?? NaN))
    .filter(Number.isFinite)
    .reduce((largest, shift) => (Math.abs(shift) > Math.abs(largest) ? shift : largest), 0)
}

export const MEASURES: readonly Measure<Traced>[] = [
  {
    id: 'arrive',
    title: 'Pictures that arrive',
    of: ({ pictures }) => pictures.filter(({ lit }) => lit).length,
    quantity: count,
    screen: 'runs',
  },
  { id: 'wanted', title: 'Pictures wanted', of: ({ pictures }) => pictures.length, quantity: count, screen: 'runs' },
  {
    id: 'delay',
    title: 'Slowest picture',
    of: ({ trace }) => slowestMs(trace),
    change: largestShift,
    quantity: delay,
    screen: 'runs',
  },
]
