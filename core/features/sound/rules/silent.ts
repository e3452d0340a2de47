import type { Traced } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, bringSound, embed, heardFrom, rule, runsTo } from '#core/propose'
import { listWords } from '#core/words'

export const silent = rule({
  code: 'A01',
  about: 'No sound path reaches a deliverable that is to be heard.',
  messages: {
    silent: { severity: 'D', says: 'No sound is open at {stage}, so {sinks} will be silent.' },
    lost: { severity: 'D', says: '{sink} is to be heard, and no sound gets there with its picture.' },
  },
  find: (traced, say) =>
    [...heardFrom(traced)].flatMap(([stage, wants]) => {
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
    }),
  remedies: (traced, { at }) => {
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
