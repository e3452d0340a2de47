import { SOUND_HZ } from '#core/catalog'
import { endName, socketName } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { sampledOtherwise } from '../plugs'

const kilohertz = (hz: number): string => `${hz / 1000}\u00A0kHz`

export const sampledApart = rule({
  code: 'A12',
  about: 'Sound comes with another number of samples a second than the input takes.',
  messages: {
    other: {
      severity: 'Q',
      says: '{plug} sends its sound at {sent} and {input} takes {takes}: it clicks, runs at another pitch, or is mute.',
    },
  },
  find: (traced, say) =>
    sampledOtherwise(traced).map(({ node, portId, plug, hz }) =>
      say(
        'other',
        { on: 'setting', device: plug.node.id, port: plug.portId, field: 'soundHz' },
        {
          plug: text(socketName(plug)),
          sent: text(kilohertz(hz)),
          input: text(endName(traced, { device: node.id, port: portId })),
          takes: text((node.model.ports[portId]?.soundHz ?? [SOUND_HZ[0]]).map(kilohertz).join(' or ')),
        },
        traced.runs.find(({ end }) => end?.device === node.id && end.port === portId)?.id,
      ),
    ),
  remedies: (traced, { at }) => {
    const found =
      at.on === 'setting'
        ? sampledOtherwise(traced).find(({ plug }) => plug.node.id === at.device && plug.portId === at.port)
        : undefined
    if (!found) return []
    const takes = found.node.model.ports[found.portId]?.soundHz ?? [SOUND_HZ[0]]
    return takes
      .filter(hz => found.plug.port?.soundHz?.includes(hz))
      .map(hz => {
        const draft = new Draft(traced.plan)
        draft.set(['devices', found.plug.node.id, 'ports', found.plug.portId, 'soundHz'], hz)
        return {
          title: `Set the sound of ${socketName(found.plug)} to ${kilohertz(hz)}`.slice(0, 120),
          edits: draft.edits,
        }
      })
  },
})
