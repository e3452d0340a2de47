import { isMisread, rangeRead, runWith, socketName, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule, setTrait } from '#core/propose'

export const rangeMisread = rule({
  code: 'F09',
  about: 'Full and narrow range are read differently at the two ends.',
  messages: {
    full: {
      severity: 'Q',
      says: '{sender} sends full range (0 to 255), and {input} reads it as narrow (16 to 235): black and white are cut off.',
    },
    narrow: {
      severity: 'Q',
      says: '{sender} sends narrow range (16 to 235), and {input} reads it as full (0 to 255): black is grey and the picture is veiled.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()].filter(isMisread).map(({ wire, signal }) =>
      say(
        signal!.range,
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name),
          input: text(socketName(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    const { node, portId, port } = at.wire.to
    const draft = new Draft(traced.plan)
    draft.set(['devices', node.id, 'ports', portId, 'range'], at.signal!.range)
    return [
      ...setTrait(traced, at.signal!, 'ranges', rangeRead(at)!, `${rangeRead(at)} range`),
      ...(port?.ranges?.includes(at.signal!.range)
        ? [{ title: `Read ${at.signal!.range} range at ${socketName(at.wire.to)}`, edits: draft.edits }]
        : []),
    ]
  },
})
