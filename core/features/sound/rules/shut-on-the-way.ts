import { type Traced, deviceName, endName } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { heardIn, isListened, originName } from '../ways'
import { shutOne, twiceIn } from './heard-twice'

export const shutOnTheWay = rule({
  code: 'A15',
  about: 'In a chain of switchers a sound is shut at one on its way, or open both straight and through a feeder.',
  messages: {
    shut: {
      severity: 'D',
      says: '{sound} is open at {feeder} and shut at {input} behind it: nobody hears it.',
    },
    both: {
      severity: 'Q',
      says: '{sound} is open straight and through {feeder}, and comes to {sink} twice, apart: it sounds hollow.',
    },
  },
  asks: 'segments',
  find: (traced, say) => [
    ...shut(traced).map(({ origin, feeder, gate }) =>
      say(
        'shut',
        { on: 'port', device: gate.device, port: gate.port },
        {
          sound: text(originName(traced, origin)),
          feeder: text(deviceName(traced, feeder)),
          input: text(endName(traced, gate)),
        },
        traced.runs.find(({ end }) => end?.device === gate.device && end.port === gate.port)?.id,
      ),
    ),
    ...twiceIn(traced)
      .filter(({ feeder }) => feeder)
      .map(({ origin, gate, sink }) =>
        say(
          'both',
          { on: 'port', device: gate.device, port: gate.port },
          {
            sound: text(originName(traced, origin)),
            feeder: text(deviceName(traced, gate.device)),
            sink: text(deviceName(traced, sink)),
          },
          traced.runs.find(({ end }) => end?.device === gate.device)?.id,
        ),
      ),
  ],
  remedies: (traced, { at, says }) => {
    if (at.on !== 'port') return []
    if (says === 'both') return shutOne(traced, twiceIn(traced), at)
    const draft = new Draft(traced.plan)
    draft.set(['devices', at.device, 'ports', at.port, 'sound'], 'fixed')
    for (const [look, { sound }] of Object.entries(traced.plan.looks))
      if (sound?.[at.device]?.[at.port] === 'shut') draft.set(['looks', look, 'sound', at.device, at.port])
    return [{ title: `Open the sound of ${endName(traced, at)}`.slice(0, 120), edits: draft.edits }]
  },
})

/** Sound from a plug that is open at a feeder, and that no sink which listens hears because of an input behind it. */
function shut(traced: Traced): { origin: string; feeder: string; gate: { device: string; port: string } }[] {
  const all = heardIn(traced).filter(isListened)
  const heard = new Set(all.flatMap(({ ways }) => ways.filter(({ open }) => open).map(({ origin }) => origin)))
  // Where nothing is heard at all, that is told.
  if (heard.size === 0) return []
  const found = new Map<string, { origin: string; feeder: string; gate: { device: string; port: string } }>()
  for (const { ways } of all)
    for (const { origin, gates } of ways) {
      const [first, ...behind] = gates
      const closed = behind.find(({ open }) => !open)
      const plugged = traced.chain.nodes.get(origin)?.model.role === 'sound'
      if (!plugged || heard.has(origin) || !first?.open || !closed || closed.opening !== 'shut') continue
      const key = `${closed.device}/${closed.port}`
      if (!found.has(key))
        found.set(key, { origin, feeder: first.device, gate: { device: closed.device, port: closed.port } })
    }
  return [...found.values()]
}
