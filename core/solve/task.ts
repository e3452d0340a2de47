import { kitLines, linkMinor, planMinor } from '#core/budget'
import { LEADS, type CableModel, type LeadModel } from '#core/cable'
import { carriesPicture, isCamera, makesInAnyMode, MODELS, portsOf, type Feed, type Model, type Port } from '#core/catalog'
import { delayMs, gathers, isStage, lengthOf, madeBy, mixedBy, pathFrom, socketKey, type Node, type Run } from '#core/chain'
import { setFormat, tracedOf, type Checked, type Traced } from '#core/check'
import { applyEdits, distanceM, own, type Edit, type Link, type LinkEnd, type Plan, type Want } from '#core/plan'
import { abilityOf, gainsApart, worthwhile } from './merit'
import { conversionSteps, listFormats, sameFormat, setsContain, type VideoFormat } from '#core/signal'
import { Draft, portKey, searcher, startKey, type Beginning, type Candidate, type Limits, type Span, type Target } from '#core/ways'

/** Sockets of one device that are alike to any picture: which of them is used is settled last, by habit. */
export interface SocketClass {
  readonly key: string
  readonly device: string
  readonly dir: 'in' | 'out'
  readonly port: Port
  /** Those that may be used, in the order of their numbers. */
  readonly ports: readonly string[]
}

/** A switcher of the plan. */
export interface StageTask {
  readonly node: Node
  readonly standards: readonly VideoFormat[]
  /** Its program is what is shown; a feeder's program goes to another stage. */
  readonly root: boolean
  /** Stages that it may feed. */
  readonly parents: readonly string[]
  /** Something is wired to it that stays. */
  readonly held: boolean
}

/** One of the ways in which a demand can be met. Costs count for one member. */
export interface Choice {
  /** The stage that is entered, or at which the run begins (sinks). */
  readonly stage: string
  /** Stages that must stand in a standard for it. */
  readonly needs: readonly (readonly [stage: string, standard: VideoFormat])[]
  /** Sockets used, by class. */
  readonly takes: readonly string[]
  /** The leg of a splitter that it hangs on. */
  readonly leg?: string
  /** What lies already and stays, with the settings that it needs. */
  readonly keep?: readonly Edit[]
  readonly way?: Candidate
  readonly items: readonly string[]
  readonly minor: number
  readonly watts: number
  readonly delayMs: number
  readonly steps: number
  readonly risk: number
  readonly settings: number
  /** Something that is laid is laid anew. */
  readonly moved: number
  /** Models on the way, joined by +; empty where there are none. */
  readonly devices: string
  /** A device on the way makes another format. */
  readonly scales: boolean
}

/** Somebody's picture that must get somewhere. */
export interface Demand {
  readonly id: string
  readonly of: 'source' | 'feeder' | 'sink'
  /** Devices that ask for the same, alike in all that matters. */
  readonly members: readonly string[]
  readonly name: string
  /** Fill and key take two inputs, by the same way. */
  readonly ends: readonly string[]
  readonly want?: string
  readonly feed?: Feed
  /** No want says so yet: the picture is taken to be wanted. */
  readonly assumed?: true
  /** Runs that lie already and go where another choice is made. */
  readonly runs: readonly Run[]
  /** What cannot be led otherwise. */
  readonly rigid: boolean
  readonly safe: boolean
  /** What lies there is pinned. */
  readonly pinned: boolean
  readonly choices: readonly Choice[]
}

/** A box that gives one output to several sinks. */
export interface Splitter {
  readonly id: string
  readonly stage: string
  readonly feed: Feed
  readonly takes: string
  readonly model: string
  readonly row: Model
  readonly inPort: string
  readonly legs: readonly string[]
  /** From the output to the box. */
  readonly lead: Candidate
  readonly items: readonly string[]
  readonly minor: number
}

/** A whole plan, as one question: which way for every picture. */
export interface Task {
  readonly plan: Plan
  readonly checked: Checked
  /** The plan without what may be led otherwise. */
  readonly bare: Plan
  readonly stages: readonly StageTask[]
  readonly sockets: ReadonlyMap<string, SocketClass>
  readonly demands: readonly Demand[]
  readonly splitters: readonly Splitter[]
  readonly bareMinor: number
  /** By item: what the bare plan uses, what the kit has, and the price of one. */
  readonly used: ReadonlyMap<string, number>
  readonly have: ReadonlyMap<string, number>
  readonly price: ReadonlyMap<string, number>
  /** Inputs that must stay free, less those reserved by name. */
  readonly spare: number
  /** The standard that is given. */
  readonly given: VideoFormat | undefined
  /** What stays dark and is not touched. */
  readonly left: readonly string[]
}

export interface TaskOptions {
  /** The one standard that is given; else the brief's; else free. */
  readonly fixed?: VideoFormat
  /** Looks as well at what could be done were nothing given and nothing pinned: to say what stands in the way. */
  readonly loosely?: true
}

