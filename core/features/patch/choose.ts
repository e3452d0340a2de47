import type { Highs } from 'highs'
import { type VideoFormat, formatLabel, sameFormat } from '#core/signal'
import { standardSteps } from './merit'
import { Program, type Watch, relaxed, solve } from './milp'
import type { Means, Demand, Splitter, Task } from './question'
import { PICTURES_OF_A_FEEDER, SAFE_SHOT_AWAY, type Weights } from './weights'

/** A choice that was made, for so many of its demand's members. */
export interface Picked {
  readonly demand: Demand
  readonly choice: Means
  readonly count: number
}

/** The best way to meet all demands, within the limits that were asked. */
export interface Solution {
  readonly picks: readonly Picked[]
  /** By switcher; a switcher that is not needed has none. */
  readonly standards: ReadonlyMap<string, VideoFormat>
  readonly splitters: readonly { readonly splitter: Splitter; readonly count: number }[]
  /** Points, and the points below which no solution can be. */
  readonly cost: number
  readonly bound: number
  readonly proven: boolean
  /** Planning price of the whole plan, and of what the kit lacks, minor units. */
  readonly minor: number
  readonly missingMinor: number
  /** Of the program's columns. */
  readonly values: Float64Array
}

/** What must hold. Each may be left out, to see whether the rest can be met. */
export interface Terms {
  /** Ids of demands that need not be met. */
  readonly without?: ReadonlySet<string>
  readonly spare?: boolean
  readonly standard?: boolean
  /** Pins that need not hold, by the id of their demand. */
  readonly unpinned?: ReadonlySet<string>
  /** Nothing is bought or hired. */
  readonly kitOnly?: boolean
}

/** The program of a task, with what its columns mean. */
export interface Chooser {
  readonly program: Program
  readonly read: (solved: {
    readonly cost: number
    readonly bound: number
    readonly proven: boolean
    readonly values: Float64Array
  }) => Solution
  /** What sets a solution apart: its standards, its devices, and the places where a format is converted. */
  readonly features: (solution: Solution) => readonly Feature[]
}

/** So much of something as a solution has: a plan that has less of it gives it up. */
export interface Feature {
  readonly terms: readonly (readonly [column: number, factor: number])[]
  readonly now: number
}

