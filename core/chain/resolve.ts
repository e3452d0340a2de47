import { type Model, type Port, makesOf } from '#core/catalog'
import { type Device, type Link, type LinkEnd, type Plan, type Want, own, withRoute } from '#core/document'
import type { VideoFormat } from '#core/signal'

/** A device with its model and with the settings that hold where the plan says nothing. */
export interface DeviceNode {
  readonly id: string
  readonly device: Device
  readonly model: Model
  /** Switchers: the standard set, or the first that the model offers. */
  readonly standard: VideoFormat | undefined
}

/** A switcher: its mix buses work in one operating standard. */
export const isSwitcher = ({ model }: Pick<DeviceNode, 'model'>): boolean =>
  model.paths.some(path => path.format === 'standard')

/** Whether a switcher makes a recording that is asked of it: of its own program, inside. */
export const recordedInside = ({ nodes }: Pick<Chain, 'nodes'>, { sink, feed, of }: Want): boolean => {
  const node = nodes.get(sink)!
  return isSwitcher(node) && (node.model.records ?? 0) > 0 && feed === 'program' && (of === undefined || of === sink)
}

/** A device that makes one picture of many: a switcher or a multiviewer. Runs end and begin there. */
export const gathers = ({ model }: Pick<DeviceNode, 'model'>): boolean =>
  model.paths.some(({ format }) => format === 'standard' || format === 'tiles')

/** A port in use, found in the plan; `port` is absent where the model has no such port. */
export interface Socket {
  readonly node: DeviceNode
  readonly portId: string
  readonly port: Port | undefined
}

export interface Wire {
  readonly id: string
  /** As it stands in the plan, with its way where that is said of the places of its ends. */
  readonly link: Link
  readonly from: Socket | undefined
  readonly to: Socket | undefined
}

/** Where a socket is: where its device stands, or the receiver that has it. */
export const placeOf = ({ nodes }: Pick<Chain, 'nodes'>, { node, portId }: Socket): string | undefined =>
  (nodes.get(own(node.device.ports, portId)?.receiver ?? '') ?? node).device.place

/** The plan as a graph. Maps iterate in the order of ids, so that results do not depend on the file's order. */
export interface Chain {
  readonly leads: Plan['leads']
  readonly distances: Plan['distances']
  readonly nodes: ReadonlyMap<string, DeviceNode>
  readonly wires: ReadonlyMap<string, Wire>
  /** Wires by the socket that they leave or enter, `device/port`. */
  readonly leaving: ReadonlyMap<string, readonly Wire[]>
  readonly entering: ReadonlyMap<string, readonly Wire[]>
}

export const socketKey = (device: string, port: string): string => `${device}/${port}`

export function firstFormat(sets: Model['standards']): VideoFormat | undefined {
  const set = sets?.[0]
  return set && { raster: set.raster, scan: set.scan, rate: set.rates[0]! }
}

/** The format an output is set to, or the first that it can make. */
export function outputFormat(node: DeviceNode, portId: string): VideoFormat | undefined {
  return own(node.device.ports, portId)?.format ?? firstFormat(makesOf(node.model, portId, node.device.mode))
}

const byId = <T>(map: Readonly<Record<string, T>>): [string, T][] =>
  Object.entries(map).sort(([a], [b]) => (a < b ? -1 : 1))

/** What a link carries that is no picture; undefined for pictures. */
export function besideOf({ from, to }: Wire): Beside | undefined {
  const carries = (from?.port ?? to?.port)?.carries
  return carries === 'sound' || carries === 'control' ? carries : undefined
}

export type Beside = 'sound' | 'control'

/** A network switch knows no direction: each of its sockets takes either end of a lead. */
export const takesAnyEnd = (socket: Socket | undefined): boolean =>
  socket?.node.model.kind === 'network' && socket.port?.carries === 'control'

/** All wires in a socket, by id; of a socket that takes either end, those that leave and those that enter. */
export function wiresAt({ leaving, entering }: Chain, socket: Socket, end: 'from' | 'to'): readonly Wire[] {
  const key = socketKey(socket.node.id, socket.portId)
  const [out, into] = [leaving.get(key) ?? [], entering.get(key) ?? []]
  if (!takesAnyEnd(socket)) return end === 'from' ? out : into
  return [...out, ...into].sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** Builds the graph of a valid plan. Linear in devices and links. */
export function resolve(plan: Pick<Plan, 'devices' | 'models' | 'links' | 'leads' | 'distances'>): Chain {
  const nodes = new Map<string, DeviceNode>()
  for (const [id, device] of byId(plan.devices)) {
    const model = plan.models[device.model]!
    nodes.set(id, { id, device, model, standard: device.standard ?? firstFormat(model.standards) })
  }
  const wires = new Map<string, Wire>()
  const leaving = new Map<string, Wire[]>()
  const entering = new Map<string, Wire[]>()
  const socket = (end: LinkEnd | undefined): Socket | undefined => {
    if (!end) return undefined
    const node = nodes.get(end.device)!
    return { node, portId: end.port, port: own(node.model.ports, end.port) }
  }
  const file = (map: Map<string, Wire[]>, end: LinkEnd | undefined, wire: Wire) => {
    if (!end) return
    const key = socketKey(end.device, end.port)
    const list = map.get(key)
    if (list) list.push(wire)
    else map.set(key, [wire])
  }
  for (const [id, written] of byId(plan.links)) {
    const link = withRoute(plan, written)
    const wire: Wire = { id, link, from: socket(link.from), to: socket(link.to) }
    wires.set(id, wire)
    file(leaving, link.from, wire)
    file(entering, link.to, wire)
  }
  return { leads: plan.leads, distances: plan.distances, nodes, wires, leaving, entering }
}
