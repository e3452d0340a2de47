import { type Traced, deviceName, endName, socketKey } from '#core/chain'
import { type Want, own } from '#core/document'
import { type Anchor, text } from '#core/kernel'
import { type Proposal, feedInto, removeRun, rule, runFor, runsTo, broughtBy } from '#core/propose'

export const outputShared = rule({
  code: 'C12',
  about: 'An output is set to one feed and needed for another.',
  messages: {
    two: {
      severity: 'D',
      says: '{output} carries {carries} for {other}, and {sink}, which hangs on it too, should see {feed}: one output carries one picture.',
    },
  },
  find: (traced, say) =>
    wrongFeeds(traced).flatMap(({ want, wanted, run, carries, other }) =>
      other === undefined
        ? []
        : [
            say(
              'two',
              { on: 'sink', want, device: wanted.sink },
              {
                output: text(endName(traced, run.origin!)),
                carries: text(carries),
                other: text(deviceName(traced, other)),
                sink: text(deviceName(traced, wanted.sink)),
                feed: text(wanted.feed),
              },
              run.id,
            ),
          ],
    ),
  remedies: otherOutput,
})

/** Takes the wrong picture off a sink and brings the right one. */
export function otherOutput(traced: Traced, { at }: { at: Anchor }): Proposal[] {
  const want = at.on === 'sink' ? own<Want>(traced.plan.wants, at.want) : undefined
  const run = want && runFor(traced, want)
  if (!want || !run) return []
  const { edits, without } = removeRun(traced, run)
  const node = without.chain.nodes.get(want.sink)!
  const port = own(node.model.ports, run.end!.port)
  // The way stays as long as it was measured.
  const routeM = run.links.find(
    ({ wire }) => wire.link.routeM !== undefined && edits.some(edit => edit.do === 'disconnect' && edit.id === wire.id),
  )?.wire.link.routeM
  return feedInto(without, want, [{ node, portId: run.end!.port, port }], routeM === undefined ? {} : { routeM }).map(
    offer => ({ ...offer, edits: [...edits, ...offer.edits] }),
  )
}

/** Sinks that get another picture than they should, and who else rightly hangs on that output. */
export function wrongFeeds(traced: Traced) {
  const { plan } = traced
  return Object.entries(plan.wants).flatMap(([want, wanted]) => {
    const run = runFor(traced, wanted)
    if (!run?.lit || !run.origin) return []
    const { carries, met } = broughtBy(traced, wanted, run)
    if (met) return []
    const key = socketKey(run.origin.device, run.origin.port)
    const other = Object.values(plan.wants).find(
      ({ sink, feed }) =>
        sink !== wanted.sink &&
        feed === carries &&
        runsTo(traced, sink).some(({ origin }) => origin && socketKey(origin.device, origin.port) === key),
    )?.sink
    return [{ want, wanted, run, carries, other }]
  })
}
