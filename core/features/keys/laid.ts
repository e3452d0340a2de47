import { type Keyer, mixOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, lastSwitchers, runInto } from '#core/chain'
import type { Overlay } from '#core/document'
import { fact } from '#core/kernel'
import { fillInput, linkTo, momentsOf } from '#core/run'

/** An overlay as the plan can show it. */
export interface Laid {
  readonly id: string
  readonly overlay: Overlay
  /** The switcher that lays it over; absent where the plan has none. */
  readonly node: DeviceNode | undefined
  /** The input by which its picture comes there. */
  readonly input: string | undefined
  /** The feeder whose link it comes by; absent, it has an input of its own. */
  readonly feeder: string | undefined
  /** Keyers there that can cut it out, 1, 2 ...; undefined where the data sheet does not say what keyers it has. */
  readonly keyers: readonly number[] | undefined
}

export const keyersOf = (node: DeviceNode): readonly Keyer[] | undefined => mixOf(node.model)?.keyers

/** The switcher that an overlay is meant to lie over: the one it names, else the last. */
export function placeOf(traced: Traced, { over, fill, output }: Overlay): DeviceNode | undefined {
  const named = over === undefined ? undefined : traced.chain.nodes.get(over)
  if (named && isSwitcher(named)) return named
  const last = lastSwitchers(traced)
  return last.find(node => fillInput(traced, node, fill, output) !== undefined) ?? last[0]
}

const laidFact = fact<Traced, readonly Laid[]>('overlays', traced =>
  Object.entries(traced.plan.overlays)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([id, overlay]): Laid => {
      const node = placeOf(traced, overlay)
      const tied = overlay.kind === 'box' ? node?.model.inset : undefined
      const input = node && (fillInput(traced, node, overlay.fill, overlay.output) ?? tied)
      const feeder =
        node &&
        input !== undefined &&
        runInto(traced, { device: node.id, port: input })?.origin?.device !== overlay.fill
          ? linkTo(traced, { device: node.id, port: input }, overlay.fill)
          : undefined
      const keyers = node && keyersOf(node)
      return {
        id,
        overlay,
        node,
        input,
        feeder,
        keyers: keyers?.flatMap(({ kinds }, i) => (kinds.includes(overlay.kind) ? [i + 1] : [])),
      }
    }),
)

/** All overlays of the plan in their order. */
export const allLaid = (traced: Traced): readonly Laid[] => traced.ask(laidFact)

/** The overlays that the segment which is looked at uses, or that one of its looks lights; without a segment, all. */
export function laidIn(traced: Traced): readonly Laid[] {
  const segment = traced.scoped('segment')
  const lit = segment === undefined ? undefined : litIn(traced)
  return traced
    .ask(laidFact)
    .filter(
      ({ id, overlay: { segments } }) =>
        segment === undefined || !segments || segments.includes(segment) || lit!.has(id),
    )
}

/** What uses one keyer for another's work: the same picture, cut out in the same way. */
export const useOf = ({ overlay: { fill, output, key, kind, box }, node }: Laid): string =>
  JSON.stringify([node?.id, fill, output, key, kind, box])

/**
 * Overlays that are used in the same segment, each in a keyer of its own: the largest set that the keyers can take, the
 * earlier ones first (augmenting paths: none that is placed is lost for a later one). Overlays of one picture, cut out
 * in one way, share their keyer.
 */
export function assigned(laid: readonly Laid[]): ReadonlyMap<string, number> {
  const uses = new Map<string, Laid[]>()
  for (const one of laid) if (one.node && one.keyers) uses.set(useOf(one), [...(uses.get(useOf(one)) ?? []), one])
  const holders = new Map<string, string>()
  const keyersFor = (use: string) => uses.get(use)![0]!
  const place = (use: string, tried: Set<string>): boolean => {
    const { node, keyers } = keyersFor(use)
    return keyers!.some(number => {
      const slot = `${node!.id}/${number}`
      if (tried.has(slot)) return false
      tried.add(slot)
      const there = holders.get(slot)
      if (there !== undefined && !place(there, tried)) return false
      holders.set(slot, use)
      return true
    })
  }
  for (const use of uses.keys()) place(use, new Set())
  return new Map(
    [...holders].flatMap(([slot, use]) =>
      uses.get(use)!.map(({ id }): [string, number] => [id, Number(slot.slice(slot.lastIndexOf('/') + 1))]),
    ),
  )
}

/** Overlays that the looks of the scope put into a keyer, by overlay: where. */
export function litIn(
  traced: Traced,
): ReadonlyMap<string, readonly { readonly device: string; readonly keyer: string }[]> {
  const found = new Map<string, { device: string; keyer: string }[]>()
  for (const { state } of momentsOf(traced))
    for (const [device, { keys }] of Object.entries(state.mixers))
      for (const [keyer, overlay] of Object.entries(keys)) {
        const there = found.get(overlay) ?? []
        if (!there.some(one => one.device === device && one.keyer === keyer)) there.push({ device, keyer })
        found.set(overlay, there)
      }
  return found
}

/** Whether the run's own socket of a source carries more than one kind of content: full, and as the fill of a key. */
export const isCaption = ({ kind }: Overlay): boolean => kind === 'luma' || kind === 'linear' || kind === 'chroma'

/** Sources whose pictures come to where an overlay lies, straight or through switchers before it; not its own. */
export function sourcesUnder({ runs }: Traced, { node, overlay }: Pick<Laid, 'node' | 'overlay'>): string[] {
  if (!node) return []
  const under = new Set<string>()
  const reached = new Set([node.id])
  // What is added while this runs is gone through too.
  for (const at of reached)
    for (const { lit, beside, end, origin } of runs)
      if (lit && !beside && end?.device === at && origin && origin.device !== overlay.fill) {
        under.add(origin.device)
        reached.add(origin.device)
      }
  return [...under]
}