/** Reads a plan as a task. Looks for ways from every source to every kind of input in every standard; seconds for large plans. */
export function taskOf(checked: Checked, { fixed, loosely }: TaskOptions = {}, progress: (share: number) => void = () => {}): Task {
  const { traced } = checked
  const { plan, chain, runs } = traced
  const given = fixed ?? plan.brief.standard
  const held = loosely ? undefined : given
  const loose = runs.filter(run => !run.beside && (!run.end || !run.origin) && movable(traced, run, false))
  const cascade = cascadeOf(traced)
  const nodes = [...chain.nodes.values()]

  const free = new Set<Run>(loose)
  const bareEdits: Edit[] = []
  const flexible = new Set(runs.filter(run => !run.beside && run.origin && run.end && movable(traced, run, loosely === true) && leadsSimply(traced, run)))
  for (const run of flexible) free.add(run)
  for (const run of free) bareEdits.push(...takeAway(traced, run))
  const bareApplied = applyEdits(plan, inPhases(bareEdits))
  if (!bareApplied.ok) throw new Error(`what may be led otherwise cannot be taken away: ${bareApplied.problem.path}`)
  const bare = bareApplied.value.plan
  const bareTraced = tracedOf(bare)

  const ability = abilityOf(nodes)
  const worth = worthwhile(plan, cascade.order, ability, given)
  const stages: StageTask[] = cascade.order.map((node): StageTask => {
    const offers = worth.filter(format => setsContain(node.model.standards ?? [], format))
    const only = held && offers.some(format => sameFormat(format, held)) ? [held] : held ? [node.standard!] : offers
    return {
      node, standards: only, root: cascade.roots.has(node.id), parents: cascade.parents.get(node.id) ?? [],
      held: portsOf(node.model, 'in').some(([id, port]) => carriesPicture(port) && bareTraced.chain.entering.has(socketKey(node.id, id))) || portsOf(node.model, 'out').some(([id]) => bareTraced.chain.leaving.has(socketKey(node.id, id))),
    }
  })
  const stageOf = new Map(stages.map(stage => [stage.node.id, stage]))
  const sockets = new Map<string, SocketClass>()
  const classes = (node: Node, dir: 'in' | 'out'): SocketClass[] => {
    const busy = dir === 'in' ? bareTraced.chain.entering : bareTraced.chain.leaving
    const found = new Map<string, SocketClass>()
    for (const [id, port] of portsOf(node.model, dir)) {
      if (!carriesPicture(port) || busy.has(socketKey(node.id, id)) || own(node.device.ports, id)?.reserved !== undefined) continue
      const key = `${node.id}/${dir}/${portKey(port)}`
      const known = found.get(key)
      found.set(key, known ? { ...known, ports: [...known.ports, id] } : { key, device: node.id, dir, port, ports: [id] })
    }
    for (const one of found.values()) if (!sockets.has(one.key)) sockets.set(one.key, one)
    return [...found.values()]
  }
  const inputs = new Map(stages.map(({ node }) => [node.id, classes(node, 'in')]))
  const outputs = new Map(stages.map(({ node }) => [node.id, classes(node, 'out')]))
  const classOf = ({ device, port }: LinkEnd): string | undefined => [...sockets.values()].find(one => one.device === device && one.ports.includes(port))?.key

  const normal = normaliser(plan)
  const have = new Map<string, number>()
  const price = new Map<string, number>()
  for (const line of kitLines(plan)) {
    have.set(line.key, line.owned + line.hired + line.bought)
    price.set(line.key, line.minor)
  }
  const used = new Map(kitLines(bare).map(line => [line.key, line.needed]))
  // What is taken out of its run lies ready as well.
  const ready = new Map(kitLines(plan).map(line => [line.key, Math.max(line.owned + line.hired + line.bought, line.needed)]))
  const search = searcher(plan, item => (ready.get(normal(item)) ?? 0) > 0)
  const asked = new Map<string, { readonly starts: readonly Beginning[], readonly found: readonly Candidate[] }>()
  const ways = (starts: readonly Beginning[], target: Target, span: Span, limits: Limits): Candidate[] => {
    const key = `${startKey(starts)}>${portKey(target.port)}/${target.port.takes === 'standard' ? JSON.stringify(target.node.standard) : target.node.device.model}/${JSON.stringify(span)}/${JSON.stringify(limits)}`
    const known = asked.get(key)
    if (known) return known.found.map(way => ({ ...way, from: starts[known.starts.indexOf(way.from)]! }))
    const found = search(starts, target, span, limits)
    asked.set(key, { starts, found })
    return found
  }
  const noted = (items: readonly string[], minorOf: (item: string) => number): string[] => items.map((item) => {
    const key = normal(item)
    if (!price.has(key)) price.set(key, minorOf(item))
    return key
  })
  const itemMinor = (item: string): number => {
    const [kind, id, m] = item.split(':') as [string, string, string?]
    if (kind === 'model') return (own(plan.models, id) ?? MODELS.get(id))!.minor
    const lead = leads.get(id)!
    return lead.kind === 'adapter' ? lead.minor : lead.stock.find(piece => piece.m === Number(m))?.minor ?? 0
  }
  const leads = leadsOf(plan)

  const kept = keepers(traced, stages, flexible, classOf)
  const demands: Demand[] = []
  const left: string[] = []
  const sources = nodes.filter(({ model }) => model.role === 'source').sort(byOrder)
  const sinkWants = wantsOf(traced)
  const total = sources.length + stages.length + sinkWants.length
  let done = 0

  for (const node of sources) {
    progress(done++ / total)
    const mine = runs.filter(run => !run.beside && run.origin?.device === node.id && !loose.includes(run))
    const outs = portsOf(node.model, 'out').filter(([, port]) => carriesPicture(port))
    if (outs.length === 0) continue
    const pair = ['fill', 'key'].every(id => outs.some(([port]) => port === id)) ? ['fill', 'key'] : undefined
    const ends = pair ?? ['']
    const easy = mine.filter(run => flexible.has(run))
    const rigid = mine.length > 0 && (mine.length !== easy.length || easy.length > ends.length || easy.some(run => !isStage(chain.nodes.get(run.end!.device)!)))
    const keeps = rigid || mine.length === ends.length ? kept(node.id, mine, rigid) : []
    if (rigid && keeps.length === 0) {
      left.push(node.device.name)
      continue
    }
    const now = easy[0]
    const choices: Choice[] = [...keeps]
    if (!rigid) {
      for (const stage of stages) {
        if (now && cascade.treeOf(now.end!.device) !== cascade.treeOf(stage.node.id)) continue
        const span = spanOf(traced, node, stage.node, now)
        if (now && isUnknown(span) && lengthOfRun(traced, now)) continue
        const path = stage.node.model.paths.find(({ format }) => format === 'standard')!
        for (const one of inputs.get(stage.node.id)!) {
          for (const standard of stage.standards) {
            const target = { node: { ...stage.node, standard }, portId: one.ports[0]!, port: one.port }
            const starts = beginnings(node, pair ? outs.filter(([id]) => id === 'fill') : outs, standard)
            const found = ways(starts, target, span, { standard })
            for (const way of found) {
              choices.push({
                stage: stage.node.id, needs: [[stage.node.id, standard]], takes: ends.map(() => one.key), way,
                items: noted(ends.flatMap(() => way.items), itemMinor), minor: way.minor * ends.length, watts: way.watts * ends.length, steps: way.steps, risk: way.risks * ends.length, settings: Number(way.from.set),
                delayMs: way.delay.typ + delayMs(one.port.delay, standard).typ + (stage.root ? 0 : delayMs(path.delay, standard).typ),
                moved: Number(mine.length > 0), ...onWay(way),
              })
            }
          }
        }
      }
    }
    demands.push({ id: `source:${node.id}`, of: 'source', members: [node.id], name: node.device.name, ends, runs: rigid ? [] : mine, rigid, pinned: isPinned(mine), safe: isCamera(node.model) && node.device.shot === 'safe', choices })
  }

  for (const stage of stages) {
    progress(done++ / total)
    const { node, parents } = stage
    if (stage.root) continue
    const mine = runs.filter(run => !run.beside && run.origin?.device === node.id && run.end && stageOf.has(run.end.device))
    const [first, ...others] = mine
    const rigid = first !== undefined && (!flexible.has(first) || others.length > 0)
    const keeps = first ? kept(node.id, mine, rigid) : []
    const choices: Choice[] = [...keeps]
    if (!rigid) {
      for (const parent of parents) {
        const to = stageOf.get(parent)!
        const span = spanOf(traced, node, to.node, first)
        for (const out of outputs.get(node.id)!.filter(({ port }) => port.feeds?.includes('program'))) {
          for (const one of inputs.get(parent)!) {
            for (const standard of stage.standards) {
              for (const next of to.standards) {
                if (!sameFormat(standard, next) && !gainsApart(ability, node, standard, next)) continue
                const begin = mixed({ ...node, standard }, out.ports[0]!, out.port, 'program')
                if (!begin) continue
                const found = ways([begin], { node: { ...to.node, standard: next }, portId: one.ports[0]!, port: one.port }, span, { standard: next })
                for (const way of found) {
                  choices.push({
                    stage: parent, needs: [[node.id, standard], [parent, next]], takes: [out.key, one.key], way, items: noted(way.items, itemMinor), minor: way.minor, watts: way.watts,
                    delayMs: way.delay.typ + delayMs(one.port.delay, next).typ, steps: way.steps, risk: way.risks, settings: 0, moved: Number(first !== undefined), ...onWay(way),
                  })
                }
              }
            }
          }
        }
      }
    }
    if (rigid && choices.length === 0) left.push(node.device.name)
    else demands.push({ id: `feeder:${node.id}`, of: 'feeder', members: [node.id], name: node.device.name, ends: [''], runs: rigid ? [] : mine, rigid, pinned: isPinned(mine), safe: false, choices })
  }

  const splitters = new Map<string, Splitter>()
  for (const { want, sink, feed, sound, asks, run, assumed } of sinkWants) {
    progress(done++ / total)
    const rigid = run !== undefined && !flexible.has(run)
    const keeps = run && feed === feedNow(traced, run) ? kept(sink.id, [run], rigid) : []
    const choices: Choice[] = [...keeps]
    if (!rigid) {
      const from = run && stageOf.get(run.origin!.device)
      const able = stages.filter(stage => (from ? stage.node.id === from.node.id || (stage.root && cascade.treeOf(stage.node.id) === cascade.treeOf(from.node.id)) : stage.root))
      for (const stage of able) {
        const span = spanOf(traced, stage.node, sink, run)
        for (const end of classes(sink, 'in')) {
          const target = { node: sink, portId: end.ports[0]!, port: end.port }
          for (const out of outputs.get(stage.node.id)!.filter(({ port }) => port.feeds?.includes(feed))) {
            const boxes = splittersFor(stage, out, feed)
            for (const standard of stage.standards) {
              const begin = mixed({ ...stage.node, standard }, out.ports[0]!, out.port, feed)
              if (!begin) continue
              const push = (way: Candidate, leg?: Splitter) => {
                const missed = Number(asks?.raster !== undefined && asks.raster !== way.arrives.raster) + 2 * Number(asks?.rate !== undefined && asks.rate !== way.arrives.rate)
                choices.push({
                  stage: stage.node.id, needs: [[stage.node.id, standard]], takes: leg ? [end.key] : [out.key, end.key], ...(leg ? { leg: leg.id } : {}), way, items: noted(way.items, itemMinor), minor: way.minor, watts: way.watts,
                  delayMs: way.delay.typ + (leg ? leg.lead.delay.typ : 0), steps: way.steps + missed, risk: way.risks, settings: 0, moved: Number(run !== undefined), ...onWay(way),
                })
              }
              for (const way of ways([begin], target, span, sound ? { sound } : {})) push(way)
              for (const box of boxes) {
                const legPort = box.row.ports[box.legs[0]!]!
                const onward: Beginning = { portId: box.legs[0]!, port: legPort, set: false, signal: { ...begin.signal } }
                for (const way of ways([onward], target, span, sound ? { sound } : {})) push(way, box)
              }
            }
          }
        }
      }
    }
    if (rigid && choices.length === 0) left.push(sink.device.name)
    else demands.push({ id: `sink:${want ?? sink.id}${want === undefined && run ? `/${run.id}` : ''}`, of: 'sink', members: [sink.id], name: sink.device.name, ends: [''], ...(want === undefined ? {} : { want }), feed, ...(assumed ? { assumed } : {}), runs: rigid || !run ? [] : [run], rigid, pinned: isPinned(run ? [run] : []), safe: false, choices })
  }
  progress(1)
  const reserved = stages.reduce((sum, { node }) => sum + Object.values(node.device.ports ?? {}).filter(({ reserved }) => reserved !== undefined).length, 0)
  return {
    plan, checked, bare, stages, sockets, demands: loosely ? demands : merged(plan, demands), splitters: [...splitters.values()], bareMinor: planMinor(bare), used, have, price, left, given,
    spare: Math.max(0, (plan.brief.spareInputs ?? 0) - reserved),
  }

  function splittersFor(stage: StageTask, out: SocketClass, feed: Feed): Splitter[] {
    const [standard] = stage.standards
    const begin = standard && mixed({ ...stage.node, standard }, out.ports[0]!, out.port, feed)
    if (!begin) return []
    return splitterRows(plan, out.port, sinkWants.length, id => (ready.get(normal(`model:${id}`)) ?? 0) > 0).flatMap(([model, row]): Splitter[] => {
      const [inPort, input] = portsOf(row, 'in')[0]!
      const id = `${out.key}/${feed}/${model}`
      const known = splitters.get(id)
      if (known) return [known]
      const [lead] = search([begin], { node: { id: model, device: { model, name: model, order: 0 }, model: row, standard: undefined }, portId: inPort, port: input }, { routeM: 0 }).filter(({ devices }) => devices.length === 0).sort((a, b) => Number(a.risky) - Number(b.risky) || a.minor - b.minor)
      if (!lead) return []
      const splitter: Splitter = {
        id, stage: stage.node.id, feed, takes: out.key, model, row, inPort, legs: portsOf(row, 'out').map(([port]) => port), lead,
        items: noted([...lead.items, `model:${model}`], itemMinor), minor: lead.minor + row.minor,
      }
      splitters.set(id, splitter)
      return [splitter]
    })
  }
}

