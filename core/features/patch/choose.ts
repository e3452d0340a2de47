import type { Highs } from 'highs'
import { type VideoFormat, formatLabel, sameFormat } from '#core/signal'
import { standardSteps } from './merit'
import { Program, type Watch, relaxed, solve } from '#core/solve'
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
  return new Writer(task, weights, terms)
}

interface Option {
  readonly demand: Demand
  readonly choice: Means
  readonly column: number
}

/** Columns with their factors, by what they use up. */
class Uses extends Map<string, [column: number, factor: number][]> {
  note(key: string, column: number): void {
    this.set(key, [...(this.get(key) ?? []), [column, 1]])
  }
}

class Writer implements Chooser {
  readonly program = new Program()
  private readonly standards = new Map<string, { readonly standard: VideoFormat; readonly column: number }[]>()
  /** By switcher: 1 when it is needed. */
  private readonly inUse = new Map<string, number>()
  private readonly options: Option[] = []
  private readonly boxes: { readonly splitter: Splitter; readonly column: number }[] = []
  private readonly taken = new Uses()
  private readonly legs = new Uses()
  private readonly items = new Uses()

  constructor(
    private readonly task: Task,
    private readonly weights: Weights,
    private readonly terms: Terms,
  ) {
    for (const switcher of task.switchers) this.writeStandards(switcher)
    for (const demand of task.demands) this.writeDemand(demand)
    this.writeFeeding()
    for (const splitter of task.splitters) this.writeSplitter(splitter)
    this.writeSockets()
    for (const [item, uses] of this.items) this.writeItem(item, uses)
  }

  /** A switcher in use has one standard; where one is given, no other. */
  private writeStandards({ node, standards: able, held }: Task['switchers'][number]): void {
    const { program, weights, task, terms } = this
    const columns = able.map(standard => {
      const other = node.device.standard && !sameFormat(node.device.standard, standard)
      const cost = weights.quality * standardSteps(task.plan, standard) + (other ? weights.moves : 0)
      return { standard, column: program.binary(cost) }
    })
    this.standards.set(node.id, columns)
    const use = program.column(0, held ? 1 : 0, 1)
    this.inUse.set(node.id, use)
    program.row([...columns.map(({ column }): [number, number] => [column, 1]), [use, -1]], 0, 0)
    const { given } = task
    if (terms.standard === false || !given || !able.some(format => sameFormat(format, given))) return
    for (const { standard, column } of columns) if (!sameFormat(standard, given)) program.row([[column, 1]], 0, 0)
  }

  private inStandard(switcher: string, format: VideoFormat): number | undefined {
    return this.standards.get(switcher)?.find(({ standard }) => sameFormat(standard, format))?.column
  }

  /** Each member of a demand gets one of its choices, and a choice needs the standards that it was weighed for. */
  private writeDemand(demand: Demand): void {
    const { program, terms } = this
    const members = demand.members.length
    const columns: [number, number][] = []
    const needs = new Map<number, [number, number][]>()
    for (const choice of demand.choices) {
      const wanted = choice.needs.map(([switcher, format]) => this.inStandard(switcher, format))
      if (wanted.some(column => column === undefined)) continue
      const column = program.column(this.costOf(demand, choice), 0, members)
      this.options.push({ demand, choice, column })
      columns.push([column, 1])
      for (const need of wanted) needs.set(need!, [...(needs.get(need!) ?? []), [column, 1]])
      for (const key of choice.takes) this.taken.note(key, column)
      if (choice.leg !== undefined) this.legs.note(choice.leg, column)
      for (const item of choice.items) this.items.note(item, column)
      if (demand.pinned && !choice.keep && !terms.unpinned?.has(demand.id)) program.row([[column, 1]], 0, 0)
    }
    if (demand.of === 'feeder' && !demand.rigid)
      program.row([...columns, [this.inUse.get(demand.members[0]!)!, -1]], 0, 0)
    else if (terms.without?.has(demand.id)) program.row(columns, 0, members)
    else program.row(columns, members, members)
    for (const [standard, used] of needs) program.row([...used, [standard, -members]], -Infinity, 0)
  }

  private costOf({ of, safe }: Demand, choice: Means): number {
    const { weights, task } = this
    const away = safe && !task.switchers.find(({ node }) => node.id === choice.switcher)?.root
    return (
      (weights.gear * choice.minor) / 100 +
      weights.delay * choice.delayMs +
      weights.quality * choice.steps * (of === 'feeder' ? PICTURES_OF_A_FEEDER : 1) +
      weights.risk * choice.risk +
      weights.settings * choice.settings +
      weights.moves * choice.moved +
      weights.power * choice.watts +
      (away ? SAFE_SHOT_AWAY : 0)
    )
  }

  /** A switcher shows something only where a picture comes in. */
  private writeFeeding(): void {
    for (const { node, fed } of this.task.switchers) {
      if (fed) continue
      const entering = this.options
        .filter(({ demand, choice }) => demand.of !== 'sink' && choice.switcher === node.id)
        .map(({ column }): [number, number] => [column, 1])
      this.program.row([...entering, [this.inUse.get(node.id)!, -1]], 0, Infinity)
    }
  }

