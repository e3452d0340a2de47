import type { Highs } from 'highs'
import { formatLabel, sameFormat, type VideoFormat } from '#core/signal'
import { Program, solve, type Watch } from './milp'
import { standardSteps } from './merit'
import type { Choice, Demand, Splitter, Task } from './task'
import { PICTURES_OF_A_FEEDER, SAFE_SHOT_AWAY, type Weights } from './weights'

/** A choice that was made, for so many of its demand's members. */
export interface Pick {
  readonly demand: Demand
  readonly choice: Choice
  readonly count: number
}

/** The best way to meet all demands, within the limits that were asked. */
export interface Solution {
  readonly picks: readonly Pick[]
  /** By stage; a stage that is not needed has none. */
  readonly standards: ReadonlyMap<string, VideoFormat>
  readonly splitters: readonly { readonly splitter: Splitter, readonly count: number }[]
  /** Points, and the points below which no solution can be. */
  readonly cost: number
  readonly bound: number
  readonly proven: boolean
  /** Planning price of the whole plan, and of what the kit lacks, minor units. */
  readonly minor: number
  readonly missingMinor: number
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
  readonly read: (solved: { readonly cost: number, readonly bound: number, readonly proven: boolean, readonly values: Float64Array }) => Solution
  /** Forbids plans that keep every standard, every device and every place where a format is converted of this one. */
  readonly unlike: (solution: Solution) => void
}

