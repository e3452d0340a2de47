import type { SocketClass, SwitcherTask, Means, Demand, Splitter, Task, TaskOptions } from './question'
import { LEADS } from '#core/cable'
import {
  type Feed,
  MODELS,
  type Model,
  type Port,
  carriesPicture,
  isCamera,
  makesInAnyMode,
  portsOf,
} from '#core/catalog'
import {
  type DeviceNode,
  type Run,
  type Traced,
  delayMs,
  isSwitcher,
  kitLines,
  madeBy,
  mixedBy,
  planMinor,
  socketKey,
  tracedOf,
} from '#core/chain'
import { type Plan, applyEdits, own } from '#core/document'
import {
  type Beginning,
  type Candidate,
  type Checked,
  type Limits,
  type Span,
  type Target,
  allModels,
  portKey,
  searcher,
  startKey,
} from '#core/propose'
import { type VideoFormat, conversionSteps, listFormats, sameFormat, setsContain } from '#core/signal'
import { type Cascade, byOrder, cascadeOf } from './cascade'
import { inPhases, isUnknown, keepers, leadsSimply, lengthOfRun, movable, spanOf, takeAway } from './lying'
import { type Ability, abilityOf, gainsApart, worthwhile } from './merit'
import { type SinkWant, feedOf, wantsOf } from './wanted'

/** Reads a plan as a task. Looks for ways from every source to every kind of input in every standard; seconds for large plans. */
export function taskOf(
  checked: Checked,
  options: TaskOptions = {},
  progress: (share: number) => void = () => {},
): Task {
  return new Reader(checked, options).read(progress)
}

/** What is worked out once for all demands of one plan. */
class Reader {
  private readonly traced: Traced
  private readonly cascade: Cascade
  private readonly ability: Ability
  private readonly given: VideoFormat | undefined
  private readonly loose: readonly Run[]
  private readonly flexible: ReadonlySet<Run>
  private readonly bare: Traced
  private readonly switchers: readonly SwitcherTask[]
  private readonly sockets = new Map<string, SocketClass>()
  private readonly splitters = new Map<string, Splitter>()
  private readonly left: string[] = []
  private readonly price = new Map<string, number>()
  private readonly normal: (item: string) => string
  private readonly ready: ReadonlyMap<string, number>
  private readonly search: ReturnType<typeof searcher>
  private readonly asked = new Map<
    string,
    { readonly starts: readonly Beginning[]; readonly found: readonly Candidate[] }
  >()
  private readonly kept: ReturnType<typeof keepers>
  private readonly wants: readonly SinkWant[]

  constructor(
    private readonly checked: Checked,
    private readonly options: TaskOptions,
  ) {
    const { traced } = checked
    const { plan, chain, runs } = traced
    this.traced = traced
    this.given = options.fixed ?? plan.brief.standard
    this.cascade = cascadeOf(traced)
    this.ability = abilityOf([...chain.nodes.values()])
    this.wants = wantsOf(traced)
    this.loose = runs.filter(run => !run.beside && (!run.end || !run.origin) && movable(traced, run, false))
    this.flexible = new Set(
      runs.filter(
        run =>
          !run.beside &&
          run.origin &&
          run.end &&
          movable(traced, run, options.loosely === true) &&
          leadsSimply(traced, run),
      ),
    )
    const away = applyEdits(plan, inPhases([...this.loose, ...this.flexible].flatMap(run => takeAway(traced, run))))
    if (!away.ok) throw new Error(`what may be led otherwise cannot be taken away: ${away.problem.path}`)
    this.bare = tracedOf(away.value.plan)
    this.switchers = this.readSwitchers()
    for (const { node } of this.switchers) for (const dir of ['in', 'out'] as const) this.classes(node, dir)
    this.normal = normaliser(plan)
    const lines = kitLines(plan)
    for (const line of lines) this.price.set(line.key, line.minor)
    // What is taken out of its run lies ready as well.
    this.ready = new Map(lines.map(line => [line.key, Math.max(line.there, line.needed)]))
    this.search = searcher(plan, item => (this.ready.get(this.normal(item)) ?? 0) > 0)
    this.kept = keepers(
      traced,
      this.switchers,
      this.flexible,
      end => [...this.sockets.values()].find(one => one.device === end.device && one.ports.includes(end.port))?.key,
    )
  }

