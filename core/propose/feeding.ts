import { type Carried, type Feed, isFeed, isForScreens } from '#core/catalog'
import {
  type DeviceNode,
  type Run,
  type Socket,
  type Traced,
  type WireTrace,
  isSwitcher,
  lastSwitchers,
  carriedRun,
  choicesAt,
  pointEdits,
  pointedWords,
  runInto,
} from '#core/chain'
import { type Want, own } from '#core/document'
import type { Finding } from '#core/kernel'
import { Draft } from './draft'
import { connectTo, freeOutputs, freeSockets, loopsBehind, signalAt, splitOff } from './offers'
import type { Proposal } from './rule'
import type { Span } from './ways'

// Who sees what: wants against the feeds that reach the sinks.

/** Wants whose sink no cable reaches. */
export function unfedWants({ plan, pictures }: Traced): [string, Want][] {
  return pictures.flatMap((picture): [string, Want][] =>
    picture.of === 'want' ? [[picture.want, plan.wants[picture.want]!]] : [],
  )
}

/** True when switchers can make the feed, but each of their outputs that can carry it is taken. */
export function outputsAreFull(traced: Traced, feed: Feed): boolean {
  const able = [...traced.chain.nodes.values()]
    .filter(isSwitcher)
    .some(({ model }) => Object.values(model.ports).some(port => port.feeds?.includes(feed) && isForScreens(port)))
  // What goes to a computer over USB, or afar, is no output for a screen.
  return able && freeOutputs(traced, feed).every(({ port }) => !port || !isForScreens(port))
}

/** What the run's output is pointed at; undefined for a source's picture. */
export function feedOf(traced: Traced, { links }: Run): Carried | undefined {
  const from = links[0]?.wire.from
  return from && signalAt(traced, from)?.feed
}

/** The runs of pictures that end at a sink. What is led into a switcher is not what it should record. */
export const runsTo = ({ runs, chain }: Traced, device: string): Run[] =>
  isSwitcher(chain.nodes.get(device)!) ? [] : runs.filter(run => !run.beside && run.end?.device === device)

/** One source's picture alone is asked. */
export const isOneSource = ({ chain }: Traced, { of }: Want): boolean =>
  of !== undefined && chain.nodes.get(of)?.model.role === 'source'

/** With no switcher and a single recorder, capture or screen, the one source that is there is the program. */
const programOfOne = ({ chain, runs }: Traced, { feed, of }: Want, node: DeviceNode): boolean =>
  of === undefined &&
  (feed === 'program' || feed === 'clean') &&
  node.model.role === 'source' &&
  ![...chain.nodes.values()].some(isSwitcher) &&
  new Set(runs.flatMap(({ origin, beside }) => (origin && !beside ? [origin.device] : []))).size === 1

/** What a lit run brings to who asks for something, by name, and whether it is what is asked. */
export function broughtBy(traced: Traced, wanted: Want, run: Run): { readonly carries: string; readonly met: boolean } {
  const carried = carriedRun(traced, run)
  const from = traced.chain.nodes.get((carried?.origin ?? run.origin!).device)!
  const carries: string =
    isSwitcher(from) || from.model.role === 'way'
      ? ((carried && feedOf(traced, carried)) ?? from.device.name)
      : from.device.name
  const met =
    // One picture alone is right where it comes from that source.
    (from.model.role === 'source' && wanted.of === from.id) ||
    (carries === wanted.feed && !isOneSource(traced, wanted)) ||
    programOfOne(traced, wanted, from) ||
    (carried !== undefined && carried !== run && carries === wanted.feed && ownersOf(traced, wanted)(from.id))
  return { carries, met }
}

/**
 * The run by which a want is met. A sink with several inputs may keep other pictures beside it: then the run that brings
 * what is asked, else one that brings nothing that is asked there, and a dark one before it, since that is told.
 */
export function runFor(traced: Traced, want: Want): Run | undefined {
  const runs = runsTo(traced, want.sink)
  if (runs.length < 2) return runs[0]
  const meets = (one: Want, run: Run) => run.lit && run.origin !== undefined && broughtBy(traced, one, run).met
  const others = Object.values(traced.plan.wants).filter(one => one !== want && one.sink === want.sink)
  return (
    runs.find(run => meets(want, run) && ownersOf(traced, want)(run.origin!.device)) ??
    runs.find(run => meets(want, run)) ??
    runs.find(({ lit }) => !lit) ??
    runs.find(run => !others.some(one => meets(one, run))) ??
    runs[0]
  )
}