  private writeSplitter(splitter: Splitter): void {
    const { program, weights } = this
    const hung = this.legs.get(splitter.id)
    if (!hung) return
    const cost = (weights.gear * splitter.minor) / 100 + weights.power * splitter.row.watts
    const column = program.column(cost, 0, hung.length)
    this.boxes.push({ splitter, column })
    this.taken.note(splitter.takes, column)
    for (const item of splitter.items) this.items.note(item, column)
    program.row([...hung, [column, -splitter.legs.length]], -Infinity, 0)
  }

  private writeSockets(): void {
    const { program, task, terms, taken } = this
    const { sockets, switchers, spare } = task
    for (const [key, uses] of taken) program.row(uses, -Infinity, sockets.get(key)?.ports.length ?? 0)
    if (terms.spare === false || spare <= 0) return
    const inputs = [...sockets.values()].filter(
      ({ dir, device }) => dir === 'in' && switchers.some(({ node }) => node.id === device),
    )
    const most = inputs.reduce((sum, { ports }) => sum + ports.length, 0) - spare
    const used = inputs.flatMap(({ key }) => taken.get(key) ?? [])
    program.row(used, -Infinity, most)
  }

  /** What the kit has is free; beyond that each costs, or is not to be had. A cable of the house lies once. */
  private writeItem(item: string, uses: [number, number][]): void {
    const { program, weights, terms } = this
    const { plan, price, have, used } = this.task
    const lead = item.startsWith('lead:') ? plan.leads[item.split(':')[1]!] : undefined
    if (lead?.kind === 'cable' && lead.installed) {
      program.row(uses, -Infinity, 1 - (used.get(item) ?? 0))
      return
    }
    const each = (weights.money * (price.get(item) ?? 0)) / 100 + weights.things
    const spare = (have.get(item) ?? 0) - (used.get(item) ?? 0)
    if (terms.kitOnly) program.row(uses, -Infinity, Math.max(0, spare))
    else if (spare <= 0) for (const [column, factor] of uses) program.costs[column]! += factor * each
    else program.row([...uses, [program.column(each, 0, Infinity, false), -1]], -Infinity, spare)
  }

  read({ cost, bound, proven, values }: Parameters<Chooser['read']>[0]): Solution {
    const { bareMinor, used, have, price } = this.task
    const count = <T extends { readonly column: number }>(list: readonly T[]) =>
      list.filter(({ column }) => values[column]! > 0).map(one => ({ ...one, count: values[one.column]! }))
    const picks: Picked[] = count(this.options).map(({ column: _, ...pick }) => pick)
    const splitters = count(this.boxes).map(({ column: _, ...box }) => box)
    const needed = new Map(used)
    const bought = [
      ...picks.map(({ choice, count: n }) => ({ items: choice.items, minor: choice.minor, n })),
      ...splitters.map(({ splitter, count: n }) => ({ items: splitter.items, minor: splitter.minor, n })),
    ]
    for (const { items, n } of bought) for (const item of items) needed.set(item, (needed.get(item) ?? 0) + n)
    const lacking = (item: string, n: number) => Math.max(0, n - (have.get(item) ?? 0)) * (price.get(item) ?? 0)
    return {
      picks,
      splitters,
      cost,
      bound,
      proven,
      values,
      standards: new Map(
        [...this.standards].flatMap(([switcher, columns]) =>
          columns.filter(({ column }) => values[column] === 1).map(({ standard }) => [switcher, standard] as const),
        ),
      ),
      minor: bought.reduce((sum, { minor, n }) => sum + minor * n, bareMinor),
      missingMinor: [...needed].reduce((sum, [item, n]) => sum + lacking(item, n), 0),
    }
  }

  features({ standards, picks, splitters }: Solution): Feature[] {
    const free = this.options.filter(({ demand }) => !demand.rigid)
    const mine = picks.filter(({ demand }) => !demand.rigid)
    const inStandard = [...standards].map(([switcher, standard]): Feature => ({
      terms: [[this.inStandard(switcher, standard)!, 1]],
      now: 1,
    }))
    // Which of two alike boxes stands where is no difference; where a format is converted is one.
    const models = new Set([
      ...mine.flatMap(({ choice }) => modelsOf(choice)),
      ...splitters.map(({ splitter }) => splitter.model),
    ])
    const ofModel = [...models].map((model): Feature => {
      const inChoice = (choice: Means) => modelsOf(choice).filter(id => id === model).length
      const inBox = (splitter: Splitter) => Number(splitter.model === model)
      const terms: [number, number][] = [
        ...free.map(({ choice, column }): [number, number] => [column, inChoice(choice)]),
        ...this.boxes.map(({ splitter, column }): [number, number] => [column, inBox(splitter)]),
      ]
      return {
        terms: terms.filter(([, factor]) => factor > 0),
        now:
          mine.reduce((sum, { choice, count }) => sum + count * inChoice(choice), 0) +
          splitters.reduce((sum, { splitter, count }) => sum + count * inBox(splitter), 0),
      }
    })
    const converted = mine.filter(({ choice }) => choice.scales)
    const ofPlace = [...new Set(converted.map(({ demand }) => demand))].map((demand): Feature => ({
      terms: free.filter(one => one.demand === demand && one.choice.scales).map(({ column }) => [column, 1]),
      now: converted.filter(pick => pick.demand === demand).reduce((sum, { count }) => sum + count, 0),
    }))
    return [...inStandard, ...ofModel, ...ofPlace]
  }
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
