import { type Port, SOUND_HZ, portsOf } from '#core/catalog'
import {
  type DeviceNode,
  type Socket,
  type Traced,
  type WireTrace,
  isSwitcher,
  openingOf,
  socketKey,
} from '#core/chain'
import { own } from '#core/document'
import { fact } from '#core/kernel'

// What a lead between two sound plugs brings beside the sound: its level, its sides, the power for a microphone.

/** Line level where a data sheet says nothing, dBu: studios at XLR and 6.3 mm, -10 dBV (-7.8 dBu) at 3.5 mm. */
const usualDbu = ({ connector }: Port): number => (connector === 'mini-jack' ? -7.8 : 4)

const lifts = ({ model }: DeviceNode): boolean => model.kind === 'desk' || model.amplifies === true

/** A box that hands a sound on as it came. */
const handsOn = (node: DeviceNode, portId: string): boolean =>
  node.model.role === 'sound' && !lifts(node) && node.model.paths.some(({ to }) => to.includes(portId))

const arrivingAt = (traced: Traced, node: DeviceNode, portId: string): WireTrace[] =>
  (traced.chain.entering.get(socketKey(node.id, portId)) ?? [])
    .map(({ id }) => traced.trace.wires.get(id)!)
    .filter(({ beside, arrives }) => beside === 'sound' && arrives)

/** What enters before an output, through boxes that hand sound on; rings end. */
function before(traced: Traced, { node, portId }: Socket): Socket[] {
  return node.model.paths
    .filter(({ to }) => to.includes(portId))
    .flatMap(({ from }) => from)
    .flatMap(inId => arrivingAt(traced, node, inId).map(({ wire }) => wire.from!))
}

/** The plugs in which a sound begins that leaves at an output, behind boxes that only hand it on. */
function beginnings(traced: Traced, socket: Socket, seen: ReadonlySet<string> = new Set()): Socket[] {
  if (!handsOn(socket.node, socket.portId) || seen.has(socket.node.id)) return [socket]
  const back = before(traced, socket)
  return back.flatMap(one => beginnings(traced, one, new Set([...seen, socket.node.id])))
}

/** Line levels that leave at an output, dBu; none for what a microphone sends. */
function sentDbu(traced: Traced, socket: Socket): number[] {
  const declared = ({ node, portId, port }: Socket): number | undefined =>
    own(node.device.ports, portId)?.nominalDbu ?? port?.nominalDbu?.[0]
  const here = declared(socket)
  if (here !== undefined) return [here]
  return beginnings(traced, socket).flatMap(one =>
    one.port === undefined || one.port.soundLevel === 'microphone' ? [] : [declared(one) ?? usualDbu(one.port)],
  )
}

/** The line level that an input expects, dBu; undefined where it has a range that holds both, or hands on what comes. */
function expectedDbu({ node, portId, port }: Socket): number | undefined {
  if (!port) return undefined
  const set = own(node.device.ports, portId)?.nominalDbu
  if (port.nominalDbu) return set !== undefined && port.nominalDbu.includes(set) ? set : port.nominalDbu[0]
  return port.soundLevel === 'line' ? usualDbu(port) : undefined
}

/** More than this is heard, dB. */
const APART_DB = 6

export interface Apart {
  readonly at: WireTrace
  readonly sentDbu: number
  readonly expectedDbu: number
}

const soundWires = ({ trace }: Traced): WireTrace[] =>
  [...trace.wires.values()].filter(({ beside, arrives }) => beside === 'sound' && arrives)

const apartFact = fact<Traced, readonly Apart[]>('line levels that differ', traced =>
  soundWires(traced).flatMap((at): Apart[] => {
    const expected = expectedDbu(at.wire.to!)
    if (expected === undefined) return []
    const worst = sentDbu(traced, at.wire.from!)
      .filter(sent => Math.abs(sent - expected) > APART_DB)
      .sort((a, b) => Math.abs(b - expected) - Math.abs(a - expected))[0]
    return worst === undefined ? [] : [{ at, sentDbu: worst, expectedDbu: expected }]
  }),
)

/** Leads between plugs whose line levels differ by more than 6 dB. */
export const levelsApart = (traced: Traced): readonly Apart[] => traced.ask(apartFact)

/** An input of a mixing device, or of what records or sends, that lets sound in. */
interface Ear {
  readonly node: DeviceNode
  readonly portId: string
}

/** Inputs that let sound through in the plan or in a look, and sinks other than screens. */
function ears({ chain, plan }: Traced): Ear[] {
  const opened = (device: string, port: string) =>
    Object.values(plan.looks).some(({ sound }) => (own(own(sound, device), port) ?? 'shut') !== 'shut')
  return [...chain.nodes.values()].flatMap(node =>
    portsOf(node.model, 'in').flatMap(([portId, port]): Ear[] => {
      if (!port.sound || !chain.entering.has(socketKey(node.id, portId))) return []
      const { role, kind } = node.model
      const mixes = isSwitcher(node) && (openingOf({ node, portId, port }) !== 'shut' || opened(node.id, portId))
      return mixes || (role === 'sink' && kind !== 'screen' && kind !== 'projector') ? [{ node, portId }] : []
    }),
  )
}

