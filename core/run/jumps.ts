import { portsOf } from '#core/catalog'
import { type Traced, lastSwitchers, runInto } from '#core/chain'
import { type LinkEnd, own } from '#core/document'
import { TICKS_PER_MS, TICKS_PER_S } from './clock'
import { pictureAt } from './compose'
import { Judge } from './judge'
import { Rehearsal, seededChances } from './rehearsal'
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

/** What whoever sees the last switcher would see if a jump were pressed by hand: so many wrong frames of that switcher. */
export interface Pressed {
  /** Switchers in the order in which they are pressed, and the time from one press to the next. */
  readonly order: readonly string[]
  readonly gapMs: number
  readonly least: number
  readonly most: number
}

/** At once, and as fast as one hand goes from key to key, ms. */
const GAPS_MS = [0, 200] as const
/** Sets of phases and delays that are tried. */
const TRIALS = 24

/** A jump pressed without waiting, feeders first and last: nothing where one press does it. The feeders stand elsewhere. */
export function pressedOf(traced: Traced, last: string, from: string, to: string): Pressed[] {
  const node = traced.chain.nodes.get(last)
  const [old, route] = node ? [from, to].map(id => routesTo(traced, node, id)[0]) : []
  if (!old || !route) return []
  const on = taken(stateBefore(traced), { title: '', order: 0, program: old })
  const free = Object.keys(route).filter(device => own(old, device) === undefined)
  const state = standing(traced, on, free, route).at(-1)!
  const devices = Object.keys(route)
    .filter(device => own(state.mixers, device)?.program !== route[device])
    .toReversed()
  if (devices.length < 2) return []
  const next = taken(state, { title: '', order: 0, program: route })
  const sinks = judgedSinks(traced).filter(end => runInto(traced, end)?.origin?.device === last)
  return [devices, devices.toReversed()].flatMap(order =>
    GAPS_MS.map((gapMs): Pressed => {
      const counts = Array.from({ length: TRIALS }, (_, seed) =>
        wrongFrames(new Rehearsal(traced, state, seededChances(seed)), next, sinks, last, order, route, gapMs),
      )
      return { order, gapMs, least: Math.min(...counts), most: Math.max(...counts) }
    }),
  )
}

function wrongFrames(
  rehearsal: Rehearsal,
  next: ShowState,
  sinks: readonly LinkEnd[],
  last: string,
  order: readonly string[],
  route: Route,
  gapMs: number,
): number {
  const { traced, start } = rehearsal
  const begin = TICKS_PER_S / 5
  const gap = gapMs * TICKS_PER_MS
  rehearsal.happen(
    order.map((device, i) => ({
      tick: begin + i * gap,
      device,
      command: { do: 'program' as const, input: route[device]! },
    })),
  )
  const end = begin + order.length * gap + TICKS_PER_S
  const step = rehearsal.clockOf(last)!.frame
  const counts = sinks.map(sink => {
    const judge = new Judge(pictureAt(traced, start, sink), pictureAt(traced, next, sink))
    let wrong = 0
    for (let at = begin; at < end; at += step) if (judge.frame(rehearsal.seen(sink, at))) wrong++
    return wrong
  })
  return Math.max(0, ...counts)
}
