import { type Model, followsSink, makesOf, isSink } from '#core/catalog'
import {
  type DeviceNode,
  type Traced,
  type Wire,
  type WireTrace,
  gathers,
  pathFrom,
  runWith,
  socketKey,
  socketName,
  wireAt,
} from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule, setSender } from '#core/propose'
import { type VideoFormat, format, sameFormat, setsContain } from '#core/signal'

export const misledSource = rule({
  code: 'F21',
  about: 'A source that follows the sink\u2019s list will choose another format than the planned one.',
  messages: {
    other: {
      severity: 'R',
      says: '{sender} is not fixed and follows what {sink} says it likes: it will send {prefers}, and the plan counts on {planned}.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()].flatMap(at => {
      const liked = misled(traced, at)
      return liked
        ? [
            say(
              'other',
              { on: 'link', link: at.wire.id, part: 'from' },
              {
                sender: text(socketName(at.wire.from!)),
                sink: text(liked.node.device.name),
                prefers: format(liked.prefers),
                planned: format(at.signal!.format),
              },
              runWith(traced, at.wire.id)?.id,
            ),
          ]
        : []
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at?.wire.to ? [...setSender(traced, at, [at.signal!.format]), ...keepList(traced, at)] : []
  },
})

interface Liked {
  readonly node: DeviceNode
  readonly prefers: VideoFormat
}

/** What a source that nobody fixed will read first, and choose, where that is not what is planned. */
function misled(traced: Traced, { wire, signal, arrives }: WireTrace): Liked | undefined {
  const from = wire.from
  if (
    !arrives ||
    !signal ||
    !from?.port ||
    from.node.model.role !== 'source' ||
    from.port.carries === 'sdi' ||
    !followsSink(from.node.model, from.port)
  )
    return undefined
  if (own(from.node.device.ports, from.portId)?.format !== undefined) return undefined
  const liked = listBehind(traced, wire)
  return liked &&
    !sameFormat(liked.prefers, signal.format) &&
    setsContain(makesOf(from.node.model, from.portId, from.node.device.mode), liked.prefers)
    ? liked
    : undefined
}

/** Whose list is read at the output before a link; a splitter shows that of its first leg, or what its legs agree on, or one of its own. */
function listBehind({ chain }: Traced, start: Wire): Liked | undefined {
  for (let wire: Wire | undefined = start, hops = 0; wire?.to?.port && hops < 20; hops++) {
    const { node, portId, port }: NonNullable<Wire['to']> = wire.to
    if (port?.prefers) return { node, prefers: port.prefers }
    const path: Model['paths'][number] | undefined = gathers(node) ? undefined : pathFrom(node, portId)
    if (!path || path.format !== 'same' || path.edid === 'kept' || isSink(node.model)) return undefined
    const legs: Wire[] = path.to.flatMap(out => chain.leaving.get(socketKey(node.id, out))?.slice(0, 1) ?? [])
    // Without a leg that comes first, several legs agree on what all of them have, and no one likes anything most.
    if (legs.length !== 1 && path.edid !== 'first') return undefined
    wire = legs[0]
  }
  return undefined
}

/** Puts in a box that tells the source a list of its own. */
function keepList({ plan }: Traced, { wire }: WireTrace): Proposal[] {
  const { link } = wire
  if (wire.from!.port!.carries !== 'hdmi' || !link.from || !link.to) return []
  const draft = new Draft(plan)
  const box = draft.device({
    model: draft.model('list-keeper'),
    name: `List keeper, ${wire.from!.node.device.name}`.slice(0, 120),
    order: 0,
  })
  draft.move(wire.id, 'from', { device: box, port: 'out' })
  draft.connect({
    from: link.from,
    to: { device: box, port: 'in' },
    cable: draft.lead('hdmi-passive'),
    pieces: [0.5],
    ...(link.adapters?.from ? { adapters: { from: link.adapters.from } } : {}),
  })
  return [{ title: 'Put in a box that keeps the list of formats', edits: draft.edits }]
}