  read(progress: (share: number) => void): Task {
    const { plan, chain } = this.traced
    const steps: (() => Demand | undefined)[] = [
      ...[...chain.nodes.values()]
        .filter(({ model }) => model.role === 'source')
        .sort(byOrder)
        .map(node => () => this.sourceDemand(node)),
      ...this.switchers.filter(({ root }) => !root).map(switcher => () => this.feederDemand(switcher)),
      ...this.wants.map(want => () => this.sinkDemand(want)),
    ]
    const demands = steps.flatMap((step, i) => {
      progress(i / steps.length)
      return step() ?? []
    })
    progress(1)
    const reserved = this.switchers.reduce(
      (sum, { node }) =>
        sum + Object.values(node.device.ports ?? {}).filter(setting => setting.reserved !== undefined).length,
      0,
    )
    return {
      plan,
      checked: this.checked,
      bare: this.bare.plan,
      switchers: this.switchers,
      sockets: this.sockets,
      splitters: [...this.splitters.values()],
      left: this.left,
      given: this.given,
      price: this.price,
      demands: this.options.loosely ? demands : merged(plan, demands),
      bareMinor: planMinor(this.bare.plan),
      used: new Map(kitLines(this.bare.plan).map(line => [line.key, line.needed])),
      have: new Map(kitLines(plan).map(line => [line.key, line.there])),
      spare: Math.max(0, (plan.brief.spareInputs ?? 0) - reserved),
    }
  }

  private readSwitchers(): SwitcherTask[] {
    const { order, roots, parents } = this.cascade
    const held = this.options.loosely ? undefined : this.given
    const worth = worthwhile(this.traced.plan, order, this.ability, this.given)
    const { entering, leaving } = this.bare.chain
    return order.map((node): SwitcherTask => {
      const offers = worth.filter(format => setsContain(node.model.standards ?? [], format))
      const standards =
        held === undefined ? offers : [offers.find(format => sameFormat(format, held)) ?? node.standard!]
      const wired = (dir: Port['dir'], used: typeof entering) =>
        portsOf(node.model, dir).some(([id, port]) => carriesPicture(port) && used.has(socketKey(node.id, id)))
      const fed = wired('in', entering)
      return {
        node,
        standards,
        root: roots.has(node.id),
        parents: parents.get(node.id) ?? [],
        held: fed || wired('out', leaving),
        fed,
      }
    })
  }

  /** The sockets of a device that what stays leaves free, alike ones together. */
  private classes(node: DeviceNode, dir: Port['dir']): SocketClass[] {
    const busy = dir === 'in' ? this.bare.chain.entering : this.bare.chain.leaving
    const found = new Map<string, SocketClass>()
    for (const [id, port] of portsOf(node.model, dir)) {
      if (
        !carriesPicture(port) ||
        busy.has(socketKey(node.id, id)) ||
        own(node.device.ports, id)?.reserved !== undefined
      )
        continue
      const key = `${node.id}/${dir}/${portKey(port)}`
      const known = found.get(key)
      found.set(
        key,
        known ? { ...known, ports: [...known.ports, id] } : { key, device: node.id, dir, port, ports: [id] },
      )
    }
    for (const one of found.values()) if (!this.sockets.has(one.key)) this.sockets.set(one.key, one)
    return [...found.values()]
  }

  private ways(starts: readonly Beginning[], target: Target, span: Span, limits: Limits): readonly Candidate[] {
    const key = `${startKey(starts)}>${portKey(target.port)}/${target.port.takes === 'standard' ? JSON.stringify(target.node.standard) : target.node.device.model}/${JSON.stringify(span)}/${JSON.stringify(limits)}`
    const known = this.asked.get(key)
    if (known) return known.found.map(way => ({ ...way, from: starts[known.starts.indexOf(way.from)]! }))
    const found = this.search(starts, target, span, limits)
    this.asked.set(key, { starts, found })
    return found
  }

