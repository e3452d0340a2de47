import { isStage, socketKey } from '#core/chain'
import { own, type Want } from '#core/plan'
import { text, type Place } from '../finding'
import { feedInto, feedOf, runsTo } from '../feeding'
import { removeRun } from '../traced'
import { deviceName, endName, finding, type Proposal, type Rule, type Traced } from '../rule'

export const C12: Rule = {
  id: 'C12',
  about: 'An output is set to one feed and needed for another.',
  says: { two: '{output} carries {carries} for {other}, and {sink}, which hangs on it too, should see {feed}: one output carries one picture.' },
  find: traced => wrongFeeds(traced).flatMap(({ want, wanted, run, carries, other }) => (other === undefined ? [] : [finding('C12', 'D', { on: 'sink', want, device: wanted.sink }, 'two', {
    output: text(endName(traced, run.origin!)), carries: text(carries), other: text(deviceName(traced, other)), sink: text(deviceName(traced, wanted.sink)), feed: text(wanted.feed),
  }, run.id)])),
  remedies: otherOutput,
}

/** Takes the wrong picture off a sink and brings the right one. */
export function otherOutput(traced: Traced, { at }: { at: Place }): Proposal[] {
  const want = at.on === 'sink' ? own<Want>(traced.plan.wants, at.want) : undefined
  const [run] = want ? runsTo(traced, want.sink) : []
  if (!want || !run) return []
  const { edits, without } = removeRun(traced, run)
  const node = without.chain.nodes.get(want.sink)!
  const port = own(node.model.ports, run.end!.port)
  // The way stays as long as it was measured.
  const routeM = run.links.find(({ wire }) => wire.link.routeM !== undefined && edits.some(edit => edit.do === 'disconnect' && edit.id === wire.id))?.wire.link.routeM
  return feedInto(without, want.feed, [{ node, portId: run.end!.port, port }], routeM === undefined ? {} : { routeM }).map(offer => ({ ...offer, edits: [...edits, ...offer.edits] }))
}

/** Sinks that get another picture than they should, and who else rightly hangs on that output. */
export function wrongFeeds(traced: Traced) {
  const { plan, chain } = traced
  return Object.entries(plan.wants).flatMap(([want, wanted]) => runsTo(traced, wanted.sink).slice(0, 1).flatMap((run) => {
    if (!run.lit || !run.origin) return []
    const stage = chain.nodes.get(run.origin.device)!
    const carries: string = isStage(stage) || stage.model.role === 'way' ? feedOf(traced, run) ?? stage.device.name : stage.device.name
    if (carries === wanted.feed) return []
    const key = socketKey(run.origin.device, run.origin.port)
    const other = Object.values(plan.wants).find(({ sink, feed }) => sink !== wanted.sink && feed === carries
      && runsTo(traced, sink).some(({ origin }) => origin && socketKey(origin.device, origin.port) === key))?.sink
    return [{ want, wanted, run, carries, other }]
  }))
}
