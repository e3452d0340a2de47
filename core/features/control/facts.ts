import { type DeviceNode, type Traced, type Wire, isSwitcher, socketKey, takesAnyEnd } from '#core/chain'
import {
  type Address,
  type Plan,
  addressText,
  areTogether,
  isReservedAddress,
  nextFree,
  parseAddress,
} from '#core/document'
import { Draft, type Proposal } from '#core/propose'
import { type Surface, mixOf, portsOf } from '#core/catalog'
import { fact } from '#core/kernel'

/** What controllers reach, through network switches in any direction. A lead that carries nothing has a finding of its own. */
export interface Reach {
  /** Devices that must be set up, are in use, and that no controller reaches. */
  readonly unreached: readonly DeviceNode[]
  /** Controllers that reach nothing which can be set up, and that host nothing either. */
  readonly idle: readonly DeviceNode[]
  /** What a device reaches by control leads, by its id. */
  readonly from: (device: string) => ReadonlySet<string>
  /** What is worked in the show and hangs on radio alone, by the controller that does; of several, the first by its id. */
  readonly byAir: ReadonlyMap<string, readonly DeviceNode[]>
  /** By device: from what kinds of surface a socket of it is reached. */
  readonly reached: ReadonlyMap<string, ReadonlySet<Surface['kind']>>
}

type From = (starts: readonly string[]) => Set<string>

// A socket is a point of its own, so that what enters one of a device does not leave by another; a switch is one point.
const pointIn = ({ chain }: Pick<Traced, 'chain'>, device: string, port: string): string =>
  takesAnyEnd({ node: chain.nodes.get(device)!, portId: port, port: chain.nodes.get(device)!.model.ports[port] })
    ? device
    : socketKey(device, port)

/** All points that control leads join to some, those included. */
function joined(traced: Pick<Traced, 'chain' | 'trace'>, counts: (wire: Wire) => boolean): From {
  const next = new Map<string, Set<string>>()
  const join = (a: string, b: string) => next.set(a, (next.get(a) ?? new Set()).add(b))
  for (const { wire, beside } of traced.trace.wires.values()) {
    if (beside !== 'control' || !wire.to || !wire.from || !counts(wire)) continue
    const [a, b] = [wire.from, wire.to].map(({ node, portId }) => pointIn(traced, node.id, portId)) as [string, string]
    join(a, b)
    join(b, a)
  }
  return starts => {
    const seen = new Set(starts)
    const open = [...starts]
    for (let point = open.pop(); point !== undefined; point = open.pop())
      for (const on of next.get(point) ?? []) {
        if (seen.has(on)) continue
        seen.add(on)
        open.push(on)
      }
    return seen
  }
}

const reachFact = fact<Traced, Reach>('control', traced => {
  const { chain } = traced
  const pointOf = (device: string, port: string): string => pointIn(traced, device, port)
  const from = joined(traced, () => true)
  const nodes = [...chain.nodes.values()]
  const controllers = nodes.filter(({ model }) => model.kind === 'controller')
  const socketsOf = ({ id, model }: DeviceNode) => Object.keys(model.ports).map(port => pointOf(id, port))
  const reached = from(controllers.flatMap(socketsOf))
  const hosts = new Set(nodes.flatMap(({ device }) => (device.in === undefined ? [] : [device.in])))
  const used = ({ id, model }: DeviceNode): boolean =>
    [...portsOf(model, 'in'), ...portsOf(model, 'out')].some(
      ([port]) => chain.entering.has(socketKey(id, port)) || chain.leaving.has(socketKey(id, port)),
    )
  const controllable = new Set(
    nodes.flatMap(({ id, model }) =>
      portsOf(model, 'in')
        .filter(([, { carries }]) => carries === 'control' && model.kind !== 'network')
        .map(([port]) => socketKey(id, port)),
    ),
  )
  const unreached = nodes.filter(
    node =>
      node.model.configured?.length &&
      node.model.configured.every(port => !reached.has(socketKey(node.id, port))) &&
      used(node),
  )
  const reachedFrom = (device: string): ReadonlySet<string> => {
    const node = chain.nodes.get(device)
    const points = node ? from(socketsOf(node)) : new Set<string>()
    return new Set(nodes.flatMap(other => (socketsOf(other).some(point => points.has(point)) ? [other.id] : [])))
  }
  return {
    unreached,
    from: reachedFrom,
    byAir: byAirOf(
      nodes.filter(node => used(node) && (node.model.configured || (isSwitcher(node) && !hasPanel(node)))),
      controllers,
      [from, joined(traced, ({ from: a, to: b }) => ![a, b].some(end => end?.port?.connector === 'aerial'))],
      socketsOf,
    ),
    reached: reachedBy(nodes, controllers, node => from(socketsOf(node)), socketsOf),
    // While something waits for a controller, that is what is told.
    idle: unreached.length
      ? []
      : controllers.filter(node => !hosts.has(node.id) && ![...from(socketsOf(node))].some(p => controllable.has(p))),
  }
})