  /** Items as the plan calls them, with their prices noted. */
  private noted(items: readonly string[]): string[] {
    return items.map(item => {
      const key = this.normal(item)
      if (!this.price.has(key)) this.price.set(key, itemMinor(this.traced.plan, item))
      return key
    })
  }

  /** A choice by a way, for a demand that takes so many inputs alike. */
  private byWay(
    way: Candidate,
    ends: number,
    rest: Pick<Means, 'switcher' | 'needs' | 'takes' | 'moved'> & {
      readonly leg?: string
      readonly moreMs: number
      readonly moreSteps?: number
    },
  ): Means {
    const { moreMs, moreSteps = 0, ...fixed } = rest
    return {
      ...fixed,
      way,
      items: this.noted(Array.from({ length: ends }, () => way.items).flat()),
      minor: way.minor * ends,
      watts: way.watts * ends,
      risk: way.risks * ends,
      steps: way.steps + moreSteps,
      settings: Number(way.from.set),
      delayMs: way.delay.typ + moreMs,
      devices: way.devices.map(({ model }) => model).join('+'),
      scales: way.devices.some(({ format }) => format !== undefined),
    }
  }

  private sourceDemand(node: DeviceNode): Demand | undefined {
    const { chain, runs } = this.traced
    const outs = portsOf(node.model, 'out').filter(([, port]) => carriesPicture(port))
    if (outs.length === 0) return undefined
    const mine = runs.filter(run => !run.beside && run.origin?.device === node.id && !this.loose.includes(run))
    const pair = ['fill', 'key'].every(id => outs.some(([port]) => port === id))
    const ends = pair ? ['fill', 'key'] : ['']
    const easy = mine.filter(run => this.flexible.has(run))
    const rigid =
      mine.length > 0 &&
      (mine.length !== easy.length ||
        easy.length > ends.length ||
        easy.some(run => !isSwitcher(chain.nodes.get(run.end!.device)!)))
    const choices: Means[] = rigid || mine.length === ends.length ? this.kept(node.id, mine, rigid) : []
    if (rigid && choices.length === 0) {
      this.left.push(node.device.name)
      return undefined
    }
    let metres = Infinity
    for (const switcher of rigid ? [] : this.switchers) {
      const now = easy[0]
      if (now && this.cascade.treeOf(now.end!.device) !== this.cascade.treeOf(switcher.node.id)) continue
      const span = spanOf(this.traced, node, switcher.node, now)
      if (now && isUnknown(span) && lengthOfRun(this.traced, now)) continue
      metres = Math.min(metres, span.routeM ?? span.cutM ?? Infinity)
      const path = switcher.node.model.paths.find(({ format }) => format === 'standard')!
      for (const one of this.classes(switcher.node, 'in')) {
        for (const standard of switcher.standards) {
          const starts = beginnings(node, pair ? outs.filter(([id]) => id === 'fill') : outs, standard)
          for (const way of this.ways(
            starts,
            { node: { ...switcher.node, standard }, portId: one.ports[0]!, port: one.port },
            span,
            { standard },
          )) {
            choices.push(
              this.byWay(way, ends.length, {
                switcher: switcher.node.id,
                needs: [[switcher.node.id, standard]],
                takes: ends.map(() => one.key),
                moved: Number(mine.length > 0),
                moreMs: delayMs(one.port.delay, standard).typ + (switcher.root ? 0 : delayMs(path.delay, standard).typ),
              }),
            )
          }
        }
      }
    }
    return {
      id: `source:${node.id}`,
      of: 'source',
      members: [node.id],
      name: node.device.name,
      ends,
      runs: rigid ? [] : mine,
      rigid,
      pinned: isPinned(mine),
      safe: isCamera(node.model) && node.device.shot === 'safe',
      ...(Number.isFinite(metres) ? { metres } : {}),
      choices,
    }
  }

