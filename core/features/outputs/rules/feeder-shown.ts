import { isSink } from '#core/catalog'
import { type DeviceNode, type Run, type Traced, deviceName, feeders, lastSwitchers, recordedInside } from '#core/chain'
import { type Want, own } from '#core/document'
import { ghost, text } from '#core/kernel'
import { Draft, type Proposal, addSink, feedOf, freeOutputs, ownersOf, rule, runFor } from '#core/propose'
import { listWords } from '#core/words'
import { otherOutput } from './output-shared'

export const feederShown = rule({
  code: 'O17',
  about: 'Who should see the program of the show gets that of a feeder.',
  messages: {
    feeder: {
      severity: 'D',
      says: '{sink} should see the program of the show and gets that of {feeder}, which is one input of {last}: what {last} cuts to never comes there.',
    },
    nobody: {
      severity: 'D',
      says: 'The program of {last} reaches nobody: what is asked for is {asked} alone.',
    },
    yet: {
      severity: 'N',
      says: 'Nobody sees the program of {last} yet: no screen, recorder or stream is asked for that should.',
    },
  },
  find: (traced, say) => [
    ...unseen(traced).map(node => {
      const at = { on: 'device', device: node.id } as const
      const last = text(node.device.name)
      const asked = [...new Set(Object.values(traced.plan.wants).map(({ feed }) => feed))]
      return ghost(
        `Program of ${node.device.name}`,
        asked.length ? say('nobody', at, { last, asked: text(listWords(asked)) }) : say('yet', at, { last }),
      )
    }),
    ...insideFeeders(traced).map(([id, { sink }]) =>
      say(
        'feeder',
        { on: 'sink', want: id, device: sink },
        {
          sink: text(`the recorder of ${deviceName(traced, sink)}`),
          feeder: text(deviceName(traced, sink)),
          last: text(lastNames(traced)),
        },
        traced.runs.find(({ origin, beside }) => !beside && origin?.device === sink)?.id,
      ),
    ),
    ...fromFeeders(traced).map(({ id, want, run }) =>
      say(
        'feeder',
        { on: 'sink', want: id, device: want.sink },
        {
          sink: text(deviceName(traced, want.sink)),
          feeder: text(deviceName(traced, run.origin!.device)),
          last: text(lastNames(traced)),
        },
        run.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    const { at } = found
    if (at.on === 'device') return showIt(traced, at.device)
    const want = at.on === 'sink' ? own<Want>(traced.plan.wants, at.want) : undefined
    if (at.on === 'sink' && want && recordedInside(traced.chain, want)) return ownProgram(traced, at.want, want.sink)
    const run = want && runFor(traced, want)
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

const lastNames = (traced: Traced): string =>
  lastSwitchers(traced)
    .map(({ device }) => device.name)
    .join(' or ')

/** Recordings of the show that are asked of a switcher which feeds another. */
function insideFeeders(traced: Traced): [string, Want][] {
  const feeding = feeders(traced)
  return Object.entries(traced.plan.wants).filter(
    ([, want]) => want.of === undefined && feeding.has(want.sink) && recordedInside(traced.chain, want),
  )
}

function ownProgram(traced: Traced, id: string, feeder: string): Proposal[] {
  const { plan } = traced
  const name = plan.devices[feeder]!.name
  const { sink: _, ...rest } = plan.wants[id]!
  const own = new Draft(plan)
  own.set(['wants', id, 'of'], feeder)
  const last = lastSwitchers(traced).filter(({ model }) => model.records)
  return [
    { title: `Say that ${name} is to record its own program`.slice(0, 120), edits: own.edits },
    ...last.map((node): Proposal => {
      const value = { ...rest, sink: node.id }
      return {
        title: `Record the show in ${node.device.name}, and beside it what ${name} makes`.slice(0, 120),
        edits: [...own.edits, { do: 'add', collection: 'wants', id: `${node.id}-keeps`.slice(0, 64), value }],
      }
    }),
  ]
}

/** Sinks that are to see the show and hang on a switcher that feeds another. */
function fromFeeders(traced: Traced): { id: string; want: Want; run: Run }[] {
  const feeding = feeders(traced)
  if (feeding.size === 0) return []
  return Object.entries(traced.plan.wants).flatMap(([id, want]) => {
    const run = runFor(traced, want)
    const { origin } = run ?? {}
    if (!run?.lit || !origin || !isProgram(want.feed) || !feeding.has(origin.device)) return []
    return isProgram(feedOf(traced, run)) && !ownersOf(traced, want)(origin.device) ? [{ id, want, run }] : []
  })
}

/** A last switcher with pictures whose program goes to no sink and is asked for nowhere. */
function unseen(traced: Traced): DeviceNode[] {
  const { plan, chain, runs, trace } = traced
  if (Object.values(plan.wants).some(({ feed }) => isProgram(feed))) return []
  // Before anybody is there who could see it, a plan is at its beginning.
  if (![...chain.nodes.values()].some(({ model }) => isSink(model))) return []
  const last = lastSwitchers(traced).filter(({ id }) => (trace.switchers.get(id)?.lit ?? 0) > 0)
  const shown = runs.some(
    run =>
      !run.beside &&
      run.end &&
      isSink(chain.nodes.get(run.end.device)!.model) &&
      last.some(({ id }) => id === run.origin?.device) &&
      isProgram(feedOf(traced, run)),
  )
  return shown ? [] : last.slice(0, 1)
}

/** A screen for whoever is there, at a free output. */
function showIt(traced: Traced, id: string): Proposal[] {
  return freeOutputs(traced, 'program')
    .filter(({ node }) => node.id === id)
    .flatMap(output => {
      const model = output.port?.carries === 'sdi' ? 'screen-sdi' : 'screen'
      const edits = addSink(traced, output, model, 'Screen', 'program')
      return edits
        ? [
            {
              title:
                `Show it on a screen at ${output.node.device.name} output ${output.port?.number ?? output.portId}`.slice(
                  0,
                  120,
                ),
              edits,
            },
          ]
        : []
    })
}
