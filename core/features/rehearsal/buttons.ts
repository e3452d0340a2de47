import { type DeviceNode, type Traced, isSwitcher, lastSwitchers, runInto } from '#core/chain'
import { type Macro, type MacroStep, own } from '#core/document'
import { fact } from '#core/kernel'
import {
  Judge,
  type Picture,
  Rehearsal,
  type ShowState,
  TICKS_PER_MS,
  TICKS_PER_S,
  judgedSinks,
  momentsOf,
  pictureAt,
  routeTo,
  seededChances,
  showing,
  shownIn,
  taken,
  wordsOf,
} from '#core/run'

/** A button that shows somebody a wrong picture on the way. */
export interface Late {
  readonly macro: string
  /** The switcher that changes before what feeds it is right, and that feeder. */
  readonly last: string
  readonly feeder: string
  readonly sink: string
  readonly sees: string
  readonly least: number
  readonly most: number
}

/** The most states from which a button is tried, and the sets of phases and delays for each. */
const MOST_STATES = 10
const PHASES = 4

/** Macros that work several switchers, of which one feeds another. */
const chained = (traced: Traced): [string, Macro][] =>
  Object.entries(traced.plan.macros).filter(([, macro]) => worked(traced, macro).length > 1)

/** The switchers that a macro works, in the order in which it does. */
export const worked = ({ chain }: Traced, { at, steps }: Macro): string[] => [
  ...new Set(
    steps.flatMap(step => {
      const device = step.at ?? at
      const node = chain.nodes.get(device)
      return step.do !== 'wait' && step.do !== 'play' && node && isSwitcher(node) ? [device] : []
    }),
  ),
]

/** States in which somebody may stand who presses: those of the show, and each source on air. */
function standing(traced: Traced): ShowState[] {
  const moments = momentsOf(traced).map(({ state }) => state)
  const sources = [...traced.chain.nodes.values()].filter(({ model }) => model.role === 'source')
  const all = [...moments, ...sources.flatMap(({ id }) => showing(traced, moments[0]!, id) ?? [])]
  const seen = new Map(all.map(state => [JSON.stringify(state.mixers), state]))
  return [...seen.values()].slice(0, MOST_STATES)
}

/** What a run comes to rest in when a macro is fired. */
function after(traced: Traced, id: string, state: ShowState): ShowState {
  const run = new Rehearsal(traced, state, { phase: () => 0, delay: () => 0 })
  run.happen([{ tick: 0, device: own(traced.plan.macros, id)!.at, macro: id }])
  return run.settled()
}

/** The most that is seen wrongly while a macro runs, from one state. */
function tried(traced: Traced, id: string, old: ShowState): Late | undefined {
  const { at } = own(traced.plan.macros, id)!
  const next = after(traced, id, old)
  const sinks = judgedSinks(traced)
  let [least, most] = [Infinity, 0]
  let worst: { sink: string; picture: Picture } | undefined
  for (let seed = 0; seed < PHASES; seed++) {
    const run = new Rehearsal(traced, old, { ...seededChances(seed), delay: () => (seed % 2 ? 0.999 : 0) })
    const { ticks } = run.expanded(id, TICKS_PER_S)
    run.happen([{ tick: TICKS_PER_S, device: at, macro: id }])
    const end = TICKS_PER_S + ticks + TICKS_PER_S / 2
    const frames = sinks.map(sink => {
      const judge = new Judge(pictureAt(traced, old, sink), pictureAt(traced, next, sink))
      const frame = frameOf(traced)
      let wrong = 0
      for (let tick = TICKS_PER_S - frame; tick < end; tick += frame) {
        const picture = run.seen(sink, tick)
        if (!judge.frame(picture)) continue
        wrong++
        if (wrong > most) worst = { sink: sink.device, picture }
      }
      return wrong
    })
    least = Math.min(least, Math.max(0, ...frames))
    most = Math.max(most, ...frames)
  }
  if (!worst || most === 0) return undefined
  const [last, feeder] = blamed(traced, id)
  return { macro: id, last, feeder, sink: worst.sink, sees: wordsOf(traced, worst.picture), least, most }
}

/** Frame time of the fastest switcher, ticks. */
const frameOf = (traced: Traced): number =>
  Math.min(
    9600,
    ...[...traced.chain.nodes.values()].flatMap(node =>
      isSwitcher(node) && node.standard
        ? [new Rehearsal(traced, momentsOf(traced)[0]!.state, seededChances(0)).clockOf(node.id)!.frame]
        : [],
    ),
  )

