import { isCamera, portsOf, type Feed } from '#core/catalog'
import { type DeviceNode, type Run, isSwitcher } from '#core/chain'
import { type Edit, type LinkEnd, own } from '#core/document'
import {
  type Candidate,
  Draft,
  followAcross,
  followInputs,
  layWay,
  setFormat,
  shortTitle,
  wayTitle,
} from '#core/propose'
import { formatLabel, sameFormat } from '#core/signal'
import type { Solution } from './choose'
import { inPhases, takeAway } from './lying'
import type { Demand, Splitter, Task } from './question'

/** One piece of a proposal, in words, that can be taken by itself. */
export interface Change {
  readonly id: string
  readonly title: string
  readonly edits: readonly Edit[]
  /** Parts without which this one hangs in the air. */
  readonly needs: readonly string[]
  readonly kind: 'standard' | 'source' | 'feeder' | 'sink' | 'splitter' | 'tidy' | 'finish'
}

/** A solution as changes to the plan. */
export interface ChangeSet {
  readonly parts: readonly Change[]
  /** Rows of the catalogue that parts use. */
  readonly shelf: readonly Edit[]
}

/** The edits of the chosen parts, in an order that holds, with the rows that they use. */
export function composed({ parts, shelf }: ChangeSet, chosen: (part: Change) => boolean = () => true): Edit[] {
  const of = (finish: boolean) =>
    parts.filter(part => chosen(part) && (part.kind === 'finish') === finish).flatMap(part => part.edits)
  const [main, last] = [of(false), of(true)]
  const text = JSON.stringify([main, last])
  // Finishing touches were each made on what stood before them.
  return [...inPhases([...shelf.filter(edit => edit.do === 'add' && text.includes(`"${edit.id}"`)), ...main]), ...last]
}

/**
 * Lays a solution out by habit: the wide safe shot on the first input, or on the one that the switcher shows as its
 * picture in picture; cameras by their numbers; feeders, then computers last; fill before key. What stays keeps its input.
 */
export function layout(task: Task, solution: Solution): ChangeSet {
  return new Layouter(task, solution).laid()
}

interface Box {
  readonly id: string
  readonly device: string
  /** Outputs of it that nothing hangs on yet. */
  readonly legs: string[]
}

class Layouter {
  private readonly draft: Draft
  private readonly nodes: ReadonlyMap<string, DeviceNode>
  private readonly parts: Change[] = []
  /** Ports of each class of sockets that nothing is plugged into yet. */
  private readonly free: ReadonlyMap<string, Set<string>>
  private readonly labels = new Map<string, Set<string>>()
  private readonly occupied = new Set<string>()
  private readonly boxes = new Map<string, Box[]>()

  constructor(
    private readonly task: Task,
    private readonly solution: Solution,
  ) {
    this.draft = new Draft(task.plan)
    this.nodes = task.checked.traced.chain.nodes
    this.free = new Map([...task.sockets].map(([key, { ports }]) => [key, new Set(ports)]))
  }

  laid(): ChangeSet {
    this.tidyLoose()
    this.setStandards()
    this.keep()
    const moving = membersOf(this.solution).sort(
      (a, b) => rank(a, this.nodes) - rank(b, this.nodes) || orderOf(a, this.nodes) - orderOf(b, this.nodes),
    )
    // Those whose name has a number come to the input of that number first.
    for (const one of moving.filter(({ demand }) => demand.of !== 'sink')) one.ports.push(...this.inputsFor(one))
    for (const { splitter, count } of this.solution.splitters)
      for (let i = 0; i < count; i++) this.putSplitter(splitter, i)
    for (const one of moving) {
      if (one.demand.of === 'source') this.leadSource(one)
      else if (one.demand.of === 'feeder') this.leadFeeder(one)
      else this.leadSink(one)
    }
    if (moving.length) this.tidyLabels()
    this.followInputs(moving)
    return { parts: this.parts, shelf: this.draft.edits.filter(isRow) }
  }

