import { type Path, carriesPicture, followsSink, makesOf, portsOf } from '#core/catalog'
import { own } from '#core/document'
import { type VideoFormat, differsBy1001, setsContain } from '#core/signal'
import { type CableFigures, accepts, bars, carry, joins, leadOf, lengthOf, overClass, tooShort } from './carry'
import { darkens, impossibleSettings } from './impossible'
import { carriedBy, inputsBefore, letsThrough, madeBy, mixedBy, passed, pathFrom, pointedAt, tiledBy } from './pass'
import {
  type Beside,
  type Chain,
  type DeviceNode,
  type Socket,
  type Wire,
  besideOf,
  gathers,
  outputFormat,
  socketKey,
  takesAnyEnd,
  wiresAt,
} from './resolve'
import { type DelayMs, type Signal, addDelay, delayMs, spanDelay } from './signal'
import type { Stop } from './stop'
import { shortStretch } from './stretch'

/** What one link does in the traced plan. */
export interface WireTrace {
  readonly wire: Wire
  /** The picture that enters; absent where nothing comes this far. */
  readonly signal?: Signal
  readonly figures?: CableFigures
  /** The source is left to choose among rates, and is taken to choose the right one. */
  readonly chosen?: true
  /** Why the light ends here. Absent on links that are dark only because nothing reaches them. */
  readonly stop?: Stop
  /** The picture gets there; of sound and control, that the plugs fit at both ends. */
  readonly arrives: boolean
  readonly beside?: Beside
}

export interface SwitcherTrace {
  /** Inputs that show a picture. */
  readonly lit: number
  /** From the slowest and fastest lit source to the switcher's outputs, every switcher before it included. */
  readonly delay: DelayMs | undefined
}

export interface Trace {
  readonly wires: ReadonlyMap<string, WireTrace>
  readonly switchers: ReadonlyMap<string, SwitcherTrace>
}

/**
 * Follows every picture from its source through all links and devices, at any depth of cascade. A switcher's outputs
 * are lit when at least one of its inputs is; their format is the operating standard, so rings of switchers need no
 * iteration. Linear in links.
 */
export function trace(chain: Chain): Trace {
  const wires = new Map<string, WireTrace>()
  const lit = new Map<string, number>()
  const queue: [DeviceNode, string, Signal][] = []

  for (const wire of chain.wires.values()) {
    const stop = structuralStop(wire)
    const beside = besideOf(wire)
    if (stop) wires.set(wire.id, { wire, stop, arrives: false, ...(beside ? { beside } : {}) })
    else if (beside) wires.set(wire.id, plugged(chain, wire, beside))
  }
  for (const node of chain.nodes.values()) {
    if (node.model.role !== 'source') continue
    for (const [portId, port] of Object.entries(node.model.ports)) {
      const signal = port.dir === 'out' ? madeBy(node, portId, port) : undefined
      if (signal) queue.push([node, portId, signal])
    }
  }
  for (let next = queue.pop(); next; next = queue.pop()) {
    const [node, portId, signal] = next
    const leaving = chain.leaving.get(socketKey(node.id, portId)) ?? []
    for (const wire of leaving) {
      if (wires.has(wire.id)) continue
      const traced = follow(chain, wire, signal, leaving[0]!)
      wires.set(wire.id, traced)
      if (traced.arrives) enter(traced)
    }
  }
  for (const wire of chain.wires.values()) {
    if (!wires.has(wire.id)) wires.set(wire.id, { wire, stop: missingSource(chain, wire), arrives: false })
  }
  nameRings(chain, wires)
  return { wires, switchers: switcherDelays(chain, wires, lit) }

  function enter({ wire, signal, figures }: WireTrace): void {
    const { node, portId } = wire.to!
    if (gathers(node)) {
      const before = lit.get(node.id) ?? 0
      lit.set(node.id, before + 1)
      for (const path of node.model.paths) {
        for (const outId of path.to) {
          const shown = inputsBefore(node, path, outId)
          // An output that carries one input is lit by that one; the others by the first that comes.
          if (shown.length === 1 && shown !== path.from ? shown[0] !== portId : before > 0) continue
          const out =
            path.format === 'standard'
              ? mixedBy(node, path, outId)
              : path.format === 'tiles'
                ? tiledBy(node, path, outId)
                : undefined
          if (out) queue.push([node, outId, out])
        }
      }
      return
    }
    const path = pathFrom(node, portId)
    if (path)
      for (const outId of path.to) queue.push([node, outId, passed(node, path, signal!, portId, outId, figures?.used)])
  }
}

