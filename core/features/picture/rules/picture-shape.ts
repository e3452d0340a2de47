import {
  type Traced,
  type WireTrace,
  gathers,
  isSwitcher,
  outputFormat,
  runWith,
  socketKey,
  socketName,
  wireAt,
} from '#core/chain'
import { type Fit, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule, setTrait } from '#core/propose'
import { formatLabel } from '#core/signal'

export const pictureShape = rule({
  code: 'E04',
  about: 'A picture of another shape in a 16:9 frame.',
  messages: {
    shape: {
      severity: 'Q',
      says: '{sender} shows {aspect} in a 16:9 frame: {input} gets bars at the sides, or a picture out of shape.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()].filter(shaped).map(({ wire, signal }) =>
      say(
        'shape',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name),
          aspect: text(signal!.aspect),
          input: text(socketName(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at?.wire.to
      ? [...setTrait(traced, at.signal!, 'aspects', '16:9', '16:9'), ...inScaler(traced, at), ...atInput(traced, at)]
      : []
  },
})

/** Every shape but 16:9 is narrower than the frame. */
const shaped = ({ arrives, signal, wire }: WireTrace): boolean =>
  arrives &&
  signal !== undefined &&
  signal.aspect !== '16:9' &&
  isSwitcher(wire.to!.node) &&
  own(wire.to!.node.device.ports, wire.to!.portId)?.fit === undefined

const FIT_WORDS: Readonly<Record<Exclude<Fit, 'zoom'>, string>> = {
  crop: 'Cut it to 16:9',
  stretch: 'Stretch it to 16:9',
  box: 'Keep the bars, on purpose,',
}

function atInput({ plan }: Traced, { wire }: WireTrace): Proposal[] {
  const { node, portId, port } = wire.to!
  return (port?.fits ? (['crop', 'stretch', 'box'] as const) : (['box'] as const)).map(fit => {
    const draft = new Draft(plan)
    draft.set(['devices', node.id, 'ports', portId, 'fit'], fit)
    return { title: `${FIT_WORDS[fit]} at ${socketName(wire.to!)}`.slice(0, 120), edits: draft.edits }
  })
}

/** A scaler that stands in the run already can cut the picture. */
function inScaler({ plan, runs, chain }: Traced, { wire }: WireTrace): Proposal[] {
  const run = runs.find(({ links }) => links.some(link => link.wire.id === wire.id))
  return (run?.links ?? []).flatMap(({ wire: { from } }) => {
    const scales =
      from &&
      !gathers(from.node) &&
      from.node.model.paths.some(path => path.format === 'port' && path.to.includes(from.portId)) &&
      chain.leaving.has(socketKey(from.node.id, from.portId))
    if (!scales) return []
    const draft = new Draft(plan)
    draft.set(['devices', from.node.id, 'ports', from.portId, 'fit'], 'crop')
    return [
      {
        title: `Cut it to ${formatLabel(outputFormat(from.node, from.portId)!)} in ${from.node.device.name}`.slice(
          0,
          120,
        ),
        edits: draft.edits,
      },
    ]
  })
}
