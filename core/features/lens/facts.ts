import { type Model, opticsOf } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import type { Device, Entry, ShotSize } from '#core/document'
import { fact } from '#core/kernel'
import { figure } from '#core/words'

/** Height of the picture over that of a person who stands. */
const HEIGHTS: Readonly<Record<ShotSize, number>> = {
  wide: 2,
  full: 1.2,
  knees: 0.8,
  waist: 0.55,
  chest: 0.38,
  head: 0.24,
}
const PERSON_M = 1.75
/** A shot that is so much tighter or wider is the same shot. */
const NEAR = 0.05

/** Width of the picture at whom it shows, m: 16/9 of its height. */
export const widthM = (size: ShotSize): number => (16 / 9) * HEIGHTS[size] * PERSON_M

/** f = s D / (W + s), mm: s the width of the picture area, D the distance. */
export const focalMm = (sensorMm: number, m: number, size: ShotSize): number =>
  (sensorMm * m) / (widthM(size) + sensorMm / 1000)

/** D = f (W + s) / s, m. */
export const distanceM = (sensorMm: number, mm: number, size: ShotSize): number =>
  (mm * (widthM(size) + sensorMm / 1000)) / sensorMm

export type Zoom = Pick<Entry<'lenses'>, 'fromMm' | 'toMm'>
export const makes = ({ fromMm, toMm }: Zoom, mm: number): boolean =>
  mm >= fromMm * (1 - NEAR) && mm <= toMm * (1 + NEAR)

/** What a camera needs to show whom it is to show. */
export interface Framed {
  readonly node: DeviceNode
  readonly sensorMm: number
  readonly needMm: number
  /** Its own lens; absent, it takes one of the kit. */
  readonly own?: Zoom
  /** The lens of the kit that it gets; absent, its own makes the shot, or none is left for it. */
  readonly lens?: string
}

/** The width of a camera's picture area and the focal length, mm, that shows whom it is to show; undefined where it is not said. */
export function needed({ aim }: Device, model: Model): Pick<Framed, 'sensorMm' | 'needMm' | 'own'> | undefined {
  const optics = opticsOf(model)
  const sensorMm = aim?.sensorMm ?? optics?.sensorMm
  if (!aim || sensorMm === undefined) return undefined
  return { sensorMm, needMm: focalMm(sensorMm, aim.m, aim.size), ...(optics?.lens ? { own: optics.lens } : {}) }
}

/** Every camera of which it is said what it shows, each with a lens: as many as can have one at the same time get it. */
const framingFact = fact<Traced, readonly Framed[]>('framing', ({ chain, plan }) => {
  const all = [...chain.nodes.values()].flatMap((node): Framed[] => {
    const need = needed(node.device, node.model)
    return need ? [{ node, ...need }] : []
  })
  const lenses = Object.entries(plan.lenses).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
  const given = new Map<string, Framed>()
  const give = (to: Framed, tried: Set<string>): boolean =>
    lenses.some(([id, lens]) => {
      if (tried.has(id) || !makes(lens, to.needMm)) return false
      tried.add(id)
      const other = given.get(id)
      if (other && !give(other, tried)) return false
      given.set(id, to)
      return true
    })
  for (const one of all) if (!one.own) give(one, new Set())
  const lensOf = new Map([...given].map(([id, { node }]) => [node.id, id]))
  return all.map(one => ({ ...one, ...(lensOf.has(one.node.id) ? { lens: lensOf.get(one.node.id)! } : {}) }))
})

export const framing = (traced: Traced): readonly Framed[] => traced.ask(framingFact)

export const isFramed = ({ own, lens, needMm }: Framed): boolean => (own ? makes(own, needMm) : lens !== undefined)

/** What a shot shows, in words. */
export const SHOWN: Readonly<Record<ShotSize, string>> = {
  wide: 'somebody and as much around them',
  full: 'somebody whole',
  knees: 'somebody down to the knees',
  waist: 'somebody down to the waist',
  chest: 'head and shoulders',
  head: 'a head',
}
/** A focal length in words. */
export const mmText = (mm: number): string => `${figure(mm, mm < 20 ? 1 : 0)}\u00A0mm`