/** Typical delay of the slowest lit picture at any switcher's outputs, ms; 0 in the dark. */
export const slowestMs = ({ switchers }: Trace): number =>
  Math.max(0, ...[...switchers.values()].map(({ delay }) => delay?.typ ?? 0))

/** What is wrong with a link whatever it carries. */
function structuralStop({ from, to }: Wire): Stop | undefined {
  if (from && !from.port) return { why: 'no-port', end: 'from' }
  if (to && !to.port) return { why: 'no-port', end: 'to' }
  const ends: ('from' | 'to')[] = []
  if (takesAnyEnd(from) || takesAnyEnd(to)) return from ? undefined : { why: 'loose', end: 'from' }
  if (from?.port?.dir === 'in') ends.push('from')
  if (to?.port?.dir === 'out') ends.push('to')
  if (ends.length) return { why: 'direction', ends }
  return from ? undefined : { why: 'loose', end: 'from' }
}

function follow(chain: Chain, wire: Wire, signal: Signal, first: Wire): WireTrace {
  if (first !== wire) return { wire, signal, stop: { why: 'double-output', other: first.id }, arrives: false }
  if (!wire.to) return { wire, signal, stop: { why: 'loose', end: 'to' }, arrives: false }
  const { node, portId, port } = wire.to
  if (wire.link.turned && leadOf(chain, wire.link).cable.oneWay)
    return { wire, signal, stop: { why: 'turned' }, arrives: false }
  const impossible = impossibleEnd(wire)
  if (impossible) return { wire, signal, stop: { why: 'impossible', end: impossible }, arrives: false }
  const carried = carry(signal, wire.from!.port!, leadOf(chain, wire.link), wire.link, port!)
  const refused = accepts(node, port!, signal.format)
  const chosen = refused?.why === 'standard' && mayChoose(chain, signal, refused.standard)
  const stop = carried.stop ?? (chosen ? undefined : refused) ?? bars(node, port!, signal, carried.figures) ?? beyond()
  return {
    wire,
    signal,
    figures: carried.figures,
    stop,
    arrives: stop === undefined,
    ...(chosen && !stop ? { chosen } : {}),
  }

  function beyond(): Stop | undefined {
    const holder = chain.entering.get(socketKey(node.id, portId))![0]!
    if (holder !== wire) return { why: 'double-input', other: holder.id }
    const short = shortStretch(chain, wire, step => upstream(chain, step))
    if (short) return short
    if (port!.takes === 'standard') return carried.figures && overClass(carried.figures, port!, 'to')
    if (node.model.role !== 'way' || gathers(node)) return undefined
    const path = pathFrom(node, portId)
    if (path && !letsThrough(path, signal)) return { why: 'not-passed', sends: signal.format }
    if (path?.format === 'chosen' && path.to.length === 0) return { why: 'unchosen' }
    const outs = path?.to ?? []
    return outs.some(outId => chain.leaving.has(socketKey(node.id, outId))) ? undefined : { why: 'dead-end' }
  }
}

/** The end at which a device is set to what its model cannot do, where that decides what comes. */
function impossibleEnd({ from, to }: Wire): 'from' | 'to' | undefined {
  const at = (socket: Socket) =>
    impossibleSettings(socket.node).some(one => darkens(one) && (one.port === undefined || one.port === socket.portId))
  return at(from!) ? 'from' : to && gathers(to.node) && at(to) ? 'to' : undefined
}

/** A computer whose output is left to its desktop may send the standard as well as its sibling at 1000/1001 of the rate. */
function mayChoose(chain: Chain, { format, setBy }: Signal, standard: VideoFormat): boolean {
  const node = chain.nodes.get(setBy.device)!
  const output = node.model.ports[setBy.port]
  return (
    output !== undefined &&
    followsSink(node.model, output) &&
    own(node.device.ports, setBy.port)?.format === undefined &&
    format.raster === standard.raster &&
    format.scan === standard.scan &&
    differsBy1001(format.rate, standard.rate) &&
    setsContain(makesOf(node.model, setBy.port, node.device.mode), standard)
  )
}

