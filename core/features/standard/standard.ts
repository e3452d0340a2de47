import { type Model, type Path, type Port, makesInAnyMode } from '#core/catalog'
import {
  type DeviceNode,
  type Run,
  type Signal,
  type Traced,
  type WireTrace,
  accepts,
  carry,
  gathers,
  isSwitcher,
  leadOf,
  letsThrough,
  overClass,
  passed,
  pathFrom,
} from '#core/chain'
import type { Edit } from '#core/document'
import { Draft, allLeads, allModels, cablesBetween, setFormat, shortTitle, signalAt } from '#core/propose'
import { type VideoFormat, formatLabel, framesPerSecond, listFormats, sameFormat, setsContain } from '#core/signal'

/** What a run needs so that its picture arrives: nothing, a setting of what makes the format, a converter, or there is no way. */
export type Need = 'nothing' | 'setting' | 'converter' | 'none'

export interface RunNeed {
  readonly run: string
  readonly need: Need
  /** The change in words; empty where there is none. */
  readonly words: string
}

/** The changes that bring a whole plan into one operating standard. */
export interface Worked {
  readonly edits: readonly Edit[]
  readonly needs: readonly RunNeed[]
}

/**
 * Works out what a plan needs to run in one standard. The ladder asks one of these for every rung; it need not be
 * this one: a solver that looks at the whole plan at once can stand in its place.
 */
export type Planner = (traced: Traced, standard: VideoFormat) => Worked

/**
 * Every switcher that offers the standard is set to it; then each run is looked at by itself: its source is set where it
 * can make what the input takes, else a converter goes right before the input, at the end of the cable that lies there
 * already. Linear in runs.
 */
export const inPlace: Planner = (traced, standard) => {
  const { chain, plan, runs } = traced
  const draft = new Draft(plan)
  const standards = new Map<string, VideoFormat>()
  for (const node of chain.nodes.values()) {
    if (!isSwitcher(node)) continue
    const offers = setsContain(node.model.standards ?? [], standard)
    standards.set(node.id, offers ? standard : node.standard!)
    if (offers && !(node.device.standard && sameFormat(node.device.standard, standard)))
      draft.set(['devices', node.id, 'standard'], standard)
  }
  const settled = new Map<string, VideoFormat>()
  const done = new Set<string>()
  const converters = scalers(traced)
  const needs = runs
    .filter(({ beside, end, origin }) => !beside && end && origin)
    .map((run): RunNeed => {
      const last = run.links.at(-1)!
      const now = signalOf(traced, run)
      if (!now || !last.wire.to?.port) return { run: run.id, need: 'none', words: '' }
      const target: DeviceNode = {
        ...last.wire.to.node,
        standard: standards.get(last.wire.to.node.id) ?? last.wire.to.node.standard,
      }
      const setter = chain.nodes.get(now.setBy.device)!
      const key = `${now.setBy.device}/${now.setBy.port}`
      const format = standards.get(setter.id) ?? settled.get(key) ?? now.format
      const signal: Signal = { ...now, format }
      const takes = (candidate: VideoFormat) => !accepts(target, last.wire.to!.port!, candidate)
      if (takes(format))
        return settled.has(key)
          ? { run: run.id, need: 'setting', words: `set to ${formatLabel(format)}` }
          : { run: run.id, need: 'nothing', words: '' }
      if (!gathers(setter) && !settled.has(key)) {
        const makes = makesInAnyMode(setter.model, now.setBy.port).flatMap(({ sets }) => listFormats(sets))
        const fits = [target.standard, standard, ...makes].find(
          candidate => candidate && takes(candidate) && makes.some(made => sameFormat(made, candidate)),
        )
        if (fits && setFormat(draft, setter, now.setBy.port, fits)) {
          settled.set(key, fits)
          return { run: run.id, need: 'setting', words: `set to ${formatLabel(fits)}` }
        }
      }
      if (done.has(last.wire.id)) return { run: run.id, need: 'none', words: '' }
      const put = putConverter(traced, draft, converters, last, signal, target)
      done.add(last.wire.id)
      return put ? { run: run.id, need: 'converter', words: put } : { run: run.id, need: 'none', words: '' }
    })
  return { edits: draft.edits, needs }
}

