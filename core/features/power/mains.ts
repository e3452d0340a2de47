import { inletOf, largestDrawOf } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { hangingBehind, own, stripsTo, type Plan } from '#core/document'
import { currentOf, voltsOf } from './circuits'
import type { Socket } from './collection'
import { fedByPoe } from './poe'

/** Resistance of copper, ohm mm² a metre. */
export const COPPER = 0.0178
/** Cross-sections that leads are sold in, mm². */
export const SECTIONS = [0.5, 0.75, 1, 1.5, 2.5, 4, 6] as const

/** What a flexible lead of a section bears, A, the thinnest first (EN 50565-1, flexible cords of two loaded conductors). */
const BEARS_A = [
  [0.5, 3],
  [0.75, 6],
  [1, 10],
  [1.5, 16],
  [2.5, 25],
  [4, 32],
  [6, 40],
] as const
/** Of the largest section of the table that is no thicker; below its first, A for its mm². */
export const leadBearsA = (mm2: number): number => {
  const known = BEARS_A.findLast(([section]) => section <= mm2)
  return known ? known[1] : (mm2 / BEARS_A[0][0]) * BEARS_A[0][1]
}

const mostW = ({ devices, models }: Plan, device: string): number => largestDrawOf(models[devices[device]!.model]!)

/** What hangs behind a strip at its largest draw, all at once, W. */
export const stripMostW = (plan: Plan, strip: string): number =>
  [...hangingBehind(plan, strip)].reduce((sum, id) => sum + (own(plan.devices, id) ? mostW(plan, id) : 0), 0)

/** What a lead takes: 2 L x 0.0178 / A x I, V, with the current of what hangs behind it at its largest draw. */
export const leadDropV = (lead: { readonly m: number; readonly mm2: number }, watts: number, volts: number): number =>
  ((2 * lead.m * COPPER) / lead.mm2) * currentOf(watts, volts)

/** A device on the mains and what of it arrives. */
export interface MainsFed {
  readonly node: DeviceNode
  readonly range: { readonly minV: number; readonly maxV: number }
  /** Of the house, or of the last transformer before it. */
  readonly houseV: number
  /** What of it is left behind the leads of the strips before it, V. */
  readonly thereV: number
  /** The strips before it, from it to the wall. */
  readonly strips: readonly string[]
}

/** Devices that hang on a circuit or a strip and say which mains they take. Linear in devices times strips. */
export function mainsFed(traced: Traced): MainsFed[] {
  const { plan, chain } = traced
  // Without a word about the mains of the house nothing is known of its volts.
  if (plan.brief.mains === undefined) return []
  const houseV = voltsOf(plan.brief.mains)
  const drops = new Map(
    Object.entries(plan.strips).map(([id, { lead }]) => [id, lead ? leadDropV(lead, stripMostW(plan, id), houseV) : 0]),
  )
  const onStrip = new Map(
    Object.entries(plan.strips).flatMap(([id, { loads = {} }]) => Object.keys(loads).map(device => [device, id])),
  )
  const otherwise = new Set([
    ...fedByPoe(traced),
    ...Object.values(plan.batteries).flatMap(({ loads = {} }) => Object.keys(loads)),
  ])
  return [...chain.nodes.values()].flatMap((node): MainsFed[] => {
    const range = inletOf(node.model)
    if (!range || node.device.dc || otherwise.has(node.id)) return []
    const strip = onStrip.get(node.id)
    const strips = strip === undefined ? [] : stripsTo(plan, strip)
    let [fromV, thereV] = [houseV, houseV]
    for (const id of strips.toReversed()) {
      thereV -= drops.get(id)!
      const { givesV } = plan.strips[id]!
      if (givesV !== undefined) [fromV, thereV] = [givesV, givesV]
    }
    return [{ node, range, houseV: fromV, thereV, strips }]
  })
}

/** A plug that does not go into the socket that it is planned for. */
export interface Misfit {
  readonly on: 'circuit' | 'strip'
  readonly id: string
  readonly circuit: string
  readonly plug: Socket
  readonly socket: Socket
  /** Devices that are plugged straight into it. */
  readonly devices: readonly string[]
}

/** Strips and devices whose plugs do not fit what they are plugged into. Linear in strips and loads. */
export function misfits({ plan }: Traced): Misfit[] {
  const bare = Object.entries(plan.circuits).flatMap(([id, { socket = 'household', loads = {} }]): Misfit[] => {
    const devices = Object.keys(loads).filter(device => own(plan.devices, device))
    return socket !== 'household' && devices.length
      ? [{ on: 'circuit', id, circuit: id, plug: 'household', socket, devices }]
      : []
  })
  const strips = Object.entries(plan.strips).flatMap(([id, { plug = 'household', circuit, strip }]): Misfit[] => {
    const into = strip === undefined ? own(plan.circuits, circuit ?? '') : undefined
    const socket = strip !== undefined && own(plan.strips, strip) ? 'household' : into && (into.socket ?? 'household')
    return socket !== undefined && socket !== plug
      ? [{ on: 'strip', id, circuit: circuit ?? '', plug, socket, devices: [] }]
      : []
  })
  return [...bare, ...strips]
}
