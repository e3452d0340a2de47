import type { Traced } from '#core/chain'
import { fact } from '#core/kernel'
import { type CircuitLoad, circuitsFact } from './circuits'
import { PHASES, type Phase } from './collection'

/** What one phase of a distribution carries. */
export interface PhaseLoad {
  readonly phase: Phase
  readonly circuits: readonly string[]
  readonly drawA: number
  /** With everything at its largest draw at once, A. */
  readonly mostA: number
  /** mostA against the rated current of a phase. */
  readonly share: number
}

export interface DistributionLoad {
  readonly id: string
  readonly title: string
  readonly order: number
  readonly ratedA: number
  readonly phases: readonly PhaseLoad[]
  /** What comes back over the neutral with everything at its largest, A. */
  readonly neutralA: number
  /** Circuits of it of which nobody says the phase: they are in no sum. */
  readonly unsaid: readonly string[]
}

/** Current of the neutral of three phases a third of a turn apart, A: sqrt(a² + b² + c² - ab - bc - ca). */
export const neutralOf = (a: number, b: number, c: number): number =>
  Math.sqrt(Math.max(0, a * a + b * b + c * c - a * b - b * c - c * a))

const sum = (circuits: readonly CircuitLoad[], of: (circuit: CircuitLoad) => number): number =>
  circuits.reduce((all, circuit) => all + of(circuit), 0)

const distributionsFact = fact<Traced, readonly DistributionLoad[]>('distributions', traced => {
  const { circuits } = traced.ask(circuitsFact)
  return Object.entries(traced.plan.distributions)
    .sort(([a, { order: x }], [b, { order: y }]) => x - y || (a < b ? -1 : 1))
    .map(([id, { title, order, amps }]): DistributionLoad => {
      const mine = circuits.filter(({ distribution }) => distribution === id)
      const phases = PHASES.map((phase): PhaseLoad => {
        const on = mine.filter(circuit => circuit.phase === phase)
        const drawA = sum(on, circuit => circuit.drawA)
        const mostA = sum(on, circuit => circuit.mostA)
        return { phase, circuits: on.map(circuit => circuit.id), drawA, mostA, share: mostA / amps }
      })
      const [a, b, c] = phases.map(({ mostA }) => mostA) as [number, number, number]
      const unsaid = mine.filter(({ phase }) => phase === undefined).map(circuit => circuit.id)
      return { id, title, order, ratedA: amps, phases, neutralA: neutralOf(a, b, c), unsaid }
    })
})

/** What each phase of each distribution carries. Linear in circuits. */
export const distributionsOf = (traced: Traced): readonly DistributionLoad[] => traced.ask(distributionsFact)

/** The phase that is nearest to what it bears. */
export const fullestOf = ({ phases }: DistributionLoad): PhaseLoad =>
  phases.reduce((most, one) => (one.share > most.share ? one : most))