/** The picture that reaches the last link of a run, or would if everything before it let it through. */
function signalOf(traced: Traced, { links }: Run): Signal | undefined {
  const last = links.at(-1)!
  return last.signal ?? (last.wire.from && signalAt(traced, last.wire.from))
}

interface Scaler {
  readonly id: string
  readonly row: Model
  readonly path: Path
  readonly inId: string
  readonly outId: string
  readonly input: Port
  readonly output: Port
}

/** Converters with one input and one output that make a format of their own, cheapest first; the plan's own rows too. */
function scalers({ plan }: Traced): Scaler[] {
  return allModels(plan)
    .flatMap(([id, row]): Scaler[] => {
      const [path] = row.paths
      if (row.role !== 'way' || path?.format !== 'port' || path.from.length !== 1 || path.to.length !== 1) return []
      const [inId, outId] = [path.from[0]!, path.to[0]!]
      return [{ id, row, path, inId, outId, input: row.ports[inId]!, output: row.ports[outId]! }]
    })
    .sort((a, b) => a.row.priceMinor - b.row.priceMinor)
}

/** Formats in the order of their likeness to one: the same rate first, then the same raster and scan. */
function nearest(formats: readonly VideoFormat[], to: VideoFormat): VideoFormat[] {
  const far = (format: VideoFormat) =>
    (format.rate === to.rate ? 0 : 4 + Math.abs(framesPerSecond(format.rate) - framesPerSecond(to.rate))) +
    (format.raster === to.raster ? 0 : 2) +
    (format.scan === to.scan ? 0 : 1)
  return [...formats].sort((a, b) => far(a) - far(b))
}

/** Puts the cheapest converter that does before an input; gives its name, or undefined where none does. */
function putConverter(
  traced: Traced,
  draft: Draft,
  all: readonly Scaler[],
  { wire }: WireTrace,
  signal: Signal,
  target: DeviceNode,
): string | undefined {
  const { plan, chain } = traced
  const out = wire.from!.port!
  const socket = wire.to!
  const leads = allLeads(plan)
  for (const { id, row, path, inId, outId, input, output } of all) {
    // The cable lies already: its plug must fit the converter as it fits the input.
    if (input.carries !== socket.port!.carries || input.connector !== socket.port!.connector) continue
    const box: DeviceNode = { id, device: { model: id, name: id, order: 0 }, model: row, standard: undefined }
    const reached = carry(signal, out, leadOf(plan, wire.link), wire.link, input)
    if (
      reached.stop ||
      accepts(box, input, signal.format) ||
      !letsThrough(path, signal) ||
      pathFrom(box, inId) !== path
    )
      continue
    const format = [target.standard, signal.format, ...nearest(listFormats(output.makes ?? []), signal.format)].find(
      candidate => candidate && setsContain(output.makes ?? [], candidate) && !accepts(target, socket.port!, candidate),
    )
    if (!format) continue
    const made = passed(
      { ...box, device: { ...box.device, ports: { [outId]: { format } } } },
      path,
      signal,
      inId,
      outId,
    )
    const short = cablesBetween(leads, made, output, { routeM: 0 }, socket.port!)[0]
    if (!short || overClass(short.carriage, socket.port!, 'to')) continue
    const owner = chain.nodes.get(signal.origin.device)!.device.name
    const device = draft.device({
      model: draft.model(id),
      name: `${shortTitle(row.title)}, ${owner}`.slice(0, 120),
      order: 0,
      ports: { [outId]: { format } },
    })
    const { adapters } = short.cable
    const ends = {
      ...(adapters?.from ? { from: draft.lead(adapters.from) } : {}),
      ...(adapters?.to ? { to: draft.lead(adapters.to) } : {}),
    }
    draft.move(wire.id, 'to', { device, port: inId }, wire.link.adapters?.to)
    draft.connect({
      from: { device, port: outId },
      to: wire.link.to!,
      cable: draft.lead(short.cable.lead),
      ...(Object.keys(ends).length ? { adapters: ends } : {}),
      routeM: 0,
    })
    return shortTitle(row.title)
  }
  return undefined
}
