import type { Plan } from './plan'
import { own } from './problem'

type Supplied = Pick<Plan, 'circuits' | 'strips'>

/** The circuit on which a strip hangs, through others if it is plugged into them; undefined where none is said, or in a ring. */
export function circuitOf({ circuits, strips }: Supplied, strip: string): string | undefined {
  const seen = new Set<string>()
  for (let at: string | undefined = strip; at !== undefined && !seen.has(at);) {
    seen.add(at)
    const one: Plan['strips'][string] | undefined = own(strips, at)
    if (one?.strip === undefined)
      return one?.circuit !== undefined && own(circuits, one.circuit) ? one.circuit : undefined
    at = one.strip
  }
  return undefined
}

/** Ids of what hangs on a circuit, by outlets and by strips; of what is gone from the plan too. */
export function hangingOn(plan: Supplied, circuit: string): ReadonlySet<string> {
  const found = new Set(Object.keys(own(plan.circuits, circuit)?.loads ?? {}))
  for (const [id, { loads = {} }] of Object.entries(plan.strips))
    if (circuitOf(plan, id) === circuit) for (const device of Object.keys(loads)) found.add(device)
  return found
}
