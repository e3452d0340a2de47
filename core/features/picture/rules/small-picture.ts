import { type Traced, type WireTrace, gathers, socketName, wireAt } from '#core/chain'
import { own } from '#core/document'
import { share, text } from '#core/kernel'
import { Draft, replaceDevice, rule } from '#core/propose'

export const smallPicture = rule({
  code: 'F12',
  about: 'The picture does not fill the frame.',
  messages: {
    small: {
      severity: 'Q',
      says: '{device} hands on the picture of {sender} at {fills} of the frame\u2019s width: {input} shows it with a border all round.',
    },
  },
  find: (traced, say) =>
    traced.runs.flatMap(run => {
      const at = run.links.at(-1)!
      if (!run.lit || !at.signal || !shrunk(at)) return []
      const box = shrinking(traced, at)
      return box === undefined
        ? []
        : [
            say(
              'small',
              { on: 'link', link: at.wire.id, part: 'to' },
              {
                device: text(traced.chain.nodes.get(box)!.device.name),
                sender: text(traced.chain.nodes.get(at.signal.origin.device)!.device.name),
                fills: share(at.signal.fills),
                input: text(socketName(at.wire.to!)),
              },
              run.id,
            ),
          ]
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    const box = at && shrinking(traced, at)
    if (!at?.wire.to || box === undefined) return []
    const { node, portId, port } = at.wire.to
    const zoom = new Draft(traced.plan)
    zoom.set(['devices', node.id, 'ports', portId, 'fit'], 'zoom')
    const percent = Math.round(100 / at.signal!.fills)
    // A picture enlarged to fill the frame keeps that share of its lines.
    return [
      ...replaceDevice(traced, box),
      ...(port?.fits
        ? [
            {
              title:
                `Zoom to ${percent}\u00A0% at ${socketName(at.wire.to)}, with ${Math.round(at.signal!.fills * 100)}\u00A0% of the sharpness`.slice(
                  0,
                  120,
                ),
              edits: zoom.edits,
            },
          ]
        : []),
    ]
  },
})

const shrunk = ({ signal, wire: { to } }: WireTrace): boolean =>
  signal!.fills < 0.995 && own(to!.node.device.ports, to!.portId)?.fit !== 'zoom'

/** The device in the run that makes the picture small, nearest to the source. */
function shrinking({ runs }: Traced, { wire }: WireTrace): string | undefined {
  const run = runs.find(({ id }) => id === wire.id)
  return run?.links
    .map(({ wire: { from } }) => from?.node)
    .find(node => node && !gathers(node) && node.model.paths.some(({ fills }) => fills !== undefined && fills < 1))?.id
}