/** Writes a task as a program. Columns: the standard of each switcher, each choice of each demand, splitters, things to get. */
export function chooserOf(task: Task, weights: Weights, terms: Terms = {}): Chooser {
  const { switchers, demands, sockets, splitters, used, have, price } = task
  const program = new Program()
  const standards = new Map<string, { readonly standard: VideoFormat; readonly column: number }[]>()
  const inUse = new Map<string, number>()
  for (const { node, standards: able, held } of switchers) {
    const columns = able.map(standard => ({
      standard,
      column: program.binary(
        weights.quality * standardSteps(task.plan, standard) +
          (node.device.standard && !sameFormat(node.device.standard, standard) ? weights.moves : 0),
      ),
    }))
    standards.set(node.id, columns)
    const use = program.column(0, held ? 1 : 0, 1)
    inUse.set(node.id, use)
    program.row([...columns.map(({ column }): [number, number] => [column, 1]), [use, -1]], 0, 0)
    if (terms.standard !== false && task.given && able.some(format => sameFormat(format, task.given!))) {
      for (const { standard, column } of columns)
        if (!sameFormat(standard, task.given)) program.row([[column, 1]], 0, 0)
    }
  }
  const inStandard = (switcher: string, format: VideoFormat): number | undefined =>
    standards.get(switcher)?.find(({ standard }) => sameFormat(standard, format))?.column

  const taken = new Map<string, [number, number][]>()
  const legs = new Map<string, [number, number][]>()
  const items = new Map<string, [number, number][]>()
  const note = (map: Map<string, [number, number][]>, key: string, column: number, factor: number) =>
    map.set(key, [...(map.get(key) ?? []), [column, factor]])
  const chosen: { readonly demand: Demand; readonly choice: Means; readonly column: number }[] = []
  for (const demand of demands) {
    const members = demand.members.length
    const columns: [number, number][] = []
    const needs = new Map<number, [number, number][]>()
    for (const choice of demand.choices) {
      const wanted = choice.needs.map(([switcher, format]) => inStandard(switcher, format))
      if (wanted.some(column => column === undefined)) continue
      const away = demand.safe && !switchers.find(({ node }) => node.id === choice.switcher)?.root
      const column = program.column(
        (weights.gear * choice.minor) / 100 +
          weights.delay * choice.delayMs +
          weights.quality * choice.steps * (demand.of === 'feeder' ? PICTURES_OF_A_FEEDER : 1) +
          weights.risk * choice.risk +
          weights.settings * choice.settings +
          weights.moves * choice.moved +
          weights.power * choice.watts +
          (away ? SAFE_SHOT_AWAY : 0),
        0,
        members,
      )
      chosen.push({ demand, choice, column })
      columns.push([column, 1])
      for (const need of wanted) needs.set(need!, [...(needs.get(need!) ?? []), [column, 1]])
      for (const key of choice.takes) note(taken, key, column, 1)
      if (choice.leg !== undefined) note(legs, choice.leg, column, 1)
      for (const item of choice.items) note(items, item, column, 1)
      if (demand.pinned && !choice.keep && !terms.unpinned?.has(demand.id)) program.row([[column, 1]], 0, 0)
    }
    if (demand.of === 'feeder' && !demand.rigid) program.row([...columns, [inUse.get(demand.members[0]!)!, -1]], 0, 0)
    else if (terms.without?.has(demand.id)) program.row(columns, 0, members)
    else program.row(columns, members, members)
    for (const [standard, used] of needs) program.row([...used, [standard, -members]], -Infinity, 0)
  }
  // A switcher shows something only where a picture comes in.
  for (const { node, fed } of switchers) {
    if (fed) continue
    const entering = chosen
      .filter(({ demand, choice }) => demand.of !== 'sink' && choice.switcher === node.id)
      .map(({ column }): [number, number] => [column, 1])
    program.row([...entering, [inUse.get(node.id)!, -1]], 0, Infinity)
  }
  const boxes: { readonly splitter: Splitter; readonly column: number }[] = []
  for (const splitter of splitters) {
    const hung = legs.get(splitter.id)
    if (!hung) continue
    const column = program.column(
      (weights.gear * splitter.minor) / 100 + weights.power * splitter.row.watts,
      0,
      hung.length,
    )
    boxes.push({ splitter, column })
    note(taken, splitter.takes, column, 1)
    for (const item of splitter.items) note(items, item, column, 1)
    program.row([...hung, [column, -splitter.legs.length]], -Infinity, 0)
  }
  for (const [key, terms] of taken) program.row(terms, -Infinity, sockets.get(key)?.ports.length ?? 0)
  if (terms.spare !== false && task.spare > 0) {
    const inputs = [...sockets.values()].filter(
      ({ dir, device }) => dir === 'in' && switchers.some(({ node }) => node.id === device),
    )
    program.row(
      inputs.flatMap(({ key }) => taken.get(key) ?? []),
      -Infinity,
      inputs.reduce((sum, { ports }) => sum + ports.length, 0) - task.spare,
    )
  }
  for (const [item, uses] of items) {
    const lead = item.startsWith('lead:') ? task.plan.leads[item.split(':')[1]!] : undefined
    if (lead?.kind === 'cable' && lead.installed) {
      program.row(uses, -Infinity, 1 - (used.get(item) ?? 0))
      continue
    }
    const each = (weights.money * (price.get(item) ?? 0)) / 100 + weights.things
    const spare = (have.get(item) ?? 0) - (used.get(item) ?? 0)
    if (terms.kitOnly) program.row(uses, -Infinity, Math.max(0, spare))
    else if (spare <= 0) for (const [column, factor] of uses) program.costs[column]! += factor * each
    else program.row([...uses, [program.column(each, 0, Infinity, false), -1]], -Infinity, spare)
  }

  function read({ cost, bound, proven, values }: Parameters<Chooser['read']>[0]): Solution {
    const picks = chosen.flatMap(({ demand, choice, column }) =>
      values[column]! > 0 ? [{ demand, choice, count: values[column]! }] : [],
    )
    const put = boxes.flatMap(({ splitter, column }) =>
      values[column]! > 0 ? [{ splitter, count: values[column]! }] : [],
    )
    const needed = new Map(used)
    const need = (names: readonly string[], count: number) =>
      names.forEach(item => needed.set(item, (needed.get(item) ?? 0) + count))
    for (const { choice, count } of picks) need(choice.items, count)
    for (const { splitter, count } of put) need(splitter.items, count)
    return {
      picks,
      splitters: put,
      cost,
      bound,
      proven,
      values,
      standards: new Map(
        [...standards].flatMap(([switcher, columns]) =>
          columns.filter(({ column }) => values[column] === 1).map(({ standard }) => [switcher, standard] as const),
        ),
      ),
      minor:
        task.bareMinor +
        picks.reduce((sum, { choice, count }) => sum + choice.minor * count, 0) +
        put.reduce((sum, { splitter, count }) => sum + splitter.minor * count, 0),
      missingMinor: [...needed].reduce(
        (sum, [item, count]) => sum + Math.max(0, count - (have.get(item) ?? 0)) * (price.get(item) ?? 0),
        0,
      ),
    }
  }

  function features({ standards: stood, picks, splitters: put }: Solution): Feature[] {
    const found: Feature[] = [...stood].map(([switcher, standard]) => ({
      terms: [[inStandard(switcher, standard)!, 1]],
      now: 1,
    }))
    // Which of two alike boxes stands where is no difference; where a format is converted is one.
    const models = new Set([
      ...picks.filter(({ demand }) => !demand.rigid).flatMap(({ choice }) => modelsOf(choice)),
      ...put.map(({ splitter }) => splitter.model),
    ])
    for (const model of models) {
      const terms = [
        ...chosen
          .filter(({ demand }) => !demand.rigid)
          .map(({ choice, column }): [number, number] => [column, modelsOf(choice).filter(id => id === model).length]),
        ...boxes.map(({ splitter, column }): [number, number] => [column, Number(splitter.model === model)]),
      ].filter(([, factor]) => factor > 0)
      found.push({
        terms,
        now:
          picks
            .filter(({ demand }) => !demand.rigid)
            .reduce((sum, { choice, count }) => sum + count * modelsOf(choice).filter(id => id === model).length, 0) +
          put.reduce((sum, { splitter, count }) => sum + (splitter.model === model ? count : 0), 0),
      })
    }
    for (const demand of new Set(
      picks.filter(({ demand, choice }) => !demand.rigid && choice.scales).map(pick => pick.demand),
    )) {
      const terms = chosen
        .filter(one => one.demand === demand && one.choice.scales)
        .map(({ column }): [number, number] => [column, 1])
      found.push({
        terms,
        now: picks
          .filter(pick => pick.demand === demand && pick.choice.scales)
          .reduce((sum, { count }) => sum + count, 0),
      })
    }
    return found
  }

  return { program, read, features }
}

