import { type Traced, deviceName, lastSwitchers, runInto } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Moment, cuesOf, momentsOf } from '#core/run'

export const notBefore = rule({
  code: 'N12',
  about: 'A picture of a feeder that is on air cannot be seen on preview before it is taken.',
  messages: {
    blind: {
      severity: 'N',
      says: '{preview} cannot show {source} before {cue}: {feeder} is on air with {other}. {instead}',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    blind(traced)
      .slice(0, 1)
      .map(({ cue, preview, source, feeder, other, monitor }) =>
        say(
          'blind',
          { on: 'cue', cue },
          {
            preview: text(deviceName(traced, preview)),
            source: text(deviceName(traced, source)),
            cue: text(traced.plan.cues[cue]!.title),
            feeder: text(deviceName(traced, feeder)),
            other: text(deviceName(traced, other)),
            instead: text(
              monitor === undefined
                ? `Look at it while ${deviceName(traced, feeder)} is off air.`
                : `Look at it on ${deviceName(traced, monitor)}.`,
            ),
          },
        ),
      ),
  remedies: (traced, { at }): Proposal[] => (at.on === 'cue' ? meanwhile(traced, at.cue) : []),
})

/** Another picture stands on air before the cue: the feeder is free meanwhile, and what comes can be looked at. */
function meanwhile(traced: Traced, id: string): Proposal[] {
  const { plan } = traced
  const cue = plan.cues[id]!
  const look = own(plan.looks, cue.look)
  const [last] = lastSwitchers(traced)
  const after = momentsOf(traced).find(moment => moment.cue === id)
  const back = last && own(after?.state.mixers, last.id)?.program
  if (!look || !last || back === undefined) return []
  const covers = traced.runs.flatMap(({ beside, lit, origin, end }) => {
    const source = origin && traced.chain.nodes.get(origin.device)
    return !beside && lit && end?.device === last.id && end.port !== back && source?.model.role === 'source'
      ? [{ source, port: end.port }]
      : []
  })
  const cover = covers.find(({ source }) => source.device.shot === 'safe') ?? covers[0]
  if (!cover) return []
  const draft = new Draft(plan)
  const { name } = cover.source.device
  const shown = draft.add('looks', `before ${cue.title}`, {
    title: `Before ${cue.title}`.slice(0, 120),
    order: look.order,
    program: { [last.id]: cover.port },
  })
  const before = cuesOf(plan, cue.segment).filter(([, other]) => other.order < cue.order)
  const order = before.length ? (before.at(-1)![1].order + cue.order) / 2 : cue.order - 1
  draft.add('cues', `to ${name}`, { segment: cue.segment, title: `To ${name}`.slice(0, 120), order, look: shown })
  draft.set(['looks', cue.look!, 'program'], { ...look.program, [last.id]: back })
  return [{ title: `Show ${name} before ${cue.title}`.slice(0, 120), edits: draft.edits }]
}

interface Blind {
  readonly cue: string
  readonly preview: string
  readonly source: string
  readonly feeder: string
  readonly other: string
  readonly monitor: string | undefined
}

/** Cues of the segment that change the input of a feeder which is on air before and after, where somebody has a preview. */
function blind(traced: Traced): Blind[] {
  const preview = Object.values(traced.plan.wants).find(({ feed }) => feed === 'preview')?.sink
  if (preview === undefined) return []
  const moments = momentsOf(traced)
  return moments.flatMap((moment, i) => {
    const before = moments[i - 1]
    if (!before || moment.cue === undefined) return []
    return lastSwitchers(traced).flatMap(last => onAirThrough(traced, before, moment, last.id, preview))
  })
}

function onAirThrough(traced: Traced, before: Moment, moment: Moment, last: string, preview: string): Blind[] {
  const port = own(before.state.mixers, last)?.program
  if (port === undefined || own(moment.state.mixers, last)?.program !== port) return []
  const feeder = runInto(traced, { device: last, port })?.origin?.device
  const [was, is] = [before, moment].map(one => feeder && own(one.state.mixers, feeder)?.program)
  if (!feeder || !was || !is || was === is) return []
  const [other, source] = [was, is].map(input => runInto(traced, { device: feeder, port: input })?.origin?.device)
  if (!other || !source) return []
  const monitor = traced.runs.find(
    ({ beside, lit, origin, links }) =>
      !beside && lit && origin?.device === feeder && ['multiview', 'preview'].includes(links[0]?.signal?.feed ?? ''),
  )?.end?.device
  return [{ cue: moment.cue!, preview, source, feeder, other, monitor }]
}