  private part(kind: Change['kind'], id: string, title: string, make: () => void, needs: readonly string[] = []): void {
    const begin = this.draft.edits.length
    make()
    const edits = this.draft.edits.slice(begin).filter(edit => !isRow(edit))
    if (edits.length) this.parts.push({ id, kind, title: title.slice(0, 160), edits, needs })
  }

  private nameOf(device: string): string {
    return this.task.plan.devices[device]!.name
  }

  private takeAway(runs: readonly Run[]): void {
    for (const run of runs) this.draft.edits.push(...takeAway(this.task.checked.traced, run))
  }

  /** Takes away what leads nowhere, and what leads on from a feeder that has no picture any more. */
  private tidyLoose(): void {
    const { demands, bare, checked } = this.task
    const loose = checked.traced.runs.filter(
      run => !run.beside && (!run.end || !run.origin) && run.links.every(({ wire }) => !own(bare.links, wire.id)),
    )
    const [what, s] = loose.length === 1 ? ['the cable', 's'] : [`${loose.length} cables`, '']
    if (loose.length) this.part('tidy', 'tidy', `Take away ${what} that lead${s} nowhere`, () => this.takeAway(loose))
    const { picks } = this.solution
    for (const demand of demands)
      if (demand.of === 'feeder' && demand.runs.length > 0 && !picks.some(pick => pick.demand === demand))
        this.part('tidy', demand.id, `Take away what leads on from ${demand.name}, which has no picture any more`, () =>
          this.takeAway(demand.runs),
        )
  }

  private setStandards(): void {
    const changed = [...this.solution.standards].filter(([switcher, format]) => {
      const { device, standard } = this.nodes.get(switcher)!
      return !device.standard || !sameFormat(standard!, format)
    })
    if (changed.length === 0) return
    const first = changed[0]![1]
    const title = changed.every(([, format]) => sameFormat(format, first))
      ? `Set ${changed.map(([switcher]) => this.nameOf(switcher)).join(', ')} to ${formatLabel(first)}`
      : changed.map(([switcher, format]) => `set ${this.nameOf(switcher)} to ${formatLabel(format)}`).join(', ')
    this.part('standard', 'standard', title, () =>
      changed.forEach(([switcher, format]) => this.draft.set(['devices', switcher, 'standard'], format)),
    )
  }

  /** What stays holds its sockets before anything else is put anywhere. */
  private keep(): void {
    const kept = this.solution.picks.filter(({ choice }) => choice.keep !== undefined)
    for (const { origin, end } of kept.flatMap(({ demand }) => demand.runs)) {
      for (const socket of [origin, end]) {
        if (!socket) continue
        for (const [key, { device }] of this.task.sockets)
          if (device === socket.device) this.free.get(key)!.delete(socket.port)
        this.occupied.add(`${socket.device}/${socket.port}`)
      }
    }
    for (const { demand, choice } of kept)
      if (choice.keep!.length)
        this.part('source', demand.id, `Set ${demand.name} to ${settingWords(choice.keep!)}`, () =>
          choice.keep!.forEach(edit => this.draft.edits.push(edit)),
        )
  }

  private putSplitter(splitter: Splitter, nth: number): void {
    const { draft } = this
    const out = this.take(splitter.takes)
    const id = `splitter:${splitter.id}/${nth}`
    const at = this.nameOf(splitter.switcher)
    const name = shortTitle(splitter.row.title)
    const title = `Put a ${name} at ${at} output ${numberOf(this.nodes.get(splitter.switcher)!, out)}`
    this.part('splitter', id, title, () => {
      this.point(splitter.switcher, out, splitter.feed)
      const device = draft.device({
        model: draft.model(splitter.model),
        name: `${name}, ${at}`.slice(0, 120),
        order: 0,
      })
      const from = { device: splitter.switcher, port: out }
      layWay(draft, splitter.lead, from, { device, port: splitter.inPort }, at)
      this.boxes.set(splitter.id, [...(this.boxes.get(splitter.id) ?? []), { device, legs: [...splitter.legs], id }])
    })
  }