const isPinned = (runs: readonly Run[]): boolean => runs.some(({ links }) => links.some(({ wire }) => wire.link.pinned))

const byOrder = (a: Node, b: Node): number => a.device.order - b.device.order || (a.id < b.id ? -1 : 1)

/** Leads by id, the plan's and the catalogue's. */
const leadsOf = (plan: Plan) => new Map<string, LeadModel>([...LEADS, ...Object.entries(plan.leads)])

/** What an item of the catalogue is called in the plan, where the plan has the same row already. */
function normaliser({ models, leads }: Plan): (item: string) => string {
  const names = (rows: Readonly<Record<string, { readonly from?: string }>>) => new Map(Object.entries(rows).flatMap(([id, { from }]) => (from ? [[from, id] as const] : [])))
  const [modelIds, leadIds] = [names(models), names(leads)]
  return (item) => {
    const [kind, id, ...rest] = item.split(':') as [string, string, ...string[]]
    const row: { readonly from?: string } | undefined = kind === 'model' ? own(models, id) ?? MODELS.get(id) : own(leads, id) ?? LEADS.get(id)
    const here = row?.from === undefined ? undefined : (kind === 'model' ? modelIds : leadIds).get(row.from)
    return here === undefined ? item : [kind, here, ...rest].join(':')
  }
}

