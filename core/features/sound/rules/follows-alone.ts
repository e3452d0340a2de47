import { type DeviceNode, type Traced, deviceName, endName, openingOf, socketName } from '#core/chain'
import { type LinkEnd } from '#core/document'
import { portsOf } from '#core/catalog'
import { text } from '#core/kernel'
import { Draft, type Proposal, bringSound, heardFrom, rule, runFor } from '#core/propose'
import { listWords } from '#core/words'
import { type Heard, heardIn, originName } from '../ways'

export const followsAlone = rule({
  code: 'A05',
  about: 'All that is heard follows a picture: on every other picture the show is silent.',
  messages: {
    follows: {
      severity: 'D',
      says: 'The sound of {inputs} is heard only while its picture is on air, and nothing else is open: on {others} the show is silent.',
    },
    look: {
      severity: 'D',
      says: 'In {looks} {voice}, the only voice of the show, is not heard at {sinks}: {input} follows its picture, which is not on air then.',
    },
  },
  find: (traced, say) => [
    ...lostVoices(traced).map(({ origin, gate, looks, sinks }) =>
      say(
        'look',
        { on: 'port', device: gate.device, port: gate.port },
        {
          looks: text(listWords(looks.map(look => traced.plan.looks[look]!.title))),
          voice: text(originName(traced, origin)),
          sinks: text(listWords(sinks.map(id => deviceName(traced, id)))),
          input: text(endName(traced, gate)),
        },
        traced.runs.find(({ end }) => end?.device === gate.device && end.port === gate.port)?.id,
      ),
    ),
    ...[...heardFrom(traced)].flatMap(([stage, wants]) => {
      const open = stage && followers(traced, stage)
      if (!open || open.mute === 0) return []
      return [
        say(
          'follows',
          { on: 'device', device: stage.id },
          {
            inputs: text(
              listWords(
                open.inputs.map(portId => socketName({ node: stage, portId, port: stage.model.ports[portId] })),
              ),
            ),
            others: text(open.mute === 1 ? 'the one other picture' : `the ${open.mute} other pictures`),
          },
          runFor(traced, wants[0]![1])?.id,
        ),
      ]
    }),
  ],
  remedies: (traced, { at, says }) => {
    if (says === 'look') return at.on === 'port' ? keptOpen(traced, at) : []
    const stage = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    const open = stage && followers(traced, stage)
    if (!stage || !open) return []
    const fixed = open.inputs.map(portId => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', stage.id, 'ports', portId, 'sound'], 'fixed')
      return {
        title: `Keep the sound of ${socketName({ node: stage, portId, port: stage.model.ports[portId] })} open`.slice(
          0,
          120,
        ),
        edits: draft.edits,
      }
    })
    return [...fixed, ...bringSound(traced, stage)]
  },
})

/** Where everything that is open follows its picture: these inputs, and how many pictures come without sound. */
function followers(
  traced: Traced,
  stage: DeviceNode,
): { readonly inputs: readonly string[]; readonly mute: number } | undefined {
  const brings = portsOf(stage.model, 'in').filter(
    ([portId, port]) => port.sound && traced.sound.arriving.get(`${stage.id}/${portId}`)?.size,
  )
  const opened = brings.filter(([portId, port]) => openingOf({ node: stage, portId, port }) !== 'shut')
  if (opened.length === 0 || opened.some(([portId, port]) => openingOf({ node: stage, portId, port }) === 'fixed'))
    return undefined
  const inputs = opened.map(([portId]) => portId)
  const lit = traced.runs.filter(run => run.lit && !run.beside && run.end?.device === stage.id)
  return { inputs, mute: lit.filter(({ end }) => !inputs.includes(end!.port)).length }
}

interface LostVoice {
  readonly origin: string
  readonly gate: LinkEnd
  readonly looks: readonly string[]
  readonly sinks: readonly string[]
}

/** Devices that bring what is said: microphones and desks. */
const isVoice = (traced: Traced, id: string): boolean => {
  const kind = traced.chain.nodes.get(id)?.model.kind
  return kind === 'microphone' || kind === 'desk'
}

/** Something that is on air brings its own sound: a clip is played, and nobody is to speak over it. */
const plays = (traced: Traced, { ways }: Heard): boolean =>
  ways.some(({ open, origin }) => open && traced.chain.nodes.get(origin)?.model.role === 'source')

/** The one voice of the show where it is heard in some moments, and in others waits for its picture. */
function lostVoices(traced: Traced): LostVoice[] {
  const found = new Map<string, { origin: string; gate: LinkEnd; looks: Set<string>; sinks: Set<string> }>()
  const all = heardIn(traced).filter(({ want }) => want?.sound)
  for (const one of all) {
    const { look } = one.moment
    const voices = new Set(one.ways.map(({ origin }) => origin).filter(id => isVoice(traced, id)))
    const somethingOpen = one.ways.some(({ open }) => open)
    // Where nothing is heard at all, that is told.
    if (look === undefined || voices.size !== 1 || !somethingOpen || plays(traced, one)) continue
    const [origin] = voices
    const ways = one.ways.filter(way => way.origin === origin)
    const gate = ways.some(({ open }) => open)
      ? undefined
      : ways.flatMap(({ gates }) => gates).find(({ open, opening }) => !open && opening === 'follows')
    if (!gate) continue
    const key = `${gate.device}/${gate.port}`
    const there = found.get(key) ?? {
      origin: origin!,
      gate: { device: gate.device, port: gate.port },
      looks: new Set(),
      sinks: new Set(),
    }
    there.looks.add(look)
    there.sinks.add(one.node.id)
    found.set(key, there)
  }
  return [...found.values()].map(({ looks, sinks, ...rest }) => ({ ...rest, looks: [...looks], sinks: [...sinks] }))
}

/** Open in the plan and in every look that says otherwise by following. */
function keptOpen(traced: Traced, at: LinkEnd): Proposal[] {
  const draft = new Draft(traced.plan)
  draft.set(['devices', at.device, 'ports', at.port, 'sound'], 'fixed')
  for (const [look, { sound }] of Object.entries(traced.plan.looks))
    if (sound?.[at.device]?.[at.port] === 'follows') draft.set(['looks', look, 'sound', at.device, at.port])
  return [{ title: `Keep the sound of ${endName(traced, at)} open`.slice(0, 120), edits: draft.edits }]
}