/** Writes a task as a program. Columns: the standard of each stage, each choice of each demand, splitters, things to get. */
export function chooserOf(task: Task, weights: Weights, terms: Terms = {}): Chooser {
  const { stages, demands, sockets, splitters, used, have, price } = task
  const program = new Program()
  const standards = new Map<string, { readonly standard: VideoFormat, readonly column: number }[]>()
  const inUse = new Map<string, number>()
  for (const { node, standards: able, held } of stages) {
    const columns = able.map(standard => ({ standard, column: program.binary(weights.quality * standardSteps(task.plan, standard) + (node.device.standard && !sameFormat(node.device.standard, standard) ? weights.moves : 0)) }))
    standards.set(node.id, columns)
    const use = program.column(0, held ? 1 : 0, 1)
    inUse.set(node.id, use)
    program.row([...columns.map(({ column }): [number, number] => [column, 1]), [use, -1]], 0, 0)
    if (terms.standard !== false && task.given && able.some(format => sameFormat(format, task.given!))) {
      for (const { standard, column } of columns) if (!sameFormat(standard, task.given)) program.row([[column, 1]], 0, 0)
    }
  }
  const inStandard = (stage: string, format: VideoFormat): number | undefined => standards.get(stage)?.find(({ standard }) => sameFormat(standard, format))?.column

  const taken = new Map<string, [number, number][]>()
  const legs = new Map<string, [number, number][]>()
  const items = new Map<string, [number, number][]>()
  const note = (map: Map<string, [number, number][]>, key: string, column: number, factor: number) => map.set(key, [...map.get(key) ?? [], [column, factor]])
  const chosen: { readonly demand: Demand, readonly choice: Choice, readonly column: number }[] = []
  for (const demand of demands) {
    const members = demand.members.length
    const columns: [number, number][] = []
    const needs = new Map<number, [number, number][]>()
    for (const choice of demand.choices) {
      const wanted = choice.needs.map(([stage, format]) => inStandard(stage, format))
      if (wanted.some(column => column === undefined)) continue
      const away = demand.safe && !stages.find(({ node }) => node.id === choice.stage)?.root
      const column = program.column(
        (weights.gear * choice.minor) / 100 + weights.delay * choice.delayMs + weights.quality * choice.steps * (demand.of === 'feeder' ? PICTURES_OF_A_FEEDER : 1) + weights.risk * choice.risk + weights.settings * choice.settings
        + weights.moves * choice.moved + weights.power * choice.watts + (away ? SAFE_SHOT_AWAY : 0), 0, members)
      chosen.push({ demand, choice, column })
      columns.push([column, 1])
      for (const need of wanted) needs.set(need!, [...needs.get(need!) ?? [], [column, 1]])
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
  // A stage shows something only where a picture comes in.
  for (const { node, fed } of stages) {
    if (fed) continue
    const entering = chosen.filter(({ demand, choice }) => demand.of !== 'sink' && choice.stage === node.id).map(({ column }): [number, number] => [column, 1])
    program.row([...entering, [inUse.get(node.id)!, -1]], 0, Infinity)
  }
  const boxes: { readonly splitter: Splitter, readonly column: number }[] = []
  for (const splitter of splitters) {
    const hung = legs.get(splitter.id)
    if (!hung) continue
    const column = program.column((weights.gear * splitter.minor) / 100 + weights.power * splitter.row.watts, 0, hung.length)
    boxes.push({ splitter, column })
    note(taken, splitter.takes, column, 1)
    for (const item of splitter.items) note(items, item, column, 1)
    program.row([...hung, [column, -splitter.legs.length]], -Infinity, 0)
  }
  for (const [key, terms] of taken) program.row(terms, -Infinity, sockets.get(key)?.ports.length ?? 0)
  if (terms.spare !== false && task.spare > 0) {
    const inputs = [...sockets.values()].filter(({ dir, device }) => dir === 'in' && stages.some(({ node }) => node.id === device))
    program.row(inputs.flatMap(({ key }) => taken.get(key) ?? []), -Infinity, inputs.reduce((sum, { ports }) => sum + ports.length, 0) - task.spare)
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
    const picks = chosen.flatMap(({ demand, choice, column }) => (values[column]! > 0 ? [{ demand, choice, count: values[column]! }] : []))
    const put = boxes.flatMap(({ splitter, column }) => (values[column]! > 0 ? [{ splitter, count: values[column]! }] : []))
    const needed = new Map(used)
    const need = (names: readonly string[], count: number) => names.forEach(item => needed.set(item, (needed.get(item) ?? 0) + count))
    for (const { choice, count } of picks) need(choice.items, count)
    for (const { splitter, count } of put) need(splitter.items, count)
    return {
      picks, splitters: put, cost, bound, proven,
      standards: new Map([...standards].flatMap(([stage, columns]) => columns.filter(({ column }) => values[column] === 1).map(({ standard }) => [stage, standard] as const))),
      minor: task.bareMinor + picks.reduce((sum, { choice, count }) => sum + choice.minor * count, 0) + put.reduce((sum, { splitter, count }) => sum + splitter.minor * count, 0),
      missingMinor: [...needed].reduce((sum, [item, count]) => sum + Math.max(0, count - (have.get(item) ?? 0)) * (price.get(item) ?? 0), 0),
    }
  }

  function unlike({ standards: stood, picks, splitters: put }: Solution): void {
    const terms: [number, number][] = []
    let least = 1
    for (const [stage, standard] of stood) {
      terms.push([inStandard(stage, standard)!, -1])
      least -= 1
    }
    const fewer = (columns: [number, number][], now: number, most: number) => {
      const gone = program.binary()
      // gone = 1 only where fewer than now are left.
      program.row([...columns, [gone, most - now + 1]], -Infinity, most)
      terms.push([gone, 1])
    }
    // Which of two alike boxes stands where is no difference; where a format is converted is one.
    const models = new Set([...picks.filter(({ demand }) => !demand.rigid).flatMap(({ choice }) => modelsOf(choice)), ...put.map(({ splitter }) => splitter.model)])
    for (const model of models) {
      const columns = [
        ...chosen.filter(({ demand }) => !demand.rigid).map(({ choice, column }): [number, number] => [column, modelsOf(choice).filter(id => id === model).length]),
        ...boxes.map(({ splitter, column }): [number, number] => [column, Number(splitter.model === model)]),
      ].filter(([, factor]) => factor > 0)
      const now = picks.filter(({ demand }) => !demand.rigid).reduce((sum, { choice, count }) => sum + count * modelsOf(choice).filter(id => id === model).length, 0) + put.reduce((sum, { splitter, count }) => sum + (splitter.model === model ? count : 0), 0)
      fewer(columns, now, columns.reduce((sum, [column, factor]) => sum + factor * program.upper[column]!, 0))
    }
    for (const demand of new Set(picks.filter(({ demand, choice }) => !demand.rigid && choice.scales).map(pick => pick.demand))) {
      const columns = chosen.filter(one => one.demand === demand && one.choice.scales).map(({ column }): [number, number] => [column, 1])
      fewer(columns, picks.filter(pick => pick.demand === demand && pick.choice.scales).reduce((sum, { count }) => sum + count, 0), demand.members.length)
    }
    program.row(terms, least, Infinity)
  }

  return { program, read, unlike }
}

const modelsOf = ({ devices }: Choice): string[] => (devices === '' ? [] : devices.split('+'))

/** The best solution of a task, or why there is none. */
export function choose(highs: Highs, chooser: Chooser, watch: Watch = {}): Solution | 'infeasible' | 'unknown' {
  const solved = solve(highs, chooser.program, watch)
  return solved.status === 'solved' ? chooser.read(solved) : solved.status
}

/** "1080p50", or with each stage's where they differ: "Main 1080p50, Side 1080p25". */
export function standardWords(task: Task, { standards }: { readonly standards: ReadonlyMap<string, VideoFormat> }): string {
  const used = [...standards.values()]
  if (used.length === 0) return 'no switcher'
  if (used.every(format => sameFormat(format, used[0]!))) return formatLabel(used[0]!)
  return [...standards].map(([id, format]) => `${task.plan.devices[id]!.name} ${formatLabel(format)}`).join(', ')
}
