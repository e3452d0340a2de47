import type { Means, Task } from '#core/features/patch'
import { sameFormat } from '#core/signal'

/**
 * What somebody in a hurry does: source after source takes the cheapest way into the first switcher that has an input
 * for it, in the standards that are set, then feeders and screens likewise. Price of the whole plan, minor units;
 * undefined where somebody is left over.
 */
export function greedyMinor({ switchers, demands, sockets, bareMinor, splitters }: Task): number | undefined {
  const free = new Map([...sockets].map(([key, { ports }]) => [key, ports.length]))
  const hung = new Map<string, number>()
  let minor = bareMinor
  const holds = (choice: Means) =>
    choice.needs.every(([switcher, format]) =>
      sameFormat(switchers.find(({ node }) => node.id === switcher)!.node.standard!, format),
    )
  const fits = ({ takes, leg }: Means) =>
    takes.every(key => free.get(key)! >= takes.filter(other => other === key).length) &&
    (leg === undefined || room(leg))
  const room = (leg: string): boolean => {
    const splitter = splitters.find(({ id }) => id === leg)!
    return (hung.get(leg) ?? 0) % splitter.legs.length !== 0 || free.get(splitter.takes)! > 0
  }
  const entered = new Set<string>()
  // An input of each switcher is kept for each feeder that may come.
  for (const switcher of switchers.filter(({ root }) => !root)) {
    const one = [...sockets.values()]
      .filter(({ dir, device }) => dir === 'in' && device === switcher.parents[0])
      .sort((a, b) => b.ports.length - a.ports.length)[0]
    if (one) free.set(one.key, free.get(one.key)! - 1)
  }
  for (const kind of ['source', 'feeder', 'sink'] as const) {
    for (const demand of demands.filter(({ of }) => of === kind)) {
      for (const member of demand.members) {
        if (kind === 'feeder' && !entered.has(member)) continue
        const rank = (switcher: string) => switchers.findIndex(({ node }) => node.id === switcher)
        const able = demand.choices
          .filter(choice => holds(choice) && (kind === 'feeder' || fits(choice)))
          .sort((a, b) => rank(a.switcher) - rank(b.switcher) || a.minor - b.minor)
        const [choice] = able
        if (!choice) return undefined
        if (kind !== 'feeder') for (const key of choice.takes) free.set(key, free.get(key)! - 1)
        if (kind === 'source') entered.add(choice.switcher)
        if (choice.leg !== undefined) {
          const splitter = splitters.find(({ id }) => id === choice.leg)!
          const count = hung.get(choice.leg) ?? 0
          if (count % splitter.legs.length === 0) {
            free.set(splitter.takes, free.get(splitter.takes)! - 1)
            minor += splitter.minor
          }
          hung.set(choice.leg, count + 1)
        }
        minor += choice.minor
      }
    }
  }
  return minor
}
