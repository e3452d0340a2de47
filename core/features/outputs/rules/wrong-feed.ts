import { isFeed } from '#core/catalog'
import {
  type Traced,
  deviceName,
  endName,
  isSwitcher,
  carriedRun,
  pointedWords,
  runInto,
  choicesAt,
  pointEdits,
} from '#core/chain'
import { type LinkEnd, type Want, own, type Pointed } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule, runFor, isOneSource, feedOf, ownersOf } from '#core/propose'
import { otherOutput, wrongFeeds } from './output-shared'

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
          feed: text(feedWords(traced, wanted)),
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
                feed: text(feedWords(traced, wanted)),
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
    const origin = want && runFor(traced, want)?.origin
    const node = origin && traced.chain.nodes.get(origin.device)
    if (!want || !node) return []
    const draft = new Draft(traced.plan)
    const here = isSwitcher(node)
      ? choicesAt(node, origin.port).find(choice => isMet(traced, want, origin, choice))
      : undefined
    if (here !== undefined) draft.edits.push(...pointEdits(node, origin.port, here))
    const giveUp = new Draft(traced.plan)
    if (found.at.on === 'sink') giveUp.edits.push({ do: 'remove', collection: 'wants', id: found.at.want })
    return [
      ...(here !== undefined
        ? [
            {
              title: `Point ${node.device.name} output ${own(node.model.ports, origin.port)?.number ?? origin.port} at ${pointedWords(node, here)}`,
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

const feedWords = (traced: Traced, want: Want): string =>
  isOneSource(traced, want) ? `${deviceName(traced, want.of!)} alone` : want.feed

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
        const run = runFor(traced, wanted)
        const origin = run?.lit ? run.origin : undefined
        const carries = origin && own(own(outputs, origin.device), origin.port)
        if (!origin || carries === undefined || isMet(traced, wanted, origin, carries)) return []
        return [{ look, wanted, origin, carries: pointedWords(traced.chain.nodes.get(origin.device)!, carries) }]
      })
      .slice(0, 1)
  })
}

/** What an output is pointed at is what its sink is to see: the feed, or the one source at an input. */
function isMet(traced: Traced, wanted: Want, { device }: LinkEnd, pointed: Pointed): boolean {
  if (isFeed(pointed)) return pointed === wanted.feed && !isOneSource(traced, wanted)
  const run = runInto(traced, { device, port: pointed })
  const carried = run && carriedRun(traced, run)
  if (isOneSource(traced, wanted)) return carried?.origin?.device === wanted.of
  return (
    carried !== undefined && feedOf(traced, carried) === wanted.feed && ownersOf(traced, wanted)(carried.origin!.device)
  )
}

function leftAsSet(traced: Traced, look: string): Proposal[] {
  const draft = new Draft(traced.plan)
  const away = pointedAway(traced).filter(one => one.look === look)
  for (const { origin } of away) draft.set(['looks', look, 'outputs', origin.device, origin.port])
  return away.length
    ? [{ title: `Leave ${endName(traced, away[0]!.origin)} as it is set`.slice(0, 120), edits: draft.edits }]
    : []
}
