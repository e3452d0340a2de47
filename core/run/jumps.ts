import { portsOf } from '#core/catalog'
import { type Traced, lastSwitchers } from '#core/chain'
import { type LinkEnd, own } from '#core/document'
import { pictureAt } from './compose'
import { runInto } from './ends'
import { routesTo } from './stage'
import { type ShowState, stateBefore, taken } from './state'
import { judgedSinks, planTake } from './take'

/** How one gets from one source on air to another, from the worst of the states in which the feeders may stand. */
export interface Jump {
  readonly kind: 'clean' | 'detour' | 'impossible'
  readonly presses: number
  /** Of what is impossible: the switcher whose program would have to be two pictures at once. */
  readonly shared?: string
}

export interface Jumps {
  /** The last switcher whose program is meant, and the sources that come to it. */
  readonly last: string
  readonly sources: readonly string[]
  /** Who sees the program of another last switcher, and is to keep what they see. */
  readonly held: readonly string[]
  /** By source from, then source to; undefined where they are the same. */
  readonly rows: readonly (readonly (Jump | undefined)[])[]
}

/**
 * Each ordered pair of sources on the program of each last switcher, with every input on which a feeder that is off air
 * may stand. Whoever sees another last switcher keeps what they see: a feeder that they hang on is not touched, and where
 * no way goes around it, the jump is impossible. Pairs that differ in nothing but which source it is share their work: the
 * same switchers, the same inputs in common, a feeder that stands right or wrong.
 */
export function jumpsOf(traced: Traced): Jumps[] {
  const sources = [...traced.chain.nodes.values()]
    .filter(({ model }) => model.role === 'source')
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
  const lasts = lastSwitchers(traced)
  return lasts.flatMap((node): Jumps[] => {
    const ways = sources.flatMap(({ id }) => {
      const routes = routesTo(traced, node, id)
      return routes.length ? [{ id, routes }] : []
    })
    if (ways.length < 2) return []
    const held = judgedSinks(traced).filter(end => {
      const origin = runInto(traced, end)?.origin?.device
      return origin !== node.id && lasts.some(({ id }) => id === origin)
    })
    const known = new Map<string, Jump>()
    return [
      {
        last: node.id,
        sources: ways.map(({ id }) => id),
        held: [...new Set(held.map(({ device }) => device))],
        rows: ways.map(from =>
          ways.map(to => {
            if (from.id === to.id) return undefined
            const key = shapeOf(from.routes[0]!, held.length ? to.routes : [to.routes[0]!])
            // Who is to keep what they see hangs on which source it is, too.
            const there = held.length ? undefined : known.get(key)
            if (there) return there
            const made = worst(traced, from.routes[0]!, to.routes, held)
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
const shapeOf = (from: Route, routes: readonly Route[]): string =>
  JSON.stringify([
    Object.keys(from).sort(),
    routes.map(to =>
      Object.keys(to)
        .sort()
        .map(device => [device, own(from, device) === own(to, device)]),
    ),
  ])

/** The dearest of the ways, over the inputs on which the feeders behind the target may stand meanwhile. */
function worst(traced: Traced, from: Route, routes: readonly Route[], held: readonly LinkEnd[]): Jump {
  const base = taken(stateBefore(traced), { title: '', order: 0, program: from })
  const seen = (state: ShowState) => held.map(end => JSON.stringify(pictureAt(traced, state, end)))
  const kept = seen(base)
  const to = routes.find(route => {
    const after = seen(taken(base, { title: '', order: 0, program: route }))
    return after.every((tree, i) => tree === kept[i])
  })
  if (!to) {
    const shared = Object.keys(routes[0]!).find(
      device =>
        own(base.mixers, device)?.program !== routes[0]![device] && kept.join().includes(`"device":"${device}"`),
    )
    return { kind: 'impossible', presses: 0, ...(shared === undefined ? {} : { shared }) }
  }
  const free = Object.keys(to).filter(
    device => own(from, device) === undefined && !kept.join().includes(`"device":"${device}"`),
  )
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
