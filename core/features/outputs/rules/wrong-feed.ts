import { type Traced, deviceName, endName, isSwitcher } from '#core/chain'
import { type LinkEnd, type Want, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule, runsTo } from '#core/propose'
import { isOneSource, otherOutput, wrongFeeds } from './output-shared'

export const wrongFeed = rule({
  code: 'O02',
  about: 'A sink gets another picture than it should.',
  messages: {
    wrong: { severity: 'D', says: '{sink} should see {feed} and gets {carries} from {output}.' },
    look: {
      severity: 'D',
      says: '{look} points {output} at {carries}, and {sink}, which hangs on it, should see {feed}.',
    },
  },
  find: (traced, say) => [
    ...pointedAway(traced).map(({ look, wanted, origin, carries }) =>
      say(
        'look',
        { on: 'look', look },
        {
          look: text(traced.plan.looks[look]!.title),
          output: text(endName(traced, origin)),
          carries: text(carries),
          sink: text(deviceName(traced, wanted.sink)),
          feed: text(wanted.feed),
        },
      ),
    ),
    ...wrongFeeds(traced).flatMap(({ want, wanted, run, carries, other }) =>
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
  ],
  remedies: (traced, found) => {
    if (found.at.on === 'look') return leftAsSet(traced, found.at.look)
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

/** Outputs that a look points at another feed than who hangs on them should see; each look once. */
function pointedAway(traced: Traced): { look: string; wanted: Want; origin: LinkEnd; carries: string }[] {
  const { looks, wants, segments, cues } = traced.plan
  const taken = new Set([
    ...Object.values(segments).map(({ opens }) => opens),
    ...Object.values(cues).map(cue => cue.look),
  ])
  return Object.entries(looks).flatMap(([look, { outputs }]) => {
    if (!taken.has(look)) return []
    return Object.values(wants)
      .flatMap(wanted => {
        const origin = runsTo(traced, wanted.sink).find(({ lit }) => lit)?.origin
        const carries = origin && own(own(outputs, origin.device), origin.port)
        return origin && carries !== undefined && carries !== wanted.feed ? [{ look, wanted, origin, carries }] : []
      })
      .slice(0, 1)
  })
}

function leftAsSet(traced: Traced, look: string): Proposal[] {
  const draft = new Draft(traced.plan)
  const away = pointedAway(traced).filter(one => one.look === look)
  for (const { origin } of away) draft.set(['looks', look, 'outputs', origin.device, origin.port])
  return away.length
    ? [{ title: `Leave ${endName(traced, away[0]!.origin)} as it is set`.slice(0, 120), edits: draft.edits }]
    : []
}