  private leadSource({ demand, member, way, ports, takes }: Moving): void {
    const { draft } = this
    const node = this.nodes.get(member)!
    const switcher = this.nodes.get(this.task.sockets.get(takes[0]!)!.device)!
    const { format } = way.from.signal
    const inputs = ports.map(port => numberOf(switcher, port)).join(' and ')
    const set = way.from.set ? `, set to ${formatLabel(format)}` : ''
    const title = `${this.nameOf(member)} to ${this.nameOf(switcher.id)} input ${inputs} by ${wayTitle(way)}${set}`
    this.part('source', `${demand.id}/${member}`, title, () => {
      const replaced = demand.runs.filter(run => run.origin!.device === member)
      this.takeAway(replaced)
      demand.ends.forEach((end, i) => {
        const out = end || way.from.portId
        const now = own(node.device.ports, out)?.format
        if (!now || !sameFormat(now, format)) setFormat(draft, node, out, format)
        const to = { device: switcher.id, port: ports[i]! }
        layWay(draft, way, { device: member, port: out }, to, this.nameOf(member), replaced[i]?.id)
        this.label(switcher, ports[i]!, end ? end.toUpperCase() : node.device.name)
      })
    })
  }

  private leadFeeder({ demand, member, way, ports, takes }: Moving): void {
    const [outKey, inKey] = takes as [string, string]
    const next = this.nodes.get(this.task.sockets.get(inKey)!.device)!
    const [input] = ports as [string]
    const out = this.outputFor(outKey, 'program')
    const title = `${this.nameOf(member)} program to ${this.nameOf(next.id)} input ${numberOf(next, input)} by ${wayTitle(way)}`
    this.part('feeder', demand.id, title, () => {
      const replaced = demand.runs.filter(run => run.origin!.device === member)
      this.takeAway(replaced)
      this.point(member, out, 'program')
      const to = { device: next.id, port: input }
      layWay(this.draft, way, { device: member, port: out }, to, this.nameOf(member), replaced[0]?.id)
      this.label(next, input, this.nodes.get(member)!.device.name)
    })
  }

  private leadSink({ demand, member, way, leg, takes }: Moving): void {
    const feed = demand.feed!
    const input = this.take(takes.at(-1)!)
    const box = leg === undefined ? undefined : this.boxes.get(leg)!.find(({ legs }) => legs.length)
    const from: LinkEnd = box
      ? { device: box.device, port: box.legs.shift()! }
      : { device: this.task.sockets.get(takes[0]!)!.device, port: this.outputFor(takes[0]!, feed) }
    const output = box
      ? 'Splitter'
      : `${this.nameOf(from.device)} output ${numberOf(this.nodes.get(from.device)!, from.port)}`
    const title = `${output}, ${feed}, to ${this.nameOf(member)} by ${wayTitle(way)}`
    const make = () => {
      const replaced = demand.runs.filter(run => run.end!.device === member)
      this.takeAway(replaced)
      if (!box) this.point(from.device, from.port, feed)
      layWay(this.draft, way, from, { device: member, port: input }, this.nameOf(member), replaced[0]?.id)
      if (!demand.assumed) return
      const id = `${member}-sees`.slice(0, 64).replace(/-+$/, '')
      this.draft.edits.push({ do: 'add', collection: 'wants', id, value: { sink: member, feed } })
    }
    this.part('sink', demand.id, title, make, box ? [box.id] : [])
  }

