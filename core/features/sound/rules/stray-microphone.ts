import { isCamera } from '#core/catalog'
import { type Traced, deviceName, endName } from '#core/chain'
import { text } from '#core/kernel'
import { rule } from '#core/propose'
import type { Gate } from '#core/run'
import { heardIn, isListened, originName } from '../ways'
import { shutEdits } from './heard-twice'

export const strayMicrophone = rule({
  code: 'A03',
  about: 'The microphone of a camera is open beside the feed of the sound desk.',
  messages: {
    stray: {
      severity: 'Q',
      says: 'The microphone of {camera} is open at {input} beside {desk}: the room is heard a second time.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    strays(traced).map(({ camera, gate, desk }) =>
      say(
        'stray',
        { on: 'port', device: gate.device, port: gate.port },
        {
          camera: text(originName(traced, camera)),
          input: text(endName(traced, gate)),
          desk: text(deviceName(traced, desk)),
        },
        traced.runs.find(({ end }) => end?.device === gate.device && end.port === gate.port)?.id,
      ),
    ),
  remedies: (traced, { at }) =>
    at.on === 'port'
      ? [{ title: `Shut the sound of ${endName(traced, at)}`.slice(0, 120), edits: shutEdits(traced, at) }]
      : [],
})

/** Cameras whose own sound is heard where that of a desk is; by the input that lets it in. */
function strays(traced: Traced): { camera: string; gate: Gate; desk: string }[] {
  const found = new Map<string, { camera: string; gate: Gate; desk: string }>()
  const model = (id: string) => traced.chain.nodes.get(id)!.model
  for (const heard of heardIn(traced)) {
    if (!isListened(heard)) continue
    const open = heard.ways.filter(way => way.open)
    const desk = open.find(({ origin }) => model(origin).kind === 'desk')
    if (!desk) continue
    for (const { origin, gates } of open) {
      const [gate] = gates
      if (!gate || !isCamera(model(origin))) continue
      const key = `${gate.device}/${gate.port}`
      if (!found.has(key)) found.set(key, { camera: origin, gate, desk: desk.origin })
    }
  }
  return [...found.values()]
}