/** Ways to bring a wanted feed to a sink: a free output, a loop-through, a splitter; or to give the want up. */
export function feedSink(traced: Traced, { at }: Pick<Finding, 'at'>): Proposal[] {
  const want = at.on === 'sink' ? own<Want>(traced.plan.wants, at.want) : undefined
  const node = want && traced.chain.nodes.get(want.sink)
  if (!want || !node) return []
  const inputs = isSwitcher(node) ? [] : freeSockets(traced, node, 'in')
  const draft = new Draft(traced.plan)
  if (at.on === 'sink') draft.edits.push({ do: 'remove', collection: 'wants', id: at.want })
  return [
    ...feedInto(traced, want, inputs),
    { title: `Give up ${want.feed} at ${node.device.name}`.slice(0, 120), edits: draft.edits, givesUp: true },
  ]
}

/** Which switchers may give what is wanted: the one that is named; of the show's own pictures the last ones. */
export function ownersOf(traced: Traced, { feed, of }: Pick<Want, 'feed' | 'of'>): (switcher: string) => boolean {
  if (of !== undefined && traced.chain.nodes.has(of)) return id => id === of
  if (feed !== 'program' && feed !== 'clean') return () => true
  const last = new Set(lastSwitchers(traced).map(({ id }) => id))
  return id => last.has(id)
}

/** The same for inputs that are, or will be, free. */
export function feedInto(
  traced: Traced,
  { feed, of }: Pick<Want, 'feed' | 'of'>,
  inputs: readonly Socket[],
  span: Span = {},
): Proposal[] {
  const whose = ownersOf(traced, { feed, ...(of === undefined ? {} : { of }) })
  const free = freeOutputs(traced, feed)
    .filter(({ node }) => whose(node.id))
    .flatMap(output =>
      connectTo(traced, output, inputs, 'Connect to', span)
        .slice(0, 1)
        .map(({ title, edits }) => {
          const draft = new Draft(traced.plan)
          const pointed = own(output.node.device.ports, output.portId)?.feed ?? output.port!.feeds![0]
          if (pointed !== feed) draft.set(['devices', output.node.id, 'ports', output.portId, 'feed'], feed)
          return {
            title: title.replace(
              'Connect to',
              `Feed it from ${output.node.device.name} output ${output.port!.number ?? output.portId} to`,
            ),
            edits: [...draft.edits, ...edits],
          }
        }),
    )
  // Also from outputs that are dark for now: their cause has a finding of its own.
  const carries = ({ wire: { from } }: WireTrace) =>
    from !== undefined && isSwitcher(from.node) && whose(from.node.id) && signalAt(traced, from)?.feed === feed
  const feeding = [...traced.trace.wires.values()].filter(carries)
  const looped = traced.runs
    .filter(run => run.end && carries(run.links[0]!))
    .flatMap(run => loopsBehind(traced, run.links.at(-1)!))
    .flatMap(output => connectTo(traced, output, inputs, `Loop it through ${output.node.device.name} to`).slice(0, 1))
  const split: Proposal[] = feeding.flatMap(first => splitOff(traced, first, inputs, 'Put in'))
  return [...singleInto(traced, of, inputs, span).slice(0, 2), ...free, ...looped.slice(0, 2), ...split.slice(0, 2)]
}

/** One source by itself, from an output that can be pointed at the input to which it comes. */
function singleInto(traced: Traced, of: string | undefined, inputs: readonly Socket[], span: Span): Proposal[] {
  if (of === undefined || traced.chain.nodes.get(of)?.model.role !== 'source') return []
  const outputs = [...traced.chain.nodes.values()].filter(isSwitcher).flatMap(node => freeSockets(traced, node, 'out'))
  return outputs.flatMap(output => {
    const { node, portId, port } = output
    const input = choicesAt(node, portId).find(choice => {
      const run = isFeed(choice) ? undefined : runInto(traced, { device: node.id, port: choice })
      return run?.lit && carriedRun(traced, run)?.origin?.device === of
    })
    if (input === undefined) return []
    const lead = `Point ${node.device.name} output ${port!.number ?? portId} at ${pointedWords(node, input)}, and lead it to`
    return connectTo(traced, output, inputs, 'Connect to', span)
      .slice(0, 1)
      .map(({ title, edits }) => ({
        title: title.replace('Connect to', lead).slice(0, 120),
        edits: [...pointEdits(node, portId, input), ...edits],
      }))
  })
}