/** Boxes with one input whose legs carry what they take: the cheapest of two legs, and of as many as there are screens; what the kit has first. */
function splitterRows({ models }: Plan, out: Port, screens: number, has: (model: string) => boolean): [string, Model][] {
  const known = new Set(Object.values(models).map(({ from }) => from))
  const legs = (row: Model) => row.paths[0]!.to.length
  const rows = [...Object.entries(models), ...[...MODELS].filter(([, row]) => !known.has(row.from))]
    .filter(([, row]) => row.role === 'way' && row.kind === 'splitter' && row.paths.length === 1 && row.paths[0]!.format === 'same' && row.paths[0]!.from.length === 1 && legs(row) > 1 && !row.paths[0]!.passes)
    .filter(([, row]) => Object.values(row.ports).every(port => port.carries === out.carries))
    .sort(([a, x], [b, y]) => Number(has(b)) - Number(has(a)) || x.minor - y.minor)
  const two = rows.find(([, row]) => legs(row) === 2)
  const many = screens > 2 ? rows.filter(([, row]) => legs(row) > 2).sort(([, x], [, y]) => Number(legs(x) < screens) - Number(legs(y) < screens) || legs(x) - legs(y))[0] : undefined
  return [two, many].filter(row => row !== undefined)
}

const onWay = ({ devices }: Candidate): Pick<Choice, 'devices' | 'scales'> => ({ devices: devices.map(({ model }) => model).join('+'), scales: devices.some(({ format }) => format !== undefined) })

