import { portsOf } from '#core/catalog'
import { type Traced, lastSwitchers } from '#core/chain'
import { own } from '#core/document'
import { runInto } from './ends'
import { routeTo } from './stage'
import { type ShowState, stateBefore, taken } from './state'
import { planTake } from './take'

/** How one gets from one source on air to another, from the worst of the states in which the feeders may stand. */
export interface Jump {
  readonly kind: 'clean' | 'detour'
  readonly presses: number
}

export interface Jumps {
  /** The last switcher whose program is meant, and the sources that come to it. */
  readonly last: string
  readonly sources: readonly string[]
  /** By source from, then source to; undefined where they are the same. */
  readonly rows: readonly (readonly (Jump | undefined)[])[]
}

/**
 * Each ordered pair of sources on the program of each last switcher, with every input on which a feeder that is off air
 * may stand. Pairs that differ in nothing but which source it is share their work: the same switchers, the same inputs
 * in common, a feeder that stands right or wrong.
 */
export function jumpsOf(traced: Traced): Jumps[] {
  const sources = [...traced.chain.nodes.values()]
    .filter(({ model }) => model.role === 'source')
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
  return lastSwitchers(traced).flatMap((node): Jumps[] => {
    const routes = sources.flatMap(({ id }) => {
      const route = routeTo(traced, node, id)
      return route ? [{ id, route }] : []
    })
    if (routes.length < 2) return []
    const known = new Map<string, Jump>()
    return [
      {
        last: node.id,
        sources: routes.map(({ id }) => id),
        rows: routes.map(from =>
          routes.map(to => {
            if (from.id === to.id) return undefined
            const key = shapeOf(from.route, to.route)
            const there = known.get(key)
            if (there) return there
            const made = worst(traced, from.route, to.route)
            known.set(key, made)
            return made
          }),
        ),
      },
    ]
  })
}

type Route = Readonly<Record<string, string>>

/** What a jump depends on: the switchers of both ways, and where both use the same input. */
const shapeOf = (from: Route, to: Route): string =>
  JSON.stringify([
    Object.keys(from).sort(),
    Object.keys(to)
      .sort()
      .map(device => [device, own(from, device) === own(to, device)]),
  ])

/** The dearest of the ways, over the inputs on which the feeders behind the target may stand meanwhile. */
function worst(traced: Traced, from: Route, to: Route): Jump {
  const base = taken(stateBefore(traced), { title: '', order: 0, program: from })
  const free = Object.keys(to).filter(device => own(from, device) === undefined)
  let found: Jump = { kind: 'clean', presses: 0 }
  for (const state of standing(traced, base, free, to)) {
    const next = taken(state, { title: '', order: 0, program: to })
    const { kind, presses } = planTake(traced, state, next)
    if (kind === 'detour' || (found.kind === 'clean' && presses > found.presses))
      found = { kind: kind === 'detour' ? 'detour' : 'clean', presses }
    if (kind === 'detour') break
  }
  return found
}

/** Each feeder that is off air on the input that is wanted, or on another: which other makes no difference. */
function standing(traced: Traced, base: ShowState, free: readonly string[], to: Route): ShowState[] {
  return free.reduce<ShowState[]>(
    (states, device) =>
      states.flatMap(state => {
        const right = to[device]!
        const other = portsOf(traced.chain.nodes.get(device)!.model, 'in').find(
          ([port]) => port !== right && runInto(traced, { device, port })?.lit,
        )?.[0]
        return [right, ...(other === undefined ? [] : [other])].map(port =>
          taken(state, { title: '', order: 0, program: { [device]: port } }),
        )
      }),
    [base],
  )
}
