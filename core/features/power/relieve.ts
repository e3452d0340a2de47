import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { Draft, type Proposal } from '#core/propose'
import { type CircuitLoad, SAFE_SHARE, circuitsFact, currentOf, voltsOf } from './circuits'
import type { Strip } from './collection'
import { distributionsOf } from './phases'

/** Off everything that a device hangs on, and onto a circuit. */
export function moveTo(draft: Draft, device: string, circuit: string | undefined): void {
  const { circuits, strips } = draft.plan
  for (const id of Object.keys(circuits))
    if (circuits[id]!.loads?.[device]) draft.set(['circuits', id, 'loads', device])
  for (const id of Object.keys(strips)) if (strips[id]!.loads?.[device]) draft.set(['strips', id, 'loads', device])
  if (circuit !== undefined) draft.set(['circuits', circuit, 'loads', device], true)
}

/** A new strip on a circuit, behind those that are there, with a plug that goes into its socket. */
export function addStrip(
  draft: Draft,
  circuit: string,
  title: string,
  strip: Pick<Strip, 'switched' | 'givesV' | 'loads'>,
): void {
  const { circuits, strips } = draft.plan
  const { socket } = circuits[circuit]!
  draft.add('strips', 'strip', {
    title: title.slice(0, 120),
    order: 1 + Math.max(0, ...Object.values(strips).map(({ order }) => order)),
    circuit,
    ...(socket === undefined ? {} : { plug: socket }),
    ...strip,
  })
}

/** What a circuit may still take for hours, A: by itself, and on its phase. */
function roomOf(traced: Traced, { id, ratedA, mostA, distribution, phase }: CircuitLoad): number {
  const mine = ratedA * SAFE_SHARE - mostA
  const feed = distributionsOf(traced).find(one => one.id === distribution)
  const on = feed?.phases.find(one => one.phase === phase && one.circuits.includes(id))
  return feed && on ? Math.min(mine, feed.ratedA * SAFE_SHARE - on.mostA) : mine
}

/**
 * The smallest load that alone takes `needsA` off and that `roomA` has room for; else as few as do, the heaviest first;
 * undefined where none do.
 */
function chosen(traced: Traced, from: readonly CircuitLoad[], needsA: number, roomA: number): string[] | undefined {
  const volts = voltsOf(traced.plan.brief.mains)
  const moved: string[] = []
  let sum = 0
  const loads = from.flatMap(({ loads: all }) => all).sort((a, b) => (b.mostWatts ?? 0) - (a.mostWatts ?? 0))
  const alone = loads.findLast(({ mostWatts = 0 }) => {
    const a = currentOf(mostWatts, volts)
    return a >= needsA && a <= roomA
  })
  if (alone) return [alone.device]
  for (const { device, mostWatts = 0 } of loads) {
    const a = currentOf(mostWatts, volts)
    if (sum >= needsA || sum + a > roomA) continue
    moved.push(device)
    sum += a
  }
  return sum >= needsA && moved.length ? moved : undefined
}

/** Loads of circuits moved to others, the emptiest first, or to a new one of the house, so that `needsA` less are drawn. */
export function relieved(traced: Traced, ids: readonly string[], needsA: number): Proposal[] {
  const { circuits } = traced.ask(circuitsFact)
  const from = circuits.filter(({ id }) => ids.includes(id))
  const phaseOf = ({ distribution, phase }: CircuitLoad): string | undefined =>
    distribution === undefined || phase === undefined ? undefined : `${distribution} ${phase}`
  const worst = from[0] && phaseOf(from[0])
  const move = (moved: readonly string[], to: CircuitLoad | undefined): Proposal => {
    const draft = new Draft(traced.plan)
    if (!to)
      draft.add('circuits', 'another circuit', {
        title: 'Another circuit',
        order: 1 + Math.max(...circuits.map(({ order }) => order)),
        amps: Math.max(...from.map(({ ratedA }) => ratedA)),
        loads: Object.fromEntries(moved.map(device => [device, true as const])),
      })
    for (const device of moved) moveTo(draft, device, to?.id)
    const names = moved.map(device => own(traced.plan.devices, device)!.name).join(', ')
    const title = `Plug ${names} into ${to?.title ?? 'another circuit of the house'}`.slice(0, 120)
    return { title, edits: draft.edits }
  }
  const others = circuits
    .filter(one => !ids.includes(one.id) && (ids.length === 1 || phaseOf(one) !== worst))
    .sort((a, b) => a.share - b.share)
    .flatMap(to => {
      const moved = chosen(traced, from, needsA, roomOf(traced, to))
      return moved ? [move(moved, to)] : []
    })
  const ratedA = Math.max(...from.map(one => one.ratedA))
  const fresh = chosen(traced, from, needsA, ratedA * SAFE_SHARE)
  return [...others, ...(fresh ? [move(fresh, undefined)] : [])]
}