/** Formats worth sending that are neither set nor the standard itself. */
const MOST_OTHERS = 1

/**
 * The pictures worth sending from each output: the one that it is set to, and the standard of the stage; where it
 * cannot make that, the one that takes fewest steps of conversion to it.
 */
function beginnings(node: Node, outs: readonly [string, Port][], standard: VideoFormat): Beginning[] {
  return outs.flatMap(([portId, port]) => {
    const setting = own(node.device.ports, portId)
    const formats = makesInAnyMode(node.model, portId).flatMap(({ mode, sets }) => listFormats(sets).map(format => ({ mode, format })))
    const seen = new Set<string>()
    return formats.flatMap(({ mode, format }): Beginning[] => {
      const key = JSON.stringify(format)
      if (seen.has(key)) return []
      seen.add(key)
      const set: Node = { ...node, device: { ...node.device, ...(mode === undefined ? {} : { mode }), ports: { ...node.device.ports, [portId]: { ...setting, format } } } }
      const signal = madeBy(set, portId, port)
      return signal ? [{ portId, port, signal, set: !(setting?.format && sameFormat(setting.format, format)) }] : []
    }).sort((a, b) => Number(a.set) - Number(b.set) || conversionSteps(a.signal.format, standard) - conversionSteps(b.signal.format, standard))
      .filter(({ set, signal }, i, all) => !set || sameFormat(signal.format, standard) || (!all.some(other => sameFormat(other.signal.format, standard)) && all.slice(0, i).filter(other => other.set).length < MOST_OTHERS))
  })
}

function mixed(node: Node, portId: string, port: Port, feed: Feed): Beginning | undefined {
  const path = node.model.paths.find(({ format, to }) => format === 'standard' && to.includes(portId))
  const signal = path && mixedBy(node, path, portId)
  return signal && { portId, port, signal: { ...signal, feed }, set: false }
}

/** How far it is: measured between the places, or as long as what lies there now. */
function spanOf(traced: Traced, from: Node, to: Node, run: Run | undefined): Span {
  const [a, b] = [from.device.place, to.device.place]
  const places = a !== undefined && b !== undefined ? { places: [a, b] as [string, string] } : {}
  const length = run && lengthOfRun(traced, run)
  const there = run && [run.origin, run.end].some(end => end?.device === to.id) && [run.origin, run.end].some(end => end?.device === from.id)
  const between = distanceM(traced.plan, a, b)
  if (there && length) return { ...length, ...places }
  if (between !== undefined) return { routeM: between, ...places }
  const other = run && traced.chain.nodes.get((run.origin?.device === from.id ? run.end : run.origin)!.device)
  return { ...(other?.device.place === to.device.place && length ? length : {}), ...places }
}

/** Neither measured nor as long as something that is: what lies there now is not given up for it. */
const isUnknown = ({ routeM, cutM }: Span): boolean => routeM === undefined && cutM === undefined

