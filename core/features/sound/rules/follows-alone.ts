import { type DeviceNode, type Traced, openingOf, socketName } from '#core/chain'
import { portsOf } from '#core/catalog'
import { text } from '#core/kernel'
import { Draft, bringSound, heardFrom, rule, runsTo } from '#core/propose'
import { listWords } from '#core/words'

export const followsAlone = rule({
  code: 'A05',
  about: 'All that is heard follows a picture: on every other picture the show is silent.',
  messages: {
    follows: {
      severity: 'D',
      says: 'The sound of {inputs} is heard only while its picture is on air, and nothing else is open: on {others} the show is silent.',
    },
  },
  find: (traced, say) =>
    [...heardFrom(traced)].flatMap(([stage, wants]) => {
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
          runsTo(traced, wants[0]![1].sink)[0]?.id,
        ),
      ]
    }),
  remedies: (traced, { at }) => {
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
