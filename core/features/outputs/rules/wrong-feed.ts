import { deviceName, endName, isSwitcher } from '#core/chain'
import { type Want, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, rule, runsTo } from '#core/propose'
import { isOneSource, otherOutput, wrongFeeds } from './output-shared'

export const wrongFeed = rule({
  code: 'O02',
  about: 'A sink gets another picture than it should.',
  messages: { wrong: { severity: 'D', says: '{sink} should see {feed} and gets {carries} from {output}.' } },
  find: (traced, say) =>
    wrongFeeds(traced).flatMap(({ want, wanted, run, carries, other }) =>
      other !== undefined
        ? []
        : [
            say(
              'wrong',
              { on: 'sink', want, device: wanted.sink },
              {
                sink: text(deviceName(traced, wanted.sink)),
                feed: text(isOneSource(traced, wanted) ? `${deviceName(traced, wanted.of!)} alone` : wanted.feed),
                carries: text(carries),
                output: text(endName(traced, run.origin!)),
              },
              run.id,
            ),
          ],
    ),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const origin = want && runsTo(traced, want.sink)[0]?.origin
    const node = origin && traced.chain.nodes.get(origin.device)
    if (!want || !node) return []
    const draft = new Draft(traced.plan)
    const here =
      !isOneSource(traced, want) && isSwitcher(node) && own(node.model.ports, origin.port)?.feeds?.includes(want.feed)
    if (here) draft.set(['devices', node.id, 'ports', origin.port, 'feed'], want.feed)
    const giveUp = new Draft(traced.plan)
    if (found.at.on === 'sink') giveUp.edits.push({ do: 'remove', collection: 'wants', id: found.at.want })
    return [
      ...(here
        ? [
            {
              title: `Point ${node.device.name} output ${own(node.model.ports, origin.port)?.number ?? origin.port} at ${want.feed}`,
              edits: draft.edits,
            },
          ]
        : []),
      ...otherOutput(traced, found),
      {
        title: `Give up ${want.feed} at ${deviceName(traced, want.sink)}`.slice(0, 120),
        edits: giveUp.edits,
        givesUp: true,
      },
    ]
  },
})
