import { largestDrawOf, type Model } from '#core/catalog'
import type { Traced } from '#core/chain'
import { circuitOf, hangingOn, own, keepersOf } from '#core/document'
import { fact } from '#core/kernel'
import { fedByPoe } from './poe'
import type { Phase } from './collection'
import { mainsOf, type MainsId } from '#core/signal'

/** 230 V until the brief says otherwise: told as an assumption wherever it is used. */
const ASSUMED: MainsId = '230v-50hz'
export const voltsOf = (mains: MainsId | undefined): number => mainsOf(mains ?? ASSUMED).volts

/** Power factor of small supplies without correction (typical): what a volt and an ampere bring in watts is less. */
export const POWER_FACTOR = 0.6
/** Share of its rating above which a circuit is no longer safe for hours of continuous load (typical). */
export const SAFE_SHARE = 0.8

/** All that is drawn becomes heat: BTU an hour for a watt. */
export const BTU_H_PER_W = 3.412

export interface Load {
  readonly device: string
  readonly name: string
  /** Typical draw, W; absent where the model does not say. */
  readonly watts: number | undefined
  /** The most that it draws, W; as `watts` where the model does not say. */
  readonly mostWatts: number | undefined
  /** Current that leaks to earth, mA, typical. */
  readonly leakMa: number
  /** The strip that it hangs on. */
  readonly strip?: string
}

/** Leakage of a small supply, and of a computer or screen, mA (typical). */
const LEAK_MA = { small: 0.5, large: 1 } as const
const leakOf = ({ supply, kind }: Model): number =>
  supply !== 'mains'
    ? 0
    : kind === 'computer' || kind === 'screen' || kind === 'projector'
      ? LEAK_MA.large
      : LEAK_MA.small

export interface CircuitLoad {
  readonly id: string
  readonly title: string
  readonly order: number
  readonly ratedA: number
  /** The heaviest first. */
  readonly loads: readonly Load[]
  readonly watts: number
  /** Current that the loads draw together, A, with the power factor of small supplies. */
  readonly drawA: number
  /** The same with everything at its largest draw at once, W and A. */
  readonly mostWatts: number
  readonly mostA: number
  readonly leakMa: number
  /** The residual-current protection that it lies behind. */
  readonly residual: string | undefined
  readonly places: readonly string[]
  readonly strips: readonly {
    readonly id: string
    readonly title: string
    readonly into: string | undefined
    /** It goes on without mains: how long, min, with what hangs on it; 0 where that is too much for it. */
    readonly keptMinutes: number | undefined
  }[]
  /** mostA against ratedA: continuous load is judged on the largest stated draw. */
  readonly share: number
  /** The three-phase distribution that it comes from, where that is in the plan, and on which phase. */
  readonly distribution: string | undefined
  readonly phase: Phase | undefined
  /** Loads of which nobody knows the draw; they are not in the sum. */
  readonly unknown: number
}

export interface Circuits {
  /** Undefined until the brief says which mains it is. */
  readonly mains: MainsId | undefined
  readonly circuits: readonly CircuitLoad[]
  /** Devices that live on the mains and hang on no circuit, and loads that hang on two. */
  readonly loose: readonly Load[]
  readonly twice: readonly Load[]
}

/** I = P / (V x power factor), A. */
export const currentOf = (watts: number, volts: number): number => watts / (volts * POWER_FACTOR)

/** What each circuit carries. Linear in devices and loads. */
export const circuitsFact = fact<Traced, Circuits>('circuits', traced => {
  const { plan } = traced
  const overLead = fedByPoe(traced)
  const { devices, models, circuits } = plan
  const { mains } = plan.brief
  const volts = voltsOf(mains)
  const loadOf = (device: string): Load => {
    const { name, model } = devices[device]!
    const { watts } = models[model]!
    const strip = onStrip.get(device)
    return {
      device,
      name,
      watts,
      mostWatts: largestDrawOf(models[model]!),
      leakMa: leakOf(models[model]!),
      ...(strip === undefined ? {} : { strip }),
    }
  }
  const onStrip = new Map(
    Object.entries(plan.strips).flatMap(([id, { loads = {} }]) => Object.keys(loads).map(device => [device, id])),
  )
  const keepers = keepersOf(plan)
  const stripsOn = (circuit: string): CircuitLoad['strips'] =>
    Object.entries(plan.strips)
      .filter(([id]) => circuitOf(plan, id) === circuit)
      .sort(([a, { order: x }], [b, { order: y }]) => x - y || (a < b ? -1 : 1))
      .map(([id, { title, strip }]) => ({
        id,
        title,
        into: strip,
        keptMinutes: keepers.find(one => one.strip === id)?.minutes,
      }))
  const times = new Map<string, number>()
  const list = Object.entries(circuits)
    .sort(([a, { order: x }], [b, { order: y }]) => x - y || (a < b ? -1 : 1))
    .map(([id, { title, order, amps, residual, distribution, phase, places = [] }]): CircuitLoad => {
      const there = [...hangingOn(plan, id)].filter(device => own(devices, device))
      for (const device of there) times.set(device, (times.get(device) ?? 0) + 1)
      const known = there.map(loadOf).sort((a, b) => (b.watts ?? 0) - (a.watts ?? 0) || (a.name < b.name ? -1 : 1))
      const watts = known.reduce((sum, load) => sum + (load.watts ?? 0), 0)
      const drawA = currentOf(watts, volts)
      const unknown = known.filter(load => load.watts === undefined).length
      const mostWatts = known.reduce((sum, load) => sum + (load.mostWatts ?? 0), 0)
      const mostA = currentOf(mostWatts, volts)
      return {
        id,
        title,
        order,
        ratedA: amps,
        loads: known,
        watts,
        drawA,
        mostWatts,
        mostA,
        leakMa: known.reduce((sum, load) => sum + load.leakMa, 0),
        residual,
        places,
        strips: stripsOn(id),
        share: mostA / amps,
        distribution: distribution !== undefined && own(plan.distributions, distribution) ? distribution : undefined,
        phase,
        unknown,
      }
    })
  // Whoever is far away draws nothing here.
  const onMains = Object.keys(devices).filter(id => {
    const { supply, watts } = models[devices[id]!.model]!
    return supply === 'mains' && watts !== 0
  })
  return {
    mains,
    circuits: list,
    loose: onMains.filter(id => !times.has(id) && !overLead.has(id)).map(loadOf),
    twice: [...times].filter(([, count]) => count > 1).map(([id]) => loadOf(id)),
  }
})
