import { carriesPicture, portsOf, isSink } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher } from '#core/chain'

/** As the plan orders devices, ties by id. */
export const byOrder = (a: DeviceNode, b: DeviceNode): number =>
  a.device.order - b.device.order || (a.id < b.id ? -1 : 1)

/** Which switcher feeds which, and which may. */
export interface Cascade {
  readonly order: readonly DeviceNode[]
  /** Switchers whose program is what is shown. */
  readonly roots: ReadonlySet<string>
  /** By feeder: the switchers that it may feed. */
  readonly parents: ReadonlyMap<string, readonly string[]>
  /** The root to which a switcher belongs. */
  readonly treeOf: (switcher: string) => string | undefined
}

/** The switchers in the order of the light from its end: what is shown first, then what feeds it. */
export function cascadeOf({ chain, runs }: Traced): Cascade {
  const switchers = [...chain.nodes.values()].filter(isSwitcher)
  const next = new Map<string, string>()
  for (const run of runs) {
    if (run.beside || !run.origin || !run.end || next.has(run.origin.device)) continue
    const [from, to] = [chain.nodes.get(run.origin.device)!, chain.nodes.get(run.end.device)!]
    if (isSwitcher(from) && isSwitcher(to) && from !== to) next.set(from.id, to.id)
  }
  const fedFrom = (id: string, seen = new Set<string>()): string =>
    seen.has(id) || !next.has(id) ? id : fedFrom(next.get(id)!, seen.add(id))
  const shown = (id: string) =>
    runs.some(run => run.origin?.device === id && run.end && isSink(chain.nodes.get(run.end.device)!.model))
  const fed = new Set(next.values())
  const wired = switchers.filter(({ id }) => next.has(id) || fed.has(id) || shown(id))
  const size = ({ model }: DeviceNode) =>
    portsOf(model, 'in').filter(([, port]) => carriesPicture(port)).length * 100 + portsOf(model, 'out').length
  const roots = new Set(wired.map(({ id }) => fedFrom(id)))
  const waiting = switchers
    .filter(({ id }) => !wired.some(node => node.id === id))
    .sort((a, b) => size(b) - size(a) || byOrder(a, b))
  // With nothing wired, what has most inputs is the last one of the cascade.
  if (roots.size === 0 && waiting[0]) roots.add(waiting[0].id)
  const order = [
    ...switchers.filter(({ id }) => roots.has(id)).sort(byOrder),
    ...switchers.filter(({ id }) => next.has(id) && !roots.has(id)).sort(byOrder),
    ...waiting.filter(({ id }) => !roots.has(id)),
  ]
  const main = order[0]?.id
  const treeOf = (id: string): string | undefined => (roots.has(id) ? id : next.has(id) ? fedFrom(id) : main)
  const parents = new Map(
    order
      .filter(({ id }) => !roots.has(id))
      .map((node): [string, string[]] => {
        const known = next.get(node.id)
        return [
          node.id,
          known !== undefined
            ? [known]
            : order
                .slice(0, order.indexOf(node))
                .filter(({ id }) => treeOf(id) === main)
                .map(({ id }) => id),
        ]
      }),
  )
  return { order, roots, parents, treeOf }
}