/** The plugs and pictures in which what comes to an input begins, up to the next mix; rings end. */
function plugsBefore(traced: Traced, { node, portId }: Ear, seen: ReadonlySet<string> = new Set()): Socket[] {
  return (traced.chain.entering.get(socketKey(node.id, portId)) ?? []).flatMap(wire => {
    const from = wire.from
    if (!from?.port || !traced.trace.wires.get(wire.id)?.arrives || isSwitcher(from.node) || seen.has(from.node.id))
      return []
    if (from.node.model.kind === 'desk') return []
    const [role, beyond] = [from.node.model.role, new Set([...seen, from.node.id])]
    const here = (role === 'source' || role === 'sound') && from.port.sound ? [from] : []
    const back = from.node.model.paths
      .filter(({ to, sound, format }) => to.includes(from.portId) && sound !== 'drops' && format !== 'tiles')
      .flatMap(path => path.from)
      .flatMap(inId => plugsBefore(traced, { node: from.node, portId: inId }, beyond))
    // What is plugged into a camera takes the place of its own microphone.
    return back.some(({ node: { model } }) => model.role === 'sound') ? back : [...here, ...back]
  })
}

export interface OneSided extends Ear {
  readonly plug: Socket
  /** The left side alone, or another voice at each. */
  readonly how: 'left' | 'apart'
}

const sidedFact = fact<Traced, readonly OneSided[]>('sound on one side', traced =>
  ears(traced).flatMap((ear): OneSided[] => {
    const { node, portId } = ear
    const pair = (own(node.model.ports, portId)?.sound ?? 0) > 1
    if (!pair || own(node.device.ports, portId)?.spread) return []
    const plug = plugsBefore(traced, ear).find(({ port }) => port?.sides !== undefined)
    return plug ? [{ ...ear, plug, how: plug.port!.sides! }] : []
  }),
)

/** Inputs to which a sound comes on one side of a pair. */
export const oneSided = (traced: Traced): readonly OneSided[] => traced.ask(sidedFact)

export interface Sampled extends Ear {
  readonly plug: Socket
  readonly hz: number
}

const sampledFact = fact<Traced, readonly Sampled[]>('sampling that differs', traced =>
  ears(traced).flatMap((ear): Sampled[] => {
    const takes = own(ear.node.model.ports, ear.portId)?.soundHz ?? [SOUND_HZ[0]]
    return plugsBefore(traced, ear).flatMap(plug => {
      const can = plug.port?.soundHz
      const set = own(plug.node.device.ports, plug.portId)?.soundHz
      const hz = set !== undefined && can?.includes(set) ? set : (can?.[0] ?? SOUND_HZ[0])
      return takes.includes(hz) ? [] : [{ ...ear, plug, hz }]
    })
  }),
)

/** Inputs to which sound comes with another number of samples a second than they take. */
export const sampledOtherwise = (traced: Traced): readonly Sampled[] => traced.ask(sampledFact)

export interface Phantom {
  readonly at: WireTrace
  /** The plug that is in want of it, or that it harms. */
  readonly plug: Socket
  readonly how: 'wanting' | 'harming'
  /** The input can give it. */
  readonly switched: boolean
}

const phantomFact = fact<Traced, readonly Phantom[]>('phantom power', traced =>
  soundWires(traced).flatMap((at): Phantom[] => {
    const { node, portId, port } = at.wire.to!
    // A box that hands sound on is no end of the line; what stands behind it is.
    if (handsOn(node, node.model.paths.find(({ from }) => from.includes(portId))?.to[0] ?? '')) return []
    const switched = port?.phantom === 'switched'
    const on = switched && own(node.device.ports, portId)?.phantom === true
    const plug = at.wire.from!
    // A transformer lets no direct current through: what is behind it neither gets it nor is harmed.
    const far = handsOn(plug.node, plug.portId)
      ? beginnings(traced, plug).find(one => one.port?.phantom === 'needs')
      : plug
    if (far?.port?.phantom === 'needs' && (!on || far !== plug))
      return [{ at, plug: far, how: 'wanting', switched: switched && far === plug }]
    return on && plug.port?.phantom === 'harmed' ? [{ at, plug, how: 'harming', switched }] : []
  }),
)

/** Lines without the phantom power that their microphone needs, and with one that harms what is plugged in. */
export const phantomFaults = (traced: Traced): readonly Phantom[] => traced.ask(phantomFact)
