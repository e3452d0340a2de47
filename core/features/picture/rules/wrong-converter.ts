import {
  type DeviceNode,
  type Traced,
  type Wire,
  type WireTrace,
  leadOf,
  runWith,
  socketName,
  stoppedBy,
  wireAt,
} from '#core/chain'
import { text } from '#core/kernel'
import {
  Draft,
  type Proposal,
  layWay,
  offerWays,
  rule,
  signalAt,
  throughDevices,
  waysBetween,
  waysFor,
} from '#core/propose'
import { SIGNAL_TITLES } from '#core/signal'

export const wrongConverter = rule({
  code: 'C02',
  about: 'A passive adapter where a converter is needed, or a converter in the wrong direction.',
  messages: {
    adapter: {
      severity: 'D',
      says: '{adapter} changes only the plug: {output} gives {outKind} and {input} takes {inKind}, which needs a converter.',
    },
    backwards: {
      severity: 'D',
      says: '{device} stands the wrong way round: {first} is led into its output and {next} taken from its input, so nothing passes.',
    },
  },
  find: (traced, say) => [
    ...byAdapter(traced).map(({ wire, adapter }) =>
      say(
        'adapter',
        { on: 'link', link: wire.id, part: 'from' },
        {
          adapter: text(adapter),
          output: text(socketName(wire.from!)),
          outKind: text(SIGNAL_TITLES[wire.from!.port!.carries]),
          input: text(socketName(wire.to!)),
          inKind: text(SIGNAL_TITLES[wire.to!.port!.carries]),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
    ...backwards(traced).map(({ node, into, outOf }) =>
      say(
        'backwards',
        { on: 'link', link: into.id, part: 'to' },
        {
          device: text(node.device.name),
          first: text(into.from ? socketName(into.from) : 'a loose end'),
          next: text(outOf.to ? socketName(outOf.to) : 'a loose end'),
        },
        runWith(traced, outOf.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    if (found.says === 'adapter')
      return offerWays(
        traced,
        { ...at, signal: signalAt(traced, at.wire.from!)! },
        throughDevices(waysFor(traced, { ...at, signal: signalAt(traced, at.wire.from!)! })),
        3,
      )
    const turned = backwards(traced).find(({ into }) => into.id === at.wire.id)
    return turned ? [...turnRound(traced, turned), ...rightConverter(traced, turned)] : []
  },
})

/** Links whose plugs fit all the way only because an adapter joins two kinds of signal. */
export function byAdapter(traced: Traced): (WireTrace & { readonly adapter: string })[] {
  return stoppedBy(traced, 'connector').flatMap(at => {
    const { cable, fromAdapter, toAdapter } = leadOf(traced.plan, at.wire.link)
    const { from, to } = at.stop.mismatch
    const adapters = [fromAdapter, toAdapter].filter(adapter => adapter !== undefined)
    if (at.stop.mismatch.by !== 'kind' || adapters.length === 0) return []
    const meets = (socket: string, adapter: typeof fromAdapter, plug: string) =>
      adapter ? adapter.ends.includes(socket as never) && adapter.ends.includes(plug as never) : socket === plug
    const fits = [
      [0, 1],
      [1, 0],
    ].some(
      ([a, b]) =>
        meets(from.connector, fromAdapter, cable.ends[a!]!) && meets(to.connector, toAdapter, cable.ends[b!]!),
    )
    return fits ? [{ ...at, adapter: adapters[0]!.title }] : []
  })
}

interface Turned {
  readonly node: DeviceNode
  readonly into: Wire
  readonly outOf: Wire
}

/** Devices on the way with a cable led into their output and one taken from their input. */
export function backwards({ chain }: Traced): Turned[] {
  const intoOutput = new Map<string, Wire>()
  const outOfInput = new Map<string, Wire>()
  for (const wire of chain.wires.values()) {
    if (wire.to?.port?.dir === 'out' && !intoOutput.has(wire.to.node.id)) intoOutput.set(wire.to.node.id, wire)
    if (wire.from?.port?.dir === 'in' && !outOfInput.has(wire.from.node.id)) outOfInput.set(wire.from.node.id, wire)
  }
  return [...intoOutput].flatMap(([id, into]) => {
    const node = chain.nodes.get(id)!
    if (node.model.role !== 'way') return []
    const outOf = outOfInput.get(id)
    return into.from?.port?.dir === 'out' && outOf?.to?.port?.dir === 'in' ? [{ node, into, outOf }] : []
  })
}

function turnRound({ plan }: Traced, { node, into, outOf }: Turned): Proposal[] {
  const draft = new Draft(plan)
  draft.move(into.id, 'to', { device: node.id, port: outOf.from!.portId }, into.link.adapters?.to)
  draft.move(outOf.id, 'from', { device: node.id, port: into.to!.portId }, outOf.link.adapters?.from)
  return [{ title: `Turn ${node.device.name} round`.slice(0, 120), edits: draft.edits }]
}

/** Another way from where the picture comes to where it should go; the device goes. */
function rightConverter(traced: Traced, { node, into, outOf }: Turned): Proposal[] {
  const { plan, chain } = traced
  const signal = signalAt(traced, into.from!)
  const target = outOf.to!
  if (!signal || !target.port) return []
  const longest = Math.max(into.link.routeM ?? 0, outOf.link.routeM ?? 0)
  const others = [...chain.wires.values()].filter(({ from, to }) => from?.node === node || to?.node === node).length
  return waysBetween(
    plan,
    { port: into.from!.port!, signal },
    { node: target.node, portId: target.portId, port: target.port },
    longest > 0 ? { routeM: longest } : {},
  )
    .slice(0, others === 2 ? 3 : 0)
    .map(way => {
      const draft = new Draft(plan)
      draft.disconnect(into.id)
      draft.disconnect(outOf.id)
      draft.edits.push({ do: 'remove', collection: 'devices', id: node.id })
      layWay(draft, way, into.link.from!, outOf.link.to!, chain.nodes.get(signal.origin.device)!.device.name, outOf.id)
      return {
        title:
          `In its place: ${way.devices.map(({ row }) => row.title.split(',')[0]).join(', ') || way.cables[0]!.model.title}`.slice(
            0,
            120,
          ),
        edits: draft.edits,
      }
    })
}
