import type { Traced } from '#core/chain'
import { ghost, text } from '#core/kernel'
import { Draft, bringSound, embed, heardFrom, rule, runsTo } from '#core/propose'
import { listWords } from '#core/words'
import { answers, heardWords, nameOf, unsaid } from '../unsaid'

export const silent = rule({
  code: 'A01',
  about: 'No sound path reaches a deliverable that is to be heard.',
  messages: {
    silent: { severity: 'D', says: 'No sound is open at {stage}, so {sinks} will be silent.' },
    lost: { severity: 'D', says: '{sink} is to be heard, and no sound gets there with its picture.' },
    unsaid: {
      severity: 'N',
      says: 'Nothing says whether {sinks} should be heard: with sound, or silent on purpose. As planned, {heard}.',
    },
  },
  find: (traced, say) => {
    const open = unsaid(traced)
    const asked =
      open.length === 0
        ? []
        : [
            ghost(
              'Sound',
              say(
                'unsaid',
                { on: 'show' },
                {
                  sinks: text(listWords(open.map(want => nameOf(traced, want)))),
                  heard: text(heardWords(traced, open)),
                },
              ),
            ),
          ]
    const mute = [...heardFrom(traced)].flatMap(([stage, wants]) => {
      const mute = wants.filter(([, { sink }]) => !traced.sound.heard.get(sink)?.size)
      if (mute.length === 0) return []
      const run = runsTo(traced, mute[0]![1].sink)[0]?.id
      const names = listWords(mute.map(([, { sink }]) => traced.chain.nodes.get(sink)!.device.name))
      if (stage && !traced.sound.mixes.get(stage.id)?.size)
        return [
          say(
            'silent',
            { on: 'device', device: stage.id },
            { stage: text(stage.device.name), sinks: text(names) },
            run,
          ),
        ]
      return mute.map(([want, { sink }]) =>
        say(
          'lost',
          { on: 'sink', want, device: sink },
          { sink: text(traced.chain.nodes.get(sink)!.device.name) },
          runsTo(traced, sink)[0]?.id,
        ),
      )
    })
    return [...mute, ...asked]
  },
  remedies: (traced, { at }) => {
    if (at.on === 'show') return answers(traced)
    if (at.on === 'device')
      return [...bringSound(traced, traced.chain.nodes.get(at.device)!), ...giveUpAll(traced, at.device)]
    if (at.on !== 'sink') return []
    const draft = new Draft(traced.plan)
    draft.set(['wants', at.want, 'sound'])
    return [
      ...embed(traced, at.device),
      {
        title: `Give up sound at ${traced.chain.nodes.get(at.device)!.device.name}`,
        edits: draft.edits,
        givesUp: true,
      },
    ]
  },
})

function giveUpAll(traced: Traced, device: string) {
  const wants = [...heardFrom(traced)].flatMap(([stage, found]) => (stage?.id === device ? found : []))
  const draft = new Draft(traced.plan)
  for (const [id] of wants) draft.set(['wants', id, 'sound'])
  return [
    {
      title:
        `Give up sound at ${listWords(wants.map(([, { sink }]) => traced.chain.nodes.get(sink)!.device.name))}`.slice(
          0,
          120,
        ),
      edits: draft.edits,
      givesUp: true as const,
    },
  ]
}