/** The two of its switchers that are in the wrong order, or too close: the one that is fed, and what feeds it. */
function blamed(traced: Traced, id: string): [last: string, feeder: string] {
  const mine = worked(traced, own(traced.plan.macros, id)!)
  for (const last of mine)
    for (const feeder of mine)
      if (
        last !== feeder &&
        traced.runs.some(({ lit, origin, end }) => lit && origin?.device === feeder && end?.device === last)
      )
        return [last, feeder]
  return [mine.at(-1)!, mine[0]!]
}

const lateFact = fact<Traced, readonly Late[]>('buttons that are late', traced =>
  chained(traced).flatMap(([id]) => {
    const found = standing(traced).flatMap(state => tried(traced, id, state) ?? [])
    const worst = found.reduce<Late | undefined>((best, one) => (best && best.most >= one.most ? best : one), undefined)
    return worst ? [worst] : []
  }),
)

/** Buttons that show somebody a wrong picture from one of the states in which they may be pressed. */
export const lateButtons = (traced: Traced): readonly Late[] => traced.ask(lateFact)

/** A macro that is there to show a source, and what it leaves as it stands on the way. */
export interface Missing {
  readonly macro: string
  readonly source: string
  /** The switchers that it does not set, deepest feeder first, with the input that each would need. */
  readonly stages: readonly { readonly device: string; readonly port: string }[]
  /** What is on air after it, if those stand elsewhere. */
  readonly sees: string
}

const missingFact = fact<Traced, readonly Missing[]>('buttons that lack a stage', traced =>
  Object.entries(traced.plan.macros).flatMap(([id, { shows }]): Missing[] => {
    const [last] = lastSwitchers(traced).filter(node => shows !== undefined && routeTo(traced, node, shows))
    const route = last && routeTo(traced, last, shows!)
    if (!route || shows === undefined) return []
    const from = taken(momentsOf(traced)[0]!.state, { title: '', order: 0, program: elsewhere(traced, route) })
    const { mixers } = after(traced, id, from)
    const stages = Object.entries(route)
      .filter(([device, port]) => own(mixers, device)?.program !== port)
      .map(([device, port]) => ({ device, port }))
      .toReversed()
    if (stages.length === 0) return []
    const program = own(mixers, last.id)?.program
    const picture =
      program === undefined ? undefined : pictureAt(traced, { ...from, mixers }, { device: last.id, port: program })
    const seen = picture && shownIn(picture)[0]
    return [{ macro: id, source: shows, stages, sees: seen ? nameOf(traced, seen.device) : 'another picture' }]
  }),
)

export const missingStages = (traced: Traced): readonly Missing[] => traced.ask(missingFact)

/** Every switcher of a route on another lit input than the one that is wanted, where it has one. */
const elsewhere = (traced: Traced, route: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(route).flatMap(([device, port]) => {
      const node = traced.chain.nodes.get(device) as DeviceNode
      const other = Object.keys(node.model.ports).find(
        one => one !== port && node.model.ports[one]!.dir === 'in' && runInto(traced, { device, port: one })?.lit,
      )
      return [[device, other ?? 'black']]
    }),
  )

const nameOf = (traced: Traced, device: string): string => own(traced.plan.devices, device)?.name ?? device

/** Longest wait that is sure: from a press at a device until it is seen everywhere behind it, ms. */
export function sureMs(traced: Traced, device: string): number {
  const run = new Rehearsal(traced, momentsOf(traced)[0]!.state, { phase: () => 0.999, delay: () => 0.999 })
  return Math.ceil(run.settleTicks(device) / TICKS_PER_MS)
}

/** The steps of a macro device by device in some order, with sure waits between; its own waits go, but for those for an end. */
export function ordered(traced: Traced, { at, steps }: Macro, devices: readonly string[]): MacroStep[] {
  const of = (device: string) => steps.filter(step => step.do !== 'wait' && (step.at ?? at) === device)
  const others = steps.filter(step => step.do !== 'wait' && !devices.includes(step.at ?? at))
  const sets = [...devices.map(of), others].filter(set => set.length > 0)
  return sets.flatMap((set, i): MacroStep[] => [
    ...(i === 0 ? [] : [{ do: 'wait' as const, ms: sureMs(traced, sets[i - 1]![0]!.at ?? at) }]),
    ...set,
  ])
}