  private feederDemand(switcher: SwitcherTask): Demand | undefined {
    const { node, parents } = switcher
    const mine = this.traced.runs.filter(
      run =>
        !run.beside &&
        run.origin?.device === node.id &&
        this.switchers.some(other => other.node.id === run.end?.device),
    )
    const [first, ...others] = mine
    const rigid = first !== undefined && (!this.flexible.has(first) || others.length > 0)
    const choices: Means[] = first ? this.kept(node.id, mine, rigid) : []
    for (const parent of rigid ? [] : parents) {
      const to = this.switchers.find(other => other.node.id === parent)!
      const span = spanOf(this.traced, node, to.node, first)
      for (const out of this.classes(node, 'out').filter(({ port }) => port.feeds?.includes('program'))) {
        for (const one of this.classes(to.node, 'in')) {
          for (const standard of switcher.standards) {
            const begin = mixed({ ...node, standard }, out.ports[0]!, out.port, 'program')
            for (const next of begin ? to.standards : []) {
              if (!sameFormat(standard, next) && !gainsApart(this.ability, node, standard, next)) continue
              for (const way of this.ways(
                [begin!],
                { node: { ...to.node, standard: next }, portId: one.ports[0]!, port: one.port },
                span,
                { standard: next },
              )) {
                choices.push(
                  this.byWay(way, 1, {
                    switcher: parent,
                    needs: [
                      [node.id, standard],
                      [parent, next],
                    ],
                    takes: [out.key, one.key],
                    moved: Number(first !== undefined),
                    moreMs: delayMs(one.port.delay, next).typ,
                  }),
                )
              }
            }
          }
        }
      }
    }
    if (rigid && choices.length === 0) {
      this.left.push(node.device.name)
      return undefined
    }
    return {
      id: `feeder:${node.id}`,
      of: 'feeder',
      members: [node.id],
      name: node.device.name,
      ends: [''],
      runs: rigid ? [] : mine,
      rigid,
      pinned: isPinned(mine),
      safe: false,
      choices,
    }
  }

  private sinkDemand({ want, sink, feed, sound, asks, run, assumed }: SinkWant): Demand | undefined {
    const rigid = run !== undefined && !this.flexible.has(run)
    const choices: Means[] = run && feed === feedOf(run) ? this.kept(sink.id, [run], rigid) : []
    const from = run && this.switchers.find(({ node }) => node.id === run.origin!.device)
    const able = this.switchers.filter(({ node, root }) =>
      from
        ? node.id === from.node.id || (root && this.cascade.treeOf(node.id) === this.cascade.treeOf(from.node.id))
        : root,
    )
    const limits: Limits = sound ? { sound } : {}
    let metres = Infinity
    for (const switcher of rigid ? [] : able) {
      const span = spanOf(this.traced, switcher.node, sink, run)
      metres = Math.min(metres, span.routeM ?? span.cutM ?? Infinity)
      for (const end of this.classes(sink, 'in')) {
        const target: Target = { node: sink, portId: end.ports[0]!, port: end.port }
        for (const out of this.classes(switcher.node, 'out').filter(({ port }) => port.feeds?.includes(feed))) {
          const boxes = this.splittersFor(switcher, out, feed)
          for (const standard of switcher.standards) {
            const begin = mixed({ ...switcher.node, standard }, out.ports[0]!, out.port, feed)
            if (!begin) continue
            const take = (way: Candidate, leg?: Splitter) => {
              const missed =
                Number(asks?.raster !== undefined && asks.raster !== way.arrives.raster) +
                2 * Number(asks?.rate !== undefined && asks.rate !== way.arrives.rate)
              choices.push(
                this.byWay(way, 1, {
                  switcher: switcher.node.id,
                  needs: [[switcher.node.id, standard]],
                  takes: leg ? [end.key] : [out.key, end.key],
                  ...(leg ? { leg: leg.id } : {}),
                  moved: Number(run !== undefined),
                  moreMs: leg ? leg.lead.delay.typ : 0,
                  moreSteps: missed,
                }),
              )
            }
            for (const way of this.ways([begin], target, span, limits)) take(way)
            for (const box of boxes) {
              const leg = box.legs[0]!
              for (const way of this.ways([{ ...begin, portId: leg, port: box.row.ports[leg]! }], target, span, limits))
                take(way, box)
            }
          }
        }
      }
    }
    if (rigid && choices.length === 0) {
      this.left.push(sink.device.name)
      return undefined
    }
    return {
      id: `sink:${want ?? sink.id}${want === undefined && run ? `/${run.id}` : ''}`,
      of: 'sink',
      members: [sink.id],
      name: sink.device.name,
      ends: [''],
      ...(want === undefined ? {} : { want }),
      feed,
      ...(assumed ? { assumed } : {}),
      runs: rigid || !run ? [] : [run],
      rigid,
      pinned: isPinned(run ? [run] : []),
      safe: false,
      ...(Number.isFinite(metres) ? { metres } : {}),
      choices,
    }
  }

