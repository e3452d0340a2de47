import { inrushOf } from '#core/catalog'
import type { Traced } from '#core/chain'
import { circuitOf, hangingBehind, hangingOn, own } from '#core/document'
import { TRIPS, type Trips } from './collection'

/** What one switch closes at once. */
export interface Closing {
  readonly on: 'circuit' | 'strip'
  readonly id: string
  readonly title: string
  /** The circuit whose protection it strikes. */
  readonly circuit: string
  /** Devices whose inrush is known, the largest first, A. */
  readonly devices: readonly { readonly device: string; readonly a: number }[]
  readonly inrushA: number
  /** The longest of them, ms. */
  readonly ms: number
  /** Devices of which nobody says the inrush: they are not in the sum. */
  readonly unknown: number
  readonly trips: Trips
  /** What the protection bears for an instant, A. */
  readonly bearsA: number
}

/** Class of a protection of which nobody says one: the usual of a house. */
const USUAL: Trips = 'c'

/**
 * What each switch of a circuit or a strip closes at once, against what the protection before it bears for an instant. A
 * strip that switches in turn closes one after another, whatever is before it. Linear in strips times devices.
 */
export function closingsOf({ plan }: Traced): Closing[] {
  const inTurn = new Set(
    Object.entries(plan.strips).flatMap(([id, { switched }]) =>
      switched === 'in-turn' ? [...hangingBehind(plan, id)] : [],
    ),
  )
  const closing = (
    on: Closing['on'],
    id: string,
    title: string,
    circuit: string,
    ids: ReadonlySet<string>,
  ): Closing => {
    const there = [...ids].filter(device => own(plan.devices, device) && !inTurn.has(device))
    const drawing = there.filter(device => plan.models[plan.devices[device]!.model]!.watts > 0)
    const known = drawing
      .flatMap(device => {
        const inrush = inrushOf(plan.models[plan.devices[device]!.model]!)
        return inrush ? [{ device, ...inrush }] : []
      })
      .sort((a, b) => b.a - a.a || (a.device < b.device ? -1 : 1))
    const { amps, trips = USUAL } = plan.circuits[circuit]!
    return {
      on,
      id,
      title,
      circuit,
      devices: known.map(({ device, a }) => ({ device, a })),
      inrushA: known.reduce((all, { a }) => all + a, 0),
      ms: Math.max(0, ...known.map(({ ms }) => ms)),
      unknown: drawing.length - known.length,
      trips,
      bearsA: amps * TRIPS[trips],
    }
  }
  return [
    ...Object.entries(plan.circuits).flatMap(([id, { title, switched }]) =>
      switched ? [closing('circuit', id, title, id, hangingOn(plan, id))] : [],
    ),
    ...Object.entries(plan.strips).flatMap(([id, { title, switched }]) => {
      const circuit = circuitOf(plan, id)
      return switched === 'at-once' && circuit !== undefined
        ? [closing('strip', id, title, circuit, hangingBehind(plan, id))]
        : []
    }),
  ]
}
