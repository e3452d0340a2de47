import type { Traced } from '#core/chain'
import { type Edit, setEdit } from '#core/document'
import { SAFE_SHARE, circuitsFact, currentOf, voltsOf } from './circuits'

/** What hangs on nothing, hung by its place. */
export interface Laid {
  readonly edits: readonly Edit[]
  /** Devices that are hung by them. */
  readonly hung: number
  /** Names of those that no circuit at their place has room for, or whose place has none. */
  readonly left: readonly string[]
}

/**
 * Hangs each device that lives on the mains and hangs on nothing on a circuit with outlets at its place: the heaviest
 * first, each on the circuit that is the least full with it, and on none above what is safe for hours. What hangs already
 * stays. Linear in devices times circuits.
 */
export function layByPlace(traced: Traced): Laid {
  const { plan } = traced
  const { circuits, loose, mains } = traced.ask(circuitsFact)
  const volts = voltsOf(mains)
  const mostA = new Map(circuits.map(one => [one.id, one.mostA]))
  const edits: Edit[] = []
  const left: string[] = []
  const heaviest = [...loose].sort((a, b) => (b.mostWatts ?? 0) - (a.mostWatts ?? 0) || (a.device < b.device ? -1 : 1))
  for (const { device, name, mostWatts } of heaviest) {
    const place = plan.devices[device]!.place
    const amps = currentOf(mostWatts ?? 0, volts)
    const [best] = circuits
      .filter(({ places }) => place !== undefined && places.includes(place))
      .map(({ id, ratedA }) => ({ id, share: (mostA.get(id)! + amps) / ratedA }))
      .filter(({ share }) => share <= SAFE_SHARE)
      .sort((a, b) => a.share - b.share)
    if (!best) {
      left.push(name)
      continue
    }
    mostA.set(best.id, mostA.get(best.id)! + amps)
    edits.push(setEdit(['circuits', best.id, 'loads', device], true))
  }
  return { edits, hung: edits.length, left }
}