  private splittersFor(switcher: SwitcherTask, out: SocketClass, feed: Feed): Splitter[] {
    const [standard] = switcher.standards
    const begin = standard && mixed({ ...switcher.node, standard }, out.ports[0]!, out.port, feed)
    if (!begin) return []
    return splitterRows(
      this.traced.plan,
      out.port,
      this.wants.length,
      id => (this.ready.get(this.normal(`model:${id}`)) ?? 0) > 0,
    ).flatMap(([model, row]): Splitter[] => {
      const [inPort, input] = portsOf(row, 'in')[0]!
      const id = `${out.key}/${feed}/${model}`
      const known = this.splitters.get(id)
      if (known) return [known]
      const box: DeviceNode = { id: model, device: { model, name: model, order: 0 }, model: row, standard: undefined }
      const [lead] = this.search([begin], { node: box, portId: inPort, port: input }, { routeM: 0 })
        .filter(({ devices }) => devices.length === 0)
        .sort((a, b) => a.risks - b.risks || a.minor - b.minor)
      if (!lead) return []
      const splitter: Splitter = {
        id,
        switcher: switcher.node.id,
        feed,
        takes: out.key,
        model,
        row,
        inPort,
        legs: portsOf(row, 'out').map(([port]) => port),
        lead,
        items: this.noted([...lead.items, `model:${model}`]),
        minor: lead.minor + row.priceMinor,
      }
      this.splitters.set(id, splitter)
      return [splitter]
    })
  }
}

/** Price of one item of the plan or the catalogue, minor units. */
function itemMinor(plan: Plan, item: string): number {
  const [kind, id, m] = item.split(':') as [string, string, string?]
  if (kind === 'model') return (own(plan.models, id) ?? MODELS.get(id))!.priceMinor
  const lead = own(plan.leads, id) ?? LEADS.get(id)!
  return lead.kind === 'adapter' ? lead.priceMinor : (lead.stock.find(piece => piece.m === Number(m))?.priceMinor ?? 0)
}

const isPinned = (runs: readonly Run[]): boolean => runs.some(({ links }) => links.some(({ wire }) => wire.link.pinned))

/** What an item of the catalogue is called in the plan, where the plan has the same row already. */
function normaliser({ models, leads }: Plan): (item: string) => string {
  const names = (rows: Readonly<Record<string, { readonly from?: string }>>) =>
    new Map(Object.entries(rows).flatMap(([id, { from }]) => (from ? [[from, id] as const] : [])))
  const [modelIds, leadIds] = [names(models), names(leads)]
  return item => {
    const [kind, id, ...rest] = item.split(':') as [string, string, ...string[]]
    const row: { readonly from?: string } | undefined =
      kind === 'model' ? (own(models, id) ?? MODELS.get(id)) : (own(leads, id) ?? LEADS.get(id))
    const here = row?.from === undefined ? undefined : (kind === 'model' ? modelIds : leadIds).get(row.from)
    return here === undefined ? item : [kind, here, ...rest].join(':')
  }
}

