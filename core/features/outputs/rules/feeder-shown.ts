import { type Run, type Traced, deviceName, feeders, lastSwitchers } from '#core/chain'
import { type Want, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, feedOf, ownersOf, rule, runsTo } from '#core/propose'
import { otherOutput } from './output-shared'

export const feederShown = rule({
  code: 'O17',
  about: 'Who should see the program of the show gets that of a feeder.',
  messages: {
    feeder: {
      severity: 'D',
      says: '{sink} should see the program of the show and gets that of {feeder}, which is one input of {last}: what {last} cuts to never comes there.',
    },
  },
  find: (traced, say) =>
    fromFeeders(traced).map(({ id, want, run }) =>
      say(
        'feeder',
        { on: 'sink', want: id, device: want.sink },
        {
          sink: text(deviceName(traced, want.sink)),
          feeder: text(deviceName(traced, run.origin!.device)),
          last: text(
            lastSwitchers(traced)
              .map(({ device }) => device.name)
              .join(' or '),
          ),
        },
        run.id,
      ),
    ),
  remedies: (traced, found) => {
    const { at } = found
    const want = at.on === 'sink' ? own<Want>(traced.plan.wants, at.want) : undefined
    const run = want && runsTo(traced, want.sink)[0]
    if (at.on !== 'sink' || !want || !run?.origin) return []
    const draft = new Draft(traced.plan)
    draft.set(['wants', at.want, 'of'], run.origin.device)
    const feeder = deviceName(traced, run.origin.device)
    return [
      ...otherOutput(traced, found),
      { title: `Say that ${deviceName(traced, want.sink)} is to see ${feeder}`.slice(0, 120), edits: draft.edits },
    ]
  },
})

const isProgram = (feed: string | undefined): boolean => feed === undefined || feed === 'program' || feed === 'clean'

/** Sinks that are to see the show and hang on a switcher that feeds another. */
function fromFeeders(traced: Traced): { id: string; want: Want; run: Run }[] {
  const feeding = feeders(traced)
  if (feeding.size === 0) return []
  return Object.entries(traced.plan.wants).flatMap(([id, want]) => {
    const run = runsTo(traced, want.sink)[0]
    const { origin } = run ?? {}
    if (!run?.lit || !origin || !isProgram(want.feed) || !feeding.has(origin.device)) return []
    return isProgram(feedOf(traced, run)) && !ownersOf(traced, want)(origin.device) ? [{ id, want, run }] : []
  })
}
