import { type Traced, endName, socketName } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { oneSided } from '../plugs'

export const oneSide = rule({
  code: 'A07',
  about: 'A sound comes on one channel of two.',
  messages: {
    left: {
      severity: 'Q',
      says: '{plug} brings its sound to the left side of {input} alone: half of those who listen hear nothing.',
    },
    apart: {
      severity: 'Q',
      says: '{plug} brings one voice to each side of {input}: with one ear, or one loudspeaker, one of them is gone.',
    },
  },
  find: (traced, say) =>
    oneSided(traced).map(({ node, portId, plug, how }) =>
      say(
        how,
        { on: 'port', device: node.id, port: portId },
        { plug: text(socketName(plug)), input: text(endName(traced, { device: node.id, port: portId })) },
        traced.runs.find(({ end }) => end?.device === node.id && end.port === portId)?.id,
      ),
    ),
  remedies: (traced, { at }) => (at.on === 'port' ? toBoth(traced, at.device, at.port) : []),
})

/** At a mixer each channel is brought to both sides; before anything else, a desk does it. */
function toBoth(traced: Traced, device: string, port: string): Proposal[] {
  const found = oneSided(traced).find(({ node, portId }) => node.id === device && portId === port)
  if (!found) return []
  const draft = new Draft(traced.plan)
  draft.set(['devices', device, 'ports', port, 'spread'], true)
  const spread: Proposal[] =
    found.node.model.role === 'switcher'
      ? [
          {
            title: `Bring each channel of ${endName(traced, { device, port })} to both sides`.slice(0, 120),
            edits: draft.edits,
          },
        ]
      : []
  const plug = new Draft(traced.plan)
  plug.set(['devices', found.plug.node.id, 'model'], plug.model('microphone-radio'))
  const alone: Proposal[] =
    found.plug.node.model.kind === 'microphone' && found.plug.port?.connector === 'mini-jack'
      ? [
          {
            title: `One radio microphone in the place of ${found.plug.node.device.name}, on both sides`.slice(0, 120),
            edits: plug.edits,
          },
        ]
      : []
  return [...spread, ...alone]
}
