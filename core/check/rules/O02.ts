import { isStage } from '#core/chain'
import { own, type Want } from '#core/plan'
import { Draft } from '#core/ways'
import { text } from '../finding'
import { runsTo } from '../feeding'
import { deviceName, finding, type Rule } from '../rule'
import { otherOutput, wrongFeeds } from './C12'

export const O02: Rule = {
  id: 'O02',
  about: 'A sink gets another picture than it should.',
  says: { wrong: '{sink} should see {feed} and gets {carries}.' },
  find: traced => wrongFeeds(traced).flatMap(({ want, wanted, run, carries, other }) => (other !== undefined ? [] : [finding('O02', 'D', { on: 'sink', want, device: wanted.sink }, 'wrong', {
    sink: text(deviceName(traced, wanted.sink)), feed: text(wanted.feed), carries: text(carries),
  }, run.id)])),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const origin = want && runsTo(traced, want.sink)[0]?.origin
    const node = origin && traced.chain.nodes.get(origin.device)
    if (!want || !node) return []
    const draft = new Draft(traced.plan)
    const here = isStage(node) && own(node.model.ports, origin.port)?.feeds?.includes(want.feed)
    if (here) draft.set(['devices', node.id, 'ports', origin.port, 'feed'], want.feed)
    const giveUp = new Draft(traced.plan)
    if (found.at.on === 'sink') giveUp.edits.push({ do: 'remove', collection: 'wants', id: found.at.want })
    return [
      ...(here ? [{ title: `Point ${node.device.name} output ${own(node.model.ports, origin.port)?.number ?? origin.port} at ${want.feed}`, edits: draft.edits }] : []),
      ...otherOutput(traced, found),
      { title: `Give up ${want.feed} at ${deviceName(traced, want.sink)}`.slice(0, 120), edits: giveUp.edits, givesUp: true },
    ]
  },
}