  /** Looks, macros and outputs that name an input go with the picture that came by it. */
  private followInputs(moving: readonly Moving[]): void {
    const went = moving.flatMap(({ demand, member, ports, takes }) => {
      if (demand.of === 'sink') return []
      const { device } = this.task.sockets.get(takes.at(-1)!)!
      return demand.runs
        .filter(({ origin }) => origin!.device === member)
        .flatMap(({ end }, i) =>
          end && ports[i] !== undefined && (end.device !== device || end.port !== ports[i])
            ? [
                {
                  part: demand.of === 'feeder' ? demand.id : `${demand.id}/${member}`,
                  from: end,
                  to: { device, port: ports[i] },
                },
              ]
            : [],
        )
    })
    const here = went.filter(({ from, to }) => from.device === to.device)
    const needs = [...new Set(went.map(({ part }) => part))]
    const { plan } = this.task
    this.part(
      'finish',
      'inputs',
      'Take along what looks, macros and outputs say of the inputs',
      () => {
        followInputs(this.draft, plan, here)
        followAcross(this.draft, plan, went, this.feederLinks(moving))
      },
      needs,
    )
  }

  /** How the feeders lead on, as it lies and as it will. */
  private feederLinks(moving: readonly Moving[]): { before: Map<string, LinkEnd>; after: Map<string, LinkEnd> } {
    const before = new Map<string, LinkEnd>()
    for (const { beside, lit, origin, end } of this.task.checked.traced.runs)
      if (!beside && lit && origin && end && [origin, end].every(({ device }) => isSwitcher(this.nodes.get(device)!)))
        before.set(origin.device, before.get(origin.device) ?? end)
    const after = new Map(before)
    for (const { demand, member, ports, takes } of moving)
      if (demand.of === 'feeder' && ports[0] !== undefined)
        after.set(member, { device: this.task.sockets.get(takes.at(-1)!)!.device, port: ports[0] })
    return { before, after }
  }

  /** A label that no picture stands behind any more would lie. */
  private tidyLabels(): void {
    const { bare } = this.task
    const stale = [...this.nodes.values()].filter(isSwitcher).flatMap(({ id, device, model }) =>
      portsOf(model, 'in').flatMap(([port]) => {
        if (own(device.ports, port)?.label === undefined || this.occupied.has(`${id}/${port}`)) return []
        const wired = Object.values(bare.links).some(({ to }) => to?.device === id && to.port === port)
        return wired ? [] : [[id, port] as const]
      }),
    )
    const s = stale.length === 1 ? '' : 's'
    if (stale.length)
      this.part('tidy', 'labels', `Take ${stale.length} label${s} off inputs that fall free`, () =>
        stale.forEach(([id, port]) => this.draft.set(['devices', id, 'ports', port, 'label'])),
      )
  }

  private feedAt(switcher: string, out: string): string | undefined {
    const { device, model } = this.nodes.get(switcher)!
    return own(device.ports, out)?.feed ?? model.ports[out]!.feeds?.[0]
  }

  private point(switcher: string, out: string, feed: Feed): void {
    if (this.feedAt(switcher, out) !== feed) this.draft.set(['devices', switcher, 'ports', out, 'feed'], feed)
  }

  /** The first free port of a class. */
  private take(key: string, best: (port: string) => boolean = () => true): string {
    const ports = [...this.free.get(key)!]
    const port = ports.find(best) ?? ports[0]!
    this.free.get(key)!.delete(port)
    return port
  }

  /** A free output of a class; best one that is pointed at the feed already. */
  private outputFor(key: string, feed: string): string {
    const { device } = this.task.sockets.get(key)!
    return this.take(key, port => this.feedAt(device, port) === feed)
  }

  private inputsFor({ demand, member, takes }: Moving): string[] {
    const key = takes.at(-1)!
    const { device, ports } = this.task.sockets.get(key)!
    const open = ports.filter(id => this.free.get(key)!.has(id))
    const { model } = this.nodes.get(device)!
    const number = demand.ends.length > 1 ? undefined : /(\d+)\s*$/.exec(this.nameOf(member))?.[1]
    const hasSafe = this.task.demands.some(({ safe }) => safe)
    return demand.ends.map(() => {
      const named = number === undefined ? undefined : open.find(id => model.ports[id]!.number === Number(number))
      const first = demand.safe ? (open.find(id => id === model.inset) ?? open[0]) : undefined
      // The picture in picture is kept for the safe shot, where there is one.
      const plain = open.find(id => id !== model.inset || demand.of === 'feeder' || !hasSafe)
      const chosen = first ?? named ?? plain ?? open[0]!
      open.splice(open.indexOf(chosen), 1)
      this.free.get(key)!.delete(chosen)
      this.occupied.add(`${device}/${chosen}`)
      return chosen
    })
  }

