import { type Traced, endName } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { originName, shutRiders } from '../ways'

export const riderShut = rule({
  code: 'A10',
  about: 'A microphone comes by a camera whose input is shut for sound at the switcher.',
  messages: {
    shut: {
      severity: 'D',
      says: '{sound} rides with the picture at {input}, whose sound is shut: nobody hears it.',
    },
  },
  find: (traced, say) =>
    shutRiders(traced).map(({ origin, gate }) =>
      say(
        'shut',
        { on: 'port', device: gate.device, port: gate.port },
        { sound: text(originName(traced, origin)), input: text(endName(traced, gate)) },
        traced.runs.find(({ end }) => end?.device === gate.device && end.port === gate.port)?.id,
      ),
    ),
  remedies: (traced: Traced, { at }) => {
    if (at.on !== 'port') return []
    const draft = new Draft(traced.plan)
    draft.set(['devices', at.device, 'ports', at.port, 'sound'], 'fixed')
    return [{ title: `Keep the sound of ${endName(traced, at)} open`.slice(0, 120), edits: draft.edits }]
  },
})
