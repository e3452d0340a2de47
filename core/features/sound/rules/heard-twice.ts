import { type Traced, deviceName, endName, isSwitcher } from '#core/chain'
import type { LinkEnd } from '#core/document'
import { listWords } from '#core/words'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Gate, type SoundWay, doubled } from '#core/run'
import { heardIn, isListened, originName } from '../ways'

/** A sound that is heard twice at a sink, apart: the input whose shutting leaves one of them. */
interface Twice {
  readonly origin: string
  readonly gate: Gate
  readonly other: Gate | undefined
  readonly sink: string
  /** One of the two goes through a feeder, the other does not. */
  readonly feeder: boolean
}

const lastOf = ({ gates }: SoundWay): Gate | undefined => gates.at(-1)

/** What parts two ways: the first gate that the longer or later one has for itself. */
function parted(a: SoundWay, b: SoundWay): Gate | undefined {
  const [long, short] = a.gates.length >= b.gates.length ? [a, b] : [b, a]
  const same = (x: Gate, y: Gate) => x.device === y.device && x.port === y.port
  return long.gates.find(gate => !short.gates.some(other => same(gate, other)))
}

export function twiceIn(traced: Traced): Twice[] {
  const found = new Map<string, Twice>()
  for (const heard of heardIn(traced)) {
    if (!isListened(heard)) continue
    for (const { origin, a, b } of doubled(heard.ways)) {
      const gate = parted(a, b)
      if (!gate) continue
      const key = `${origin}/${gate.device}/${gate.port}`
      const [long, short] = a.gates.length >= b.gates.length ? [a, b] : [b, a]
      const feeder =
        new Set(long.gates.map(({ device }) => device)).size !== new Set(short.gates.map(({ device }) => device)).size
      if (!found.has(key)) found.set(key, { origin, gate, other: lastOf(short), sink: heard.node.id, feeder })
    }
  }
  return [...found.values()]
}

const endOf = ({ device, port }: Gate): LinkEnd => ({ device, port })

export const heardTwice = rule({
  code: 'A02',
  about: 'One sound is open by two ways that arrive apart: it sounds hollow.',
  messages: {
    twice: {
      severity: 'Q',
      says: '{sound} is open by {ways} and comes to {sink} twice, apart: it sounds hollow.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    twiceIn(traced)
      .filter(({ feeder }) => !feeder)
      .map(({ origin, gate, other, sink }) =>
        say(
          'twice',
          { on: 'port', device: gate.device, port: gate.port },
          {
            sound: text(originName(traced, origin)),
            ways: text(listWords([gate, ...(other ? [other] : [])].map(one => endName(traced, endOf(one))))),
            sink: text(deviceName(traced, sink)),
          },
          traced.runs.find(({ end }) => end?.device === gate.device)?.id,
        ),
      ),
  remedies: (traced, { at }) => (at.on === 'port' ? shutOne(traced, twiceIn(traced), at) : []),
})

/** Either of the two is shut, in the plan and in the looks that open it. */
export function shutOne(traced: Traced, all: readonly Twice[], at: LinkEnd): Proposal[] {
  const one = all.find(({ gate }) => gate.device === at.device && gate.port === at.port)
  if (!one) return []
  return [one.gate, ...(one.other ? [one.other] : [])]
    .filter((gate, i, list) => list.findIndex(other => other.device === gate.device && other.port === gate.port) === i)
    .map(gate => ({
      title: `Shut the sound of ${endName(traced, endOf(gate))}`.slice(0, 120),
      edits: shutEdits(traced, gate),
    }))
}

export function shutEdits({ plan, chain }: Traced, { device, port }: LinkEnd) {
  const draft = new Draft(plan)
  const node = chain.nodes.get(device)!
  if (isSwitcher(node)) draft.set(['devices', device, 'ports', port, 'sound'], 'shut')
  for (const [look, { sound }] of Object.entries(plan.looks))
    if (sound?.[device]?.[port] && sound[device][port] !== 'shut') draft.set(['looks', look, 'sound', device, port])
  return draft.edits
}
