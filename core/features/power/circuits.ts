import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { fact } from '#core/kernel'
import { fedByPoe } from './poe'
import { mainsOf, type MainsId } from '#core/signal'

/** Power factor of small supplies without correction (typical): what a volt and an ampere bring in watts is less. */
export const POWER_FACTOR = 0.6
/** Share of its rating above which a circuit is no longer safe for hours of continuous load (typical). */
export const SAFE_SHARE = 0.8

export interface Load {
  readonly device: string
  readonly name: string
  /** Typical draw, W; absent where the model does not say. */
  readonly watts: number | undefined
}

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
  /** drawA against ratedA. */
  readonly share: number
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

/** 230 V until the brief says otherwise: told as an assumption wherever it is used. */
const ASSUMED: MainsId = '230v-50hz'
export const voltsOf = (mains: MainsId | undefined): number => mainsOf(mains ?? ASSUMED).volts

/** What each circuit carries. Linear in devices and loads. */
export const circuitsFact = fact<Traced, Circuits>('circuits', traced => {
  const { plan } = traced
  const overLead = fedByPoe(traced)
  const { devices, models, circuits } = plan
  const { mains } = plan.brief
  const volts = voltsOf(mains)
  const loadOf = (device: string): Load => {
    const { name, model } = devices[device]!
    return { device, name, watts: models[model]!.watts }
  }
  const times = new Map<string, number>()
  const list = Object.entries(circuits)
    .sort(([a, { order: x }], [b, { order: y }]) => x - y || (a < b ? -1 : 1))
    .map(([id, { title, order, amps, loads = {} }]): CircuitLoad => {
      const there = Object.keys(loads).filter(device => own(devices, device))
      for (const device of there) times.set(device, (times.get(device) ?? 0) + 1)
      const known = there.map(loadOf).sort((a, b) => (b.watts ?? 0) - (a.watts ?? 0) || (a.name < b.name ? -1 : 1))
      const watts = known.reduce((sum, load) => sum + (load.watts ?? 0), 0)
      const drawA = currentOf(watts, volts)
      const unknown = known.filter(load => load.watts === undefined).length
      return { id, title, order, ratedA: amps, loads: known, watts, drawA, share: drawA / amps, unknown }
    })
  const onMains = Object.keys(devices).filter(id => models[devices[id]!.model]!.supply === 'mains')
  return {
    mains,
    circuits: list,
    loose: onMains.filter(id => !times.has(id) && !overLead.has(id)).map(loadOf),
    twice: [...times].filter(([, count]) => count > 1).map(([id]) => loadOf(id)),
  }
})