/** A link of sound or control: only its plugs are judged. */
function plugged(chain: Chain, wire: Wire, beside: Beside): WireTrace {
  const from = wire.from!
  const stop = (): Stop | undefined => {
    const first = wiresAt(chain, from, 'from')[0]!
    if (first !== wire) return { why: 'double-output', other: first.id }
    if (!wire.to) return { why: 'loose', end: 'to' }
    const lead = leadOf(chain, wire.link)
    if (wire.link.turned && lead.cable.oneWay) return { why: 'turned' }
    const mismatch = joins(from.port!, lead, wire.to.port!)
    if (mismatch) return { why: 'connector', mismatch }
    const holder = wiresAt(chain, wire.to, 'to')[0]!
    if (holder !== wire) return { why: 'double-input', other: holder.id }
    const short = lead.cable.installed ? undefined : tooShort(wire.link)
    if (short) return short
    // Sound that goes too far is still heard; control does not get through at all.
    const law = lead.cable.reach
    const { lengthM, noPiece } = lengthOf(lead.cable, wire.link)
    const reachM = law.kind === 'length' ? law.steps[0]!.faultM : Infinity
    return beside === 'control' && lengthM !== undefined && (lengthM > reachM || noPiece)
      ? { why: 'too-far', lengthM, reachM, noPiece }
      : undefined
  }
  const found = stop()
  return { wire, beside, arrives: found === undefined, ...(found ? { stop: found } : {}) }
}

/** For a link that nothing reached: the device where a source is missing, once per cause, or nothing when it is only dark. */
function missingSource(chain: Chain, wire: Wire): Stop | undefined {
  const { node, portId } = wire.from!
  if (node.model.role === 'source') return { why: 'no-source', device: node.id }
  if (gathers(node) && carriedBy(node, portId) !== 'input') {
    const fed = portsOf(node.model, 'in').some(([id]) => chain.entering.has(socketKey(node.id, id)))
    const first = portsOf(node.model, 'out').flatMap(([id]) => chain.leaving.get(socketKey(node.id, id)) ?? [])[0]
    return !fed && first === wire ? { why: 'no-source', device: node.id } : undefined
  }
  const inputs = node.model.paths
    .filter(path => path.to.includes(portId))
    .flatMap(path => inputsBefore(node, path, portId))
  const feeding = inputs.flatMap(id => chain.entering.get(socketKey(node.id, id)) ?? [])
  if (feeding.length > 0) return undefined
  if (gathers(node)) return { why: 'empty', input: inputs[0]! }
  const first = portsOf(node.model, 'out').flatMap(([id]) => chain.leaving.get(socketKey(node.id, id)) ?? [])[0]
  return first === wire ? { why: 'no-source', device: node.id } : undefined
}

/**
 * Dark links that no reason explains: none of their own, and none before them. They come out of rings of switchers or
 * of devices which feed each other and which no source feeds, or out of what nothing enters. The first of each gets the
 * reason, once.
 */
function nameRings(chain: Chain, wires: Map<string, WireTrace>): void {
  const explained = new Set<string>()
  const explain = (wire: Wire): void => {
    const open = [wire]
    for (let next = open.pop(); next; next = open.pop()) {
      if (explained.has(next.id)) continue
      explained.add(next.id)
      open.push(...stepOn(chain, next))
    }
  }
  const leavingOf = ({ id, model }: DeviceNode): Wire[] =>
    portsOf(model, 'out').flatMap(([port]) => chain.leaving.get(socketKey(id, port)) ?? [])
  for (const { wire, stop } of wires.values()) {
    if (!stop) continue
    explain(wire)
    if (stop.why === 'no-source') leavingOf(chain.nodes.get(stop.device)!).forEach(explain)
  }
  for (const start of [...wires.values()]) {
    if (start.arrives || explained.has(start.wire.id)) continue
    // What nothing enters at all, and of rings that feed rings the one that nothing else feeds.
    const [root] = [...wiresBefore(chain, start.wire)]
      .map(id => ({ id, past: wiresBefore(chain, ...stepBack(chain, wires.get(id)!.wire)) }))
      .filter(({ id, past }) => past.size === 0 || past.has(id))
      .sort((a, b) => a.past.size - b.past.size || (a.id < b.id ? -1 : 1))
    const first = wires.get(root!.id)!
    const { node, portId } = first.wire.from!
    const input = gathers(node) && carriedBy(node, portId) === 'input' ? pointedAt(node, portId) : undefined
    wires.set(first.wire.id, {
      ...first,
      stop: input === undefined ? { why: 'no-source', device: node.id } : { why: 'empty', input },
    })
    explain(first.wire)
    leavingOf(node).forEach(explain)
  }
}