function lengthOfRun({ plan }: Traced, { links }: Run): Span | undefined {
  if (links.every(({ wire }) => wire.link.routeM !== undefined)) return { routeM: links.reduce((sum, { wire }) => sum + wire.link.routeM!, 0) }
  const lengths = links.map(({ wire }) => lengthOf(plan.leads[wire.link.cable] as CableModel, wire.link).lengthM)
  return lengths.every(m => m !== undefined) ? { cutM: lengths.reduce((sum, m) => sum + m, 0) } : undefined
}

/** The stages in the order of the light from its end: what is shown first, then what feeds it. */
function cascadeOf({ chain, runs }: Traced): { order: Node[], roots: ReadonlySet<string>, parents: ReadonlyMap<string, string[]>, treeOf: (stage: string) => string | undefined } {
  const stages = [...chain.nodes.values()].filter(isStage)
  const next = new Map<string, string>()
  for (const run of runs) {
    if (run.beside || !run.origin || !run.end || next.has(run.origin.device)) continue
    const [from, to] = [chain.nodes.get(run.origin.device)!, chain.nodes.get(run.end.device)!]
    if (isStage(from) && isStage(to) && from !== to) next.set(from.id, to.id)
  }
  const fedFrom = (id: string, seen = new Set<string>()): string => (seen.has(id) || !next.has(id) ? id : fedFrom(next.get(id)!, seen.add(id)))
  const shown = (id: string) => runs.some(run => run.origin?.device === id && run.end && chain.nodes.get(run.end.device)!.model.role === 'sink')
  const fed = new Set(next.values())
  const wired = stages.filter(({ id }) => next.has(id) || fed.has(id) || shown(id))
  const size = ({ model }: Node) => portsOf(model, 'in').filter(([, port]) => carriesPicture(port)).length * 100 + portsOf(model, 'out').length
  const roots = new Set(wired.map(({ id }) => fedFrom(id)))
  const waiting = stages.filter(({ id }) => !wired.some(node => node.id === id)).sort((a, b) => size(b) - size(a) || byOrder(a, b))
  // With nothing wired, what has most inputs is the last one of the cascade.
  if (roots.size === 0 && waiting[0]) roots.add(waiting[0].id)
  const order = [...stages.filter(({ id }) => roots.has(id)).sort(byOrder), ...stages.filter(({ id }) => next.has(id) && !roots.has(id)).sort(byOrder), ...waiting.filter(({ id }) => !roots.has(id))]
  const main = order[0]?.id
  const treeOf = (id: string): string | undefined => (roots.has(id) ? id : next.has(id) ? fedFrom(id) : main)
  const parents = new Map(order.filter(({ id }) => !roots.has(id)).map((node): [string, string[]] => {
    const known = next.get(node.id)
    return [node.id, known !== undefined ? [known] : order.slice(0, order.indexOf(node)).filter(({ id }) => treeOf(id) === main).map(({ id }) => id)]
  }))
  return { order, roots, parents, treeOf }
}

/** A run that nothing else shares and nobody has pinned: it can be taken out as a whole. */
function movable({ plan, chain, runs }: Traced, run: Run, evenPinned: boolean): boolean {
  return run.links.every(({ wire }, i) => {
    if ((wire.link.pinned && !evenPinned) || runs.some(other => other !== run && other.links.some(link => link.wire.id === wire.id))) return false
    const before = wire.from?.node
    if (i === 0 || !before) return true
    if (before.model.role !== 'way' || gathers(before)) return false
    const mine = new Set(run.links.map(link => link.wire.id))
    return [...chain.wires.values()].every(other => mine.has(other.id) || (other.from?.node.id !== before.id && other.to?.node.id !== before.id)) && !Object.values(plan.devices).some(device => device.in === before.id)
  }) && (() => {
    const last = run.links.at(-1)!.wire.to?.node
    return !last || last.model.role !== 'way' || gathers(last)
  })()
}

/** Led by nothing that is chosen for more than its picture: no radio, matrix or delay, and not away from a device that gathers without being a stage. */
function leadsSimply({ chain }: Traced, { links, origin, end }: Run): boolean {
  const from = chain.nodes.get(origin!.device)!
  const to = chain.nodes.get(end!.device)!
  if (!(from.model.role === 'source' || isStage(from)) || !(to.model.role === 'sink' || isStage(to))) return false
  if (from.model.role === 'source' && to.model.role === 'sink') return false
  return links.slice(1).every(({ wire }) => {
    const { model } = wire.from!.node
    return model.kind !== 'radio' && model.kind !== 'matrix' && model.kind !== 'delay' && model.kind !== 'network' && pathFrom(wire.from!.node, portsOf(model, 'in')[0]?.[0] ?? '') !== undefined
  })
}

/** The edits that take a run out, with the devices on its way. */
export function takeAway({ chain }: Traced, { links }: Run): Edit[] {
  const gone = links.slice(1).map(({ wire }) => wire.from!.node).filter(node => node.model.role === 'way' && chain.nodes.has(node.id))
  return [...links.map(({ wire }): Edit => ({ do: 'disconnect', id: wire.id })), ...gone.map(({ id }): Edit => ({ do: 'remove', collection: 'devices', id }))]
}