/** What has a panel of its own goes on being worked there. */
const hasPanel = ({ model }: DeviceNode): boolean => mixOf(model)?.surfaces.some(({ kind }) => kind === 'panel') ?? true

function byAirOf(
  worked: readonly DeviceNode[],
  controllers: readonly DeviceNode[],
  [anyhow, wired]: readonly [From, From],
  socketsOf: (node: DeviceNode) => readonly string[],
): ReadonlyMap<string, readonly DeviceNode[]> {
  const byWire = wired(controllers.flatMap(socketsOf))
  const left = worked.filter(node => !socketsOf(node).some(point => byWire.has(point)))
  const found = new Map<string, DeviceNode[]>()
  for (const controller of left.length ? controllers : []) {
    const points = anyhow(socketsOf(controller))
    const mine = left.filter(node => socketsOf(node).some(point => points.has(point)))
    const news = mine.filter(node => ![...found.values()].some(others => others.includes(node)))
    if (news.length) found.set(controller.id, news)
  }
  return found
}

function reachedBy(
  nodes: readonly DeviceNode[],
  controllers: readonly DeviceNode[],
  pointsFrom: (node: DeviceNode) => ReadonlySet<string>,
  socketsOf: (node: DeviceNode) => readonly string[],
): ReadonlyMap<string, ReadonlySet<Surface['kind']>> {
  const found = new Map<string, Set<Surface['kind']>>()
  for (const controller of controllers) {
    const { surface } = controller.model
    if (!surface) continue
    const points = pointsFrom(controller)
    for (const node of nodes)
      if (socketsOf(node).some(point => points.has(point)))
        found.set(node.id, (found.get(node.id) ?? new Set()).add(surface))
  }
  return found
}

export const controlReach = (traced: Traced): Reach => traced.ask(reachFact)

export interface Addressed {
  readonly node: DeviceNode
  readonly address: Address
}

const addressedFact = fact<Traced, readonly Addressed[]>('addresses', ({ chain }) =>
  [...chain.nodes.values()].flatMap(node => {
    const address = node.device.address === undefined ? undefined : parseAddress(node.device.address)
    return address ? [{ node, address }] : []
  }),
)

/** Devices that have a fixed address, in the order of their ids. */
export const addressed = (traced: Traced): readonly Addressed[] => traced.ask(addressedFact)

/** An address that another device has already, by which both would be called; the later one by its id. */
export function sharing(traced: Traced): { readonly one: Addressed; readonly other: Addressed }[] {
  const all = addressed(traced)
  const reach = controlReach(traced)
  const wired = ({ node }: Addressed) => reach.from(node.id).size > 1
  return all.flatMap((one, i) => {
    const other = all.slice(0, i).find(
      before =>
        before.address.ip === one.address.ip &&
        // Two networks that nothing joins may use the same figures.
        (!wired(before) || !wired(one) || reach.from(before.node.id).has(one.node.id)),
    )
    return other ? [{ one, other }] : []
  })
}

/** Devices that controllers reach by their leads, and none of these lies in their subnet. */
export function astray(traced: Traced): { readonly one: Addressed; readonly controller: Addressed }[] {
  const all = addressed(traced)
  const reach = controlReach(traced)
  const controllers = all.filter(({ node }) => node.model.kind === 'controller')
  return all.flatMap(one => {
    if (one.node.model.kind === 'controller') return []
    const mine = controllers.filter(({ node }) => reach.from(node.id).has(one.node.id))
    const [controller] = mine
    return controller && mine.every(({ address }) => !areTogether(address, one.address)) ? [{ one, controller }] : []
  })
}

export const reserved = (traced: Traced): Addressed[] =>
  addressed(traced).filter(({ address }) => isReservedAddress(address))

/** What the network of the house gives out by itself; undefined until somebody says it. */
export function poolOf({ brief }: Pick<Plan, 'brief'>): { readonly first: number; readonly last: number } | undefined {
  const [a, b] = (brief.network?.pool ?? []).map(parseAddress)
  return a && b && { first: Math.min(a.ip, b.ip), last: Math.max(a.ip, b.ip) }
}
export const gatewayOf = ({ brief }: Pick<Plan, 'brief'>): Address | undefined =>
  brief.network?.gateway === undefined ? undefined : parseAddress(brief.network.gateway)