  private label({ id: switcher, device: { ports = {} } }: DeviceNode, port: string, name: string): void {
    const taken =
      this.labels.get(switcher) ??
      new Set(
        Object.entries(ports).flatMap(([id, { label }]) =>
          label !== undefined && this.occupied.has(`${switcher}/${id}`) && id !== port ? [label] : [],
        ),
      )
    this.labels.set(switcher, taken)
    const short = shortLabel(name)
    let text = short
    for (let n = 2; taken.has(text); n++) text = `${short} ${n}`
    taken.add(text)
    if (own(ports, port)?.label !== text) this.draft.set(['devices', switcher, 'ports', port, 'label'], text)
  }
}

/** What fits beside an input of the board. */
const LABEL_LENGTH = 9

/** As many whole words of a name as fit, in capitals, its number kept: "Camera 2, gallery" is CAMERA 2. */
function shortLabel(name: string): string {
  const words = name.split(/[,(]/)[0]!.trim().toUpperCase().split(/\s+/)
  const number = words.length > 1 && /^\d+$/.test(words.at(-1)!) ? ` ${words.pop()}` : ''
  let label = words[0]!.slice(0, LABEL_LENGTH - number.length)
  for (const word of words.slice(1)) {
    if (label.length + 1 + word.length + number.length > LABEL_LENGTH) break
    label += ` ${word}`
  }
  return `${label}${number}` || 'INPUT'
}

interface Moving {
  readonly demand: Demand
  readonly member: string
  readonly way: Candidate
  readonly leg?: string
  readonly takes: readonly string[]
  /** Inputs of the switcher that is entered. */
  readonly ports: string[]
}

/** One entry for each device that is led anew; members of a demand share its choices out in their order. */
function membersOf({ picks }: Solution): Moving[] {
  const rest = new Map<Demand, string[]>()
  return picks
    .filter(({ choice }) => choice.way !== undefined)
    .flatMap(({ demand, choice, count }) => {
      const left = rest.get(demand) ?? [...demand.members]
      rest.set(demand, left)
      return left.splice(0, count).map((member): Moving => ({
        demand,
        member,
        way: choice.way!,
        ...(choice.leg === undefined ? {} : { leg: choice.leg }),
        takes: choice.takes,
        ports: [],
      }))
    })
}

/** The order in which inputs are given: the safe shot, cameras, other pictures, feeders, computers; then what leaves. */
function rank({ demand, member }: Moving, nodes: ReadonlyMap<string, DeviceNode>): number {
  if (demand.of === 'sink') return 9
  if (demand.of === 'feeder') return 4
  const { model } = nodes.get(member)!
  if (demand.safe) return 0
  if (isCamera(model)) return 1
  return model.kind === 'computer' ? 5 : 2
}

const orderOf = ({ member }: Moving, nodes: ReadonlyMap<string, DeviceNode>): number => nodes.get(member)!.device.order

const isRow = (edit: Edit): boolean =>
  edit.do === 'add' && (edit.collection === 'models' || edit.collection === 'leads')
const numberOf = (node: DeviceNode, port: string): string | number => node.model.ports[port]?.number ?? port

function settingWords(edits: readonly Edit[]): string {
  const formats = edits.flatMap(edit =>
    edit.do === 'set' && edit.at.at(-1) === 'format' ? [formatLabel(edit.value as never)] : [],
  )
  return [...new Set(formats)].join(', ') || 'its other mode'
}