const PHASE: Readonly<Record<Edit['do'], number>> = { disconnect: 0, remove: 1, move: 2, set: 2, add: 3, connect: 4 }

/** Edits in an order that holds whichever parts they come from: away, out, settings, new things, new cables. */
export const inPhases = (edits: readonly Edit[]): Edit[] => [...edits].sort((a, b) => PHASE[a.do] - PHASE[b.do])

interface SinkWant {
  readonly want: string | undefined
  readonly sink: Node
  readonly feed: Feed
  readonly sound: boolean
  readonly asks: Want['asks']
  readonly run: Run | undefined
  readonly assumed: boolean
}

/** What sinks should see, each with the run that feeds it now. A sink that nobody mentions is taken to want program. */
function wantsOf({ plan, chain, runs }: Traced): SinkWant[] {
  const open = new Map<string, Run[]>()
  for (const run of runs) {
    if (run.beside || !run.end || !run.origin || chain.nodes.get(run.end.device)!.model.role !== 'sink') continue
    open.set(run.end.device, [...open.get(run.end.device) ?? [], run])
  }
  const result: SinkWant[] = []
  const fromStage = (run: Run) => isStage(chain.nodes.get(run.origin!.device)!)
  for (const [want, { sink, feed, sound, asks }] of Object.entries(plan.wants).sort(([a], [b]) => (a < b ? -1 : 1))) {
    const node = chain.nodes.get(sink)!
    if (node.model.role !== 'sink') continue
    const mine = open.get(sink) ?? []
    const run = mine.find(one => fromStage(one) && one.links[0]?.signal?.feed === feed) ?? mine.find(fromStage)
    if (mine.length > 0 && !run) {
      // A source leads straight there: that stays.
      continue
    }
    if (run) open.set(sink, mine.filter(one => one !== run))
    result.push({ want, sink: node, feed, sound: sound === true, asks, run, assumed: false })
  }
  const wanted = new Set(Object.values(plan.wants).map(({ sink }) => sink))
  for (const node of [...chain.nodes.values()].filter(({ model }) => model.role === 'sink').sort(byOrder)) {
    if (!portsOf(node.model, 'in').some(([, port]) => carriesPicture(port))) continue
    for (const run of open.get(node.id) ?? []) {
      const feed = fromStage(run) ? run.links[0]?.signal?.feed ?? feedOf(run) : undefined
      if (feed) result.push({ want: undefined, sink: node, feed, sound: false, asks: undefined, run, assumed: false })
    }
    if (!wanted.has(node.id) && !open.get(node.id)?.length && !runs.some(run => run.end?.device === node.id)) result.push({ want: undefined, sink: node, feed: 'program', sound: false, asks: undefined, run: undefined, assumed: true })
  }
  return result
}

/** What the output at which a run begins is pointed at. */
function feedOf({ links }: Run): Feed | undefined {
  const from = links[0]?.wire.from
  return from && (own(from.node.device.ports, from.portId)?.feed ?? from.port?.feeds?.[0])
}

const feedNow = (_: Traced, run: Run): Feed | undefined => feedOf(run)

/**
 * What lies already, in each standard: tried by setting every stage to it, with sources as they are, with sources set
 * to it, and with the last scaler before a stage set to it. Returns the choices that leave a device's runs lit.
 */