/** Devices with a fixed address among those that are given out; one that is kept for a device is none. */
export function pooled(traced: Traced): Addressed[] {
  const pool = poolOf(traced.plan)
  if (!pool) return []
  return addressed(traced).filter(
    ({ node, address }) => !node.device.leased && address.ip >= pool.first && address.ip <= pool.last,
  )
}

/** Devices that send over a line and do not find the way out of the house. */
export function outside(traced: Traced): { readonly one: Addressed; readonly line: string }[] {
  const gateway = gatewayOf(traced.plan)
  if (!gateway) return []
  return addressed(traced).flatMap(one => {
    const line = Object.values(traced.plan.uplinks).find(({ encoders = {} }) => Object.hasOwn(encoders, one.node.id))
    return line && !areTogether(one.address, gateway) ? [{ one, line: line.title }] : []
  })
}

/** A device whose address nobody knows, who calls it, and an address of the subnet in which it would be found. */
export interface Leased {
  readonly node: DeviceNode
  readonly controller: DeviceNode
  readonly like: Address | undefined
}

/** Devices that get their address by themselves and are called by one: by a controller that their network leads to. */
export function leased(traced: Traced): Leased[] {
  const nodes = [...traced.chain.nodes.values()]
  const reach = controlReach(traced)
  const known = addressed(traced)
  return nodes.flatMap((node): Leased[] => {
    const { leased: byItself, address } = node.device
    if (!byItself || address !== undefined || node.model.kind === 'controller') return []
    const controller = nodes.find(other => other.model.kind === 'controller' && reach.from(other.id).has(node.id))
    if (!controller) return []
    const like = known.find(one => one.node === controller) ?? known.find(one => reach.from(node.id).has(one.node.id))
    return [{ node, controller, like: like?.address }]
  })
}

/** A device that is called at another port than it listens at, by a controller that reaches it. */
export interface Miscalled {
  readonly node: DeviceNode
  readonly controller: DeviceNode
  readonly listens: string
  readonly calledAt: string
}

export function miscalled(traced: Traced): Miscalled[] {
  const nodes = [...traced.chain.nodes.values()]
  return nodes.flatMap((node): Miscalled[] => {
    const { calledAt, listens = node.model.listens } = node.device
    if (calledAt === undefined || listens === undefined || calledAt === listens) return []
    const reached = controlReach(traced).from(node.id)
    const controller = nodes.find(({ id, model }) => model.kind === 'controller' && reached.has(id))
    return controller ? [{ node, controller, listens, calledAt }] : []
  })
}

/** Devices that come with one address and are to be set up at the same time, in the order of their ids. */
export function alikeAtFirst(traced: Traced): DeviceNode[][] {
  const reach = controlReach(traced)
  const groups: DeviceNode[][] = []
  for (const node of traced.chain.nodes.values()) {
    const { comesWith } = node.device
    if (comesWith === undefined) continue
    const ip = parseAddress(comesWith)?.ip
    const wired = reach.from(node.id)
    // What hangs on nothing yet will hang on the one network that there is.
    const mine = groups.find(
      ([first]) =>
        parseAddress(first!.device.comesWith!)?.ip === ip &&
        (wired.size <= 1 || reach.from(first!.id).size <= 1 || wired.has(first!.id)),
    )
    if (mine) mine.push(node)
    else groups.push([node])
  }
  return groups.filter(group => {
    const turns = group.map(({ device }) => device.visit)
    return group.length > 1 && (turns.includes(undefined) || new Set(turns).size < turns.length)
  })
}

/** The next free address of a subnet for a device. */
export function readdressed(traced: Traced, { node }: Addressed, like: Address): Proposal[] {
  const pool = poolOf(traced.plan)
  const isTaken = (ip: number) => taken.has(ip) || (pool !== undefined && ip >= pool.first && ip <= pool.last)
  const taken = new Set([
    ...addressed(traced).map(({ address }) => address.ip),
    ...(gatewayOf(traced.plan) ? [gatewayOf(traced.plan)!.ip] : []),
  ])
  const free = nextFree(like, isTaken)
  if (!free) return []
  const draft = new Draft(traced.plan)
  draft.set(['devices', node.id, 'address'], addressText(free))
  return [{ title: `Give ${node.device.name} ${addressText(free)}`.slice(0, 120), edits: draft.edits }]
}