/** Boxes with one input whose legs carry what they take: the cheapest of two legs, and of as many as there are screens; what the kit has first. */
function splitterRows(plan: Plan, out: Port, screens: number, has: (model: string) => boolean): [string, Model][] {
  const legs = (row: Model) => row.paths[0]!.to.length
  const rows = allModels(plan)
    .filter(
      ([, row]) =>
        row.role === 'way' &&
        row.kind === 'splitter' &&
        row.paths.length === 1 &&
        row.paths[0]!.format === 'same' &&
        row.paths[0]!.from.length === 1 &&
        legs(row) > 1 &&
        !row.paths[0]!.passes,
    )
    .filter(([, row]) => Object.values(row.ports).every(port => port.carries === out.carries))
    .sort(([a, x], [b, y]) => Number(has(b)) - Number(has(a)) || x.priceMinor - y.priceMinor)
  const two = rows.find(([, row]) => legs(row) === 2)
  const many =
    screens > 2
      ? rows
          .filter(([, row]) => legs(row) > 2)
          .sort(([, x], [, y]) => Number(legs(x) < screens) - Number(legs(y) < screens) || legs(x) - legs(y))[0]
      : undefined
  return [two, many].filter(row => row !== undefined)
}

/** Formats worth sending that are neither set nor the standard itself. */
const MOST_OTHERS = 1

/**
 * The pictures worth sending from each output: the one that it is set to, and the standard of the switcher; where it
 * cannot make that, the one that takes fewest steps of conversion to it.
 */
function beginnings(node: DeviceNode, outs: readonly [string, Port][], standard: VideoFormat): Beginning[] {
  return outs.flatMap(([portId, port]) => {
    const setting = own(node.device.ports, portId)
    const formats = makesInAnyMode(node.model, portId).flatMap(({ mode, sets }) =>
      listFormats(sets).map(format => ({ mode, format })),
    )
    const seen = new Set<string>()
    return formats
      .flatMap(({ mode, format }): Beginning[] => {
        const key = JSON.stringify(format)
        if (seen.has(key)) return []
        seen.add(key)
        const set: DeviceNode = {
          ...node,
          device: {
            ...node.device,
            ...(mode === undefined ? {} : { mode }),
            ports: { ...node.device.ports, [portId]: { ...setting, format } },
          },
        }
        const signal = madeBy(set, portId, port)
        return signal ? [{ portId, port, signal, set: !(setting?.format && sameFormat(setting.format, format)) }] : []
      })
      .sort(
        (a, b) =>
          Number(a.set) - Number(b.set) ||
          conversionSteps(a.signal.format, standard) - conversionSteps(b.signal.format, standard),
      )
      .filter(
        ({ set, signal }, i, all) =>
          !set ||
          sameFormat(signal.format, standard) ||
          (!all.some(other => sameFormat(other.signal.format, standard)) &&
            all.slice(0, i).filter(other => other.set).length < MOST_OTHERS),
      )
  })
}

function mixed(node: DeviceNode, portId: string, port: Port, feed: Feed): Beginning | undefined {
  const path = node.model.paths.find(({ format, to }) => format === 'standard' && to.includes(portId))
  const signal = path && mixedBy(node, path, portId)
  return signal && { portId, port, signal: { ...signal, feed }, set: false }
}

/** Demands that are the same question are asked once, for all of them. */
function merged(plan: Plan, demands: readonly Demand[]): Demand[] {
  const alike = new Map<string, Demand>()
  const result: Demand[] = []
  for (const demand of demands) {
    if (demand.of !== 'source' || demand.runs.length > 0 || demand.rigid || demand.safe) {
      result.push(demand)
      continue
    }
    const { model, ports, mode, place } = plan.devices[demand.members[0]!]!
    const key = JSON.stringify([model, ports, mode, place, demand.choices.length])
    const known = alike.get(key)
    const joined = known ? { ...known, members: [...known.members, ...demand.members] } : demand
    alike.set(key, joined)
    if (known) result[result.indexOf(known)] = joined
    else result.push(joined)
  }
  return result
}