/** Links and all from which their pictures could come, through switchers and devices. */
function wiresBefore(chain: Chain, ...start: Wire[]): ReadonlySet<string> {
  const found = new Set<string>()
  const open = [...start]
  for (let wire = open.pop(); wire; wire = open.pop()) {
    if (found.has(wire.id)) continue
    found.add(wire.id)
    open.push(...stepBack(chain, wire))
  }
  return found
}

/** The links that enter the device before a link, at inputs that its output shows. */
function stepBack(chain: Chain, { from }: Wire): Wire[] {
  if (!from) return []
  const { node, portId } = from
  return node.model.paths
    .filter(path => path.to.includes(portId))
    .flatMap(path => inputsBefore(node, path, portId))
    .flatMap(id => chain.entering.get(socketKey(node.id, id)) ?? [])
}

/** The links that leave the device behind a link, at outputs that show its input. */
function stepOn(chain: Chain, { to }: Wire): Wire[] {
  if (!to) return []
  const { node, portId } = to
  return node.model.paths
    .filter(path => path.from.includes(portId))
    .flatMap(path => path.to.filter(out => inputsBefore(node, path, out).includes(portId)))
    .flatMap(id => chain.leaving.get(socketKey(node.id, id)) ?? [])
}

/** The link before this one in its run; undefined at a source, a switcher or a gap. */
export function upstream(chain: Chain, wire: Wire): Wire | undefined {
  const from = wire.from
  if (!from || gathers(from.node) || from.port?.dir !== 'out' || !carriesPicture(from.port)) return undefined
  for (const path of from.node.model.paths) {
    if (!path.to.includes(from.portId)) continue
    for (const inId of inputsBefore(from.node, path, from.portId)) {
      const entering = chain.entering
        .get(socketKey(from.node.id, inId))
        ?.find(
          candidate =>
            (!candidate.to?.port || carriesPicture(candidate.to.port)) &&
            (candidate.from !== undefined || candidate.to?.port?.dir === 'in'),
        )
      if (entering) return entering
    }
  }
  return undefined
}

function switcherDelays(
  chain: Chain,
  wires: ReadonlyMap<string, WireTrace>,
  lit: ReadonlyMap<string, number>,
): Map<string, SwitcherTrace> {
  const done = new Map<string, SwitcherTrace>()
  const open = new Set<string>()
  const visit = (node: DeviceNode): SwitcherTrace => {
    const known = done.get(node.id)
    if (known) return known
    open.add(node.id)
    let span: DelayMs | undefined
    for (const path of node.model.paths) {
      const format = gatheredFormat(node, path)
      if (!format) continue
      for (const inId of path.from) {
        for (const wire of chain.entering.get(socketKey(node.id, inId)) ?? []) {
          const traced = wires.get(wire.id)!
          if (!traced.arrives) continue
          const origin = chain.nodes.get(traced.signal!.origin.device)!
          // A ring of switchers adds nothing to the first pass of a picture through it.
          if (gathers(origin) && open.has(origin.id)) continue
          const before = gathers(origin) ? beforeSwitcher(visit(origin).delay, origin) : undefined
          const input = delayMs(node.model.ports[inId]?.delay, format)
          const whole = addDelay(
            addDelay(before ? addDelay(before, traced.signal!.delay) : traced.signal!.delay, input),
            delayMs(path.delay, format),
          )
          span = span ? spanDelay(span, whole) : whole
        }
      }
    }
    open.delete(node.id)
    const result: SwitcherTrace = { lit: lit.get(node.id) ?? 0, delay: span }
    done.set(node.id, result)
    return result
  }
  for (const node of chain.nodes.values()) if (gathers(node)) visit(node)
  return done
}

/** A switcher's whole delay less its own path, which the signal that leaves it counts already. */
function beforeSwitcher(delay: DelayMs | undefined, switcher: DeviceNode): DelayMs | undefined {
  const path = switcher.model.paths.find(candidate => gatheredFormat(switcher, candidate))
  if (!delay || !path) return undefined
  const mine = delayMs(path.delay, gatheredFormat(switcher, path)!)
  return { min: delay.min - mine.min, typ: delay.typ - mine.typ, max: delay.max - mine.max }
}

/** The format of the picture that a path makes of many; undefined for other paths. */
function gatheredFormat(node: DeviceNode, path: Path): VideoFormat | undefined {
  return path.format === 'standard'
    ? node.standard
    : path.format === 'tiles'
      ? outputFormat(node, path.to[0]!)
      : undefined
}