function keepers(traced: Traced, stages: readonly StageTask[], flexible: ReadonlySet<Run>, classOf: (end: LinkEnd) => string | undefined) {
  const { plan, chain, runs } = traced
  const formats: VideoFormat[] = []
  for (const { standards } of stages) for (const format of standards) if (!formats.some(known => sameFormat(known, format))) formats.push(format)
  const tries: { traced: Traced, standardOf: (stage: string) => VideoFormat, setsOf: (device: string) => readonly Edit[] }[] = []
  const asIs = new Map(stages.map(({ node }) => [node.id, node.standard!]))
  for (const format of [undefined, ...formats]) {
    const standards = new Map(stages.map(({ node, standards: able }) => [node.id, format && able.some(one => sameFormat(one, format)) ? format : node.standard!]))
    const base: Edit[] = [...standards].flatMap(([id, standard]): Edit[] => (sameFormat(standard, asIs.get(id)!) ? [] : [{ do: 'set', at: ['devices', id, 'standard'], value: standard }]))
    for (const how of ['as-is', 'source', 'scaler'] as const) {
      if (!format && how !== 'as-is') continue
      const sets = new Map<string, readonly Edit[]>()
      if (format && how === 'source') {
        for (const run of runs) {
          const node = run.origin && chain.nodes.get(run.origin.device)
          if (!node || run.beside || node.model.role !== 'source' || !run.end) continue
          const draft = new Draft(plan)
          if (own(node.device.ports, run.origin.port)?.format && sameFormat(own(node.device.ports, run.origin.port)!.format!, format)) continue
          if (setFormat(draft, node, run.origin.port, format)) sets.set(node.id, [...sets.get(node.id) ?? [], ...draft.edits.filter(edit => !sets.get(node.id)?.some(known => JSON.stringify(known) === JSON.stringify(edit)))])
        }
      }
      if (format && how === 'scaler') {
        for (const run of runs) {
          if (run.beside || !run.origin || !run.end || !isStage(chain.nodes.get(run.end.device)!)) continue
          const last = run.links.slice(1).findLast(({ wire }) => wire.from!.node.model.paths.some(path => path.format === 'port' && path.to.includes(wire.from!.portId)))
          const from = last?.wire.from
          if (!from || !setsContain(makesInAnyMode(from.node.model, from.portId).flatMap(({ sets: made }) => [...made]), format)) continue
          const draft = new Draft(plan)
          if (setFormat(draft, from.node, from.portId, format)) sets.set(run.origin.device, [...sets.get(run.origin.device) ?? [], ...draft.edits])
        }
      }
      if (how !== 'as-is' && sets.size === 0) continue
      const applied = applyEdits(plan, [...base, ...[...sets.values()].flat()])
      if (!applied.ok) continue
      tries.push({ traced: applied.value.plan === plan ? traced : tracedOf(applied.value.plan), standardOf: id => standards.get(id)!, setsOf: id => sets.get(id) ?? [] })
    }
  }
  const known = new Map<Traced, ReadonlyMap<string, Run>>()
  const runIn = (other: Traced, id: string): Run | undefined => {
    let map = known.get(other)
    if (!map) {
      map = new Map(other.runs.map(run => [run.id, run]))
      known.set(other, map)
    }
    return map.get(id)
  }
  return (device: string, mine: readonly Run[], rigid: boolean): Choice[] => {
    const litNow = mine.filter(({ lit }) => lit)
    const must = rigid && litNow.length ? litNow : mine
    const found = new Map<string, Choice>()
    for (const { traced: tried, standardOf, setsOf } of tries) {
      const there = must.map(run => runIn(tried, run.id))
      if (there.some(run => !run?.lit)) continue
      const touched = new Set(mine.flatMap(run => [run.origin?.device, run.end?.device]).filter(id => id !== undefined && stages.some(({ node }) => node.id === id)) as string[])
      const needs = [...touched].map(id => [id, standardOf(id)] as const)
      const sets = setsOf(device)
      const key = JSON.stringify(needs)
      if (found.has(key) && found.get(key)!.settings <= sets.length) continue
      const stage = must[0]!.end && stages.some(({ node }) => node.id === must[0]!.end!.device) ? must[0]!.end.device : must[0]!.origin!.device
      const last = there[0]!.links.at(-1)!
      const first = there[0]!.links[0]!
      const arrives = last.signal!.format
      const port = last.wire.to!.port!
      const behind = touched.has(last.wire.to!.node.id) ? standardOf(last.wire.to!.node.id) : undefined
      const stageRow = stages.find(({ node }) => node.id === stage)
      const path = stageRow?.node.model.paths.find(({ format }) => format === 'standard')
      const links = rigid ? [] : mine.flatMap(run => run.links)
      const devices = rigid ? [] : mine.flatMap(run => run.links.slice(1).map(({ wire }) => wire.from!.node))
      found.set(key, {
        stage, needs, keep: sets, takes: mine.flatMap(run => [run.origin, run.end]).filter(end => end !== undefined).flatMap(end => (flexible.has(mine[0]!) && classOf(end) ? [classOf(end)!] : [])),
        items: [...links.flatMap(({ wire }) => linkItems(plan, wire.link)), ...devices.map(node => `model:${node.device.model}`)],
        minor: links.reduce((sum, { wire }) => sum + linkMinor(plan, wire.link), 0) + devices.reduce((sum, node) => sum + node.model.minor, 0),
        watts: devices.reduce((sum, node) => sum + node.model.watts, 0),
        delayMs: last.signal!.delay.typ - first.signal!.delay.typ + (behind ? delayMs(port.delay, behind).typ : 0) + (behind && path && stageRow && !stageRow.root && chain.nodes.get(device)!.model.role === 'source' ? delayMs(path.delay, behind).typ : 0),
        steps: conversionSteps(first.signal!.format, arrives) + (behind ? conversionSteps(arrives, behind) : 0),
        risk: must.reduce((sum, run) => sum + runIn(tried, run.id)!.links.filter(({ figures, signal }) => figures?.caution || (signal && signal.fills < 1)).length, 0), settings: sets.length, moved: 0, devices: devices.map(node => node.device.model).join('+'), scales: devices.some(({ model }) => model.paths.some(({ format }) => format === 'port')),
      })
    }
    return [...found.values()]
  }
}

/** The pieces and adapters of a link, as kit lines call them. */
const linkItems = (plan: Plan, link: Link): string[] =>
  [...(lengthOf(plan.leads[link.cable] as CableModel, link).pieces ?? []).map(m => `lead:${link.cable}:${m}`), ...[link.adapters?.from, link.adapters?.to].flatMap(id => (id === undefined ? [] : [`lead:${id}`]))]

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
