import { mixOf } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { own } from '#core/document'
import type { MixState, ShowState, Stores } from './state'

/** How many stills a switcher holds at once. */
export const storeCount = ({ model }: DeviceNode): number => mixOf(model)?.stills ?? 0

/** Overlays that a switcher makes from a still of its own, in the plan's order. */
export const ownStills = ({ plan }: Pick<Traced, 'plan'>, device: string): string[] =>
  Object.entries(plan.overlays)
    .filter(([, { fill }]) => fill === device)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([id]) => id)

/** What stands in its stores: as it was loaded, else the first of its own overlays, as many as there is room for. */
export const storesOf = (traced: Pick<Traced, 'plan'>, node: DeviceNode, mix: MixState | undefined): Stores =>
  mix?.stores ??
  Object.fromEntries(
    ownStills(traced, node.id)
      .slice(0, storeCount(node))
      .map((id, i) => [String(i + 1), id]),
  )

/** A still that must be in a store before it can be seen. */
export interface Load {
  readonly device: string
  readonly store: string
  readonly overlay: string
}

/**
 * What must be loaded before a state can be seen: into stores of which neither state shows anything, empty ones first.
 * Where there is none, that still is left out, and the state shows that it is not there.
 */
export function loadsBetween(traced: Traced, old: ShowState, next: ShowState): Load[] {
  return Object.entries(next.mixers).flatMap(([device, mix]): Load[] => {
    const node = traced.chain.nodes.get(device)
    const mine = new Set(ownStills(traced, device))
    if (!node || mine.size <= storeCount(node)) return []
    const stores = storesOf(traced, node, own(old.mixers, device))
    const lit = Object.values(mix.keys).filter(id => mine.has(id))
    const seen = new Set([...lit, ...Object.values(own(old.mixers, device)?.keys ?? {})])
    const free = Array.from({ length: storeCount(node) }, (_, i) => String(i + 1))
      .filter(store => !seen.has(own(stores, store) ?? ''))
      .sort((a, b) => Number(own(stores, a) !== undefined) - Number(own(stores, b) !== undefined))
    return [...new Set(lit)]
      .filter(id => !Object.values(stores).includes(id))
      .flatMap(overlay => {
        const store = free.shift()
        return store === undefined ? [] : [{ device, store, overlay }]
      })
  })
}

/** A state as it can be seen, coming from another: with the stills loaded that it needs. */
export const readied = (traced: Traced, old: ShowState, next: ShowState): ShowState =>
  loaded(traced, next, loadsBetween(traced, old, next))

/** The state with some stills loaded. */
export function loaded(traced: Traced, state: ShowState, loads: readonly Load[]): ShowState {
  const mixers = { ...state.mixers }
  for (const { device, store, overlay } of loads) {
    const mix = own(mixers, device)
    const node = traced.chain.nodes.get(device)
    if (mix && node) mixers[device] = { ...mix, stores: { ...storesOf(traced, node, mix), [store]: overlay } }
  }
  return { ...state, mixers }
}