const modelsOf = ({ devices }: Means): string[] => (devices === '' ? [] : devices.split('+'))

/** The best solution of a task, or why there is none. */
export function choose(highs: Highs, chooser: Chooser, watch: Watch = {}): Solution | 'infeasible' | 'unknown' {
  const solved = solve(highs, chooser.program, watch)
  return solved.status === 'solved' ? chooser.read(solved) : solved.status
}

/** A part of all plans, with what none in it can cost less than. */
interface Region {
  readonly program: Program
  readonly bound: number
  /** How the bound is known: from the region around it, from the program without whole numbers, or exactly. */
  readonly known: 'around' | 'relaxed' | 'solved'
  readonly solution?: Solution
}

/**
 * The best solution, then the best that gives up a standard, a device or a place of conversion of every better one, and
 * so on; each when it is asked for. All other plans are parted by what they give up; a part is only solved once nothing
 * else can be better.
 */
export function* distinctPlans(
  highs: Highs,
  chooser: Chooser,
  watch: Watch = {},
): Generator<Solution | 'infeasible' | 'unknown', void> {
  const first = choose(highs, chooser, watch)
  yield first
  if (typeof first === 'string') return
  const better: Solution[] = [first]
  const open: Region[] = []
  // What a part could have held that was given up for want of time.
  let lost = Infinity
  part(chooser.program, chooser.features(first), first.cost)
  for (let next = best(); next; next = best()) {
    if (next.known === 'around') {
      const bound = relaxed(highs, next.program)
      if (bound !== undefined) open.push({ ...next, known: 'relaxed', bound: Math.max(bound, next.bound) })
      continue
    }
    if (next.known === 'relaxed') {
      const solved = solve(highs, next.program, watch)
      if (solved.status === 'solved')
        open.push({ ...next, known: 'solved', bound: solved.cost, solution: chooser.read(solved) })
      else if (solved.status === 'unknown') lost = Math.min(lost, next.bound)
      continue
    }
    const solution = next.solution!
    const kept = better.find(other =>
      chooser.features(other).every(feature => amount(feature, solution.values) >= feature.now),
    )
    if (kept) {
      part(next.program, chooser.features(kept), next.bound)
      continue
    }
    better.push(solution)
    yield { ...solution, bound: Math.min(solution.bound, lost), proven: solution.proven && solution.cost <= lost }
    part(next.program, chooser.features(solution), next.bound)
  }

  function best(): Region | undefined {
    open.sort((a, b) => b.bound - a.bound || ORDER[b.known] - ORDER[a.known])
    return open.pop()
  }

  /** Parts a region by the first of these features that is given up. */
  function part(program: Program, features: readonly Feature[], bound: number): void {
    features.forEach(({ terms, now }, i) => {
      const twin = program.copy()
      for (const before of features.slice(0, i)) twin.row(before.terms, before.now, Infinity)
      twin.row(terms, -Infinity, now - 1)
      open.push({ program: twin, bound, known: 'around' })
    })
  }
}

const ORDER = { solved: 0, relaxed: 1, around: 2 } as const

const amount = ({ terms }: Feature, values: Float64Array): number =>
  terms.reduce((sum, [column, factor]) => sum + factor * values[column]!, 0)

/** "1080p50", or with each switcher's where they differ: "Main 1080p50, Side 1080p25". */
export function standardWords(
  task: Task,
  { standards }: { readonly standards: ReadonlyMap<string, VideoFormat> },
): string {
  const used = [...standards.values()]
  if (used.length === 0) return 'no switcher'
  if (used.every(format => sameFormat(format, used[0]!))) return formatLabel(used[0]!)
  return [...standards].map(([id, format]) => `${task.plan.devices[id]!.name} ${formatLabel(format)}`).join(', ')
}
