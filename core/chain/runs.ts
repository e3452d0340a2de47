import { carriesPicture, isBeside, isSink } from '#core/catalog'
import type { LinkEnd, Plan, Segment } from '#core/document'
import { pathFrom } from './pass'
import {
  type Beside,
  type Chain,
  type Wire,
  gathers,
  isSwitcher,
  recordedInside,
  socketKey,
  takesAnyEnd,
} from './resolve'
import { type Trace, type WireTrace, upstream } from './trace'

/** One signal's whole way, from the output where it begins to the input where it ends; named by its last link. */
export interface Run {
  readonly id: string
  /** Links in the order of the light. Runs behind a splitter share their first ones. */
  readonly links: readonly WireTrace[]
  /** The output of a source or switcher; absent where the run hangs on nothing. */
  readonly origin: LinkEnd | undefined
  /** The input of a switcher or sink; absent where the run leads nowhere. */
  readonly end: LinkEnd | undefined
  readonly lit: boolean
  /** Carries no picture, but this, from plug to plug. */
  readonly beside: Beside | undefined
  /** The first link with a reason of its own. */
  readonly stopped: WireTrace | undefined
}

/** All runs in the order of their ids. Linear in hops. */
export function runsOf(chain: Chain, traced: Trace): Run[] {
  const runs: Run[] = []
  for (const wire of chain.wires.values()) {
    if (!isLast(chain, wire)) continue
    const links: WireTrace[] = []
    const seen = new Set<string>()
    for (let step: Wire | undefined = wire; step && !seen.has(step.id); step = upstream(chain, step)) {
      seen.add(step.id)
      links.unshift(traced.wires.get(step.id)!)
    }
    const first = links[0]!.wire.from
    const hangs =
      !first ||
      (first.port?.dir !== 'out' && !takesAnyEnd(first) && !takesAnyEnd(links[0]!.wire.to)) ||
      !(
        takesAnyEnd(links[0]!.wire.to) ||
        first.node.model.role === 'source' ||
        isBeside(first.node.model) ||
        gathers(first.node)
      )
    const to = wire.to
    const ends =
      to?.port &&
      (to.port.dir === 'in' || takesAnyEnd(to) || takesAnyEnd(first)) &&
      (gathers(to.node) || isSink(to.node.model) || !carriesPicture(to.port))
    runs.push({
      id: wire.id,
      links,
      origin: hangs ? undefined : { device: first.node.id, port: first.portId },
      end: ends ? { device: to.node.id, port: to.portId } : undefined,
      lit: Boolean(ends) && traced.wires.get(wire.id)!.arrives,
      beside: links.at(-1)!.beside,
      stopped: links.find(link => link.stop),
    })
  }
  return runs
}

/** A link is the last of its run unless a link leaves the device that it enters. */
function isLast(chain: Chain, { to }: Wire): boolean {
  if (!to || to.port?.dir !== 'in' || gathers(to.node) || isSink(to.node.model) || !carriesPicture(to.port)) return true
  return !(pathFrom(to.node, to.portId)?.to ?? []).some(outId => chain.leaving.has(socketKey(to.node.id, outId)))
}

/** A picture that somebody counts on: a run to an input or a sink, a source that goes nowhere, a want that nothing feeds, a feeder that leads nowhere. */
export type Picture =
  | { readonly of: 'run'; readonly run: Run; readonly lit: boolean }
  | { readonly of: 'source'; readonly device: string; readonly lit: false }
  | { readonly of: 'want'; readonly want: string; readonly lit: false }
  /** The program of a switcher that leads nowhere. */
  | { readonly of: 'feeder'; readonly device: string; readonly lit: false }

/** The pictures wanted by the plan, or by one segment of it. */
export function picturesOf(chain: Chain, wants: Plan['wants'], runs: readonly Run[], segment?: Segment): Picture[] {
  const active = (device: string) =>
    !segment?.sources || chain.nodes.get(device)?.model.role !== 'source' || segment.sources.includes(device)
  const pictures: Picture[] = []
  const leaves = new Set([...chain.wires.values()].flatMap(({ from }) => (from ? [from.node.id] : [])))
  const arrivesSomewhere = new Set<string>()
  const fedSinks = new Set<string>()
  for (const run of runs) {
    if (run.beside) continue
    if (run.end) fedSinks.add(run.end.device)
    if (run.end && run.origin) arrivesSomewhere.add(run.origin.device)
    if (run.end && (!run.origin || active(run.origin.device))) pictures.push({ of: 'run', run, lit: run.lit })
  }
  // A computer that something of the plan sits in works for the show without a picture of its own.
  const hosts = new Set([...chain.nodes.values()].flatMap(({ device }) => (device.in === undefined ? [] : [device.in])))
  for (const node of chain.nodes.values()) {
    const idleHost = hosts.has(node.id) && !leaves.has(node.id)
    if (
      node.model.role === 'source' &&
      !isSink(node.model) &&
      !idleHost &&
      active(node.id) &&
      !arrivesSomewhere.has(node.id)
    )
      pictures.push({ of: 'source', device: node.id, lit: false })
  }
  for (const [id, want] of Object.entries(wants)) {
    // What is led into a switcher is no deliverable of it.
    const met = isSwitcher(chain.nodes.get(want.sink)!) ? recordedInside(chain, want) : fedSinks.has(want.sink)
    if (!met) pictures.push({ of: 'want', want: id, lit: false })
  }
  return pictures
}
