import { isSink } from '#core/catalog'
import { type Chain, type DeviceNode, isSwitcher, socketKey } from './resolve'
import type { Run } from './runs'
import type { Trace } from './trace'

/** What is asked here of a traced plan. */
interface Lit {
  readonly chain: Chain
  readonly trace: Trace
  readonly runs: readonly Run[]
}

/** What the program of a switcher is, also as overlays are still missing from it. */
const isShow = (feed: string | undefined): boolean => feed === undefined || feed === 'program' || feed === 'clean'

/** Switchers of which a cable brings the program, or what it is cabled as, into another switcher. */
export function feeders({ runs, chain, trace }: Lit): ReadonlySet<string> {
  const found = new Set<string>()
  for (const { beside, origin, end, links } of runs) {
    const [from, to] = [origin && chain.nodes.get(origin.device), end && chain.nodes.get(end.device)]
    if (beside || !from || !to || from === to || !isSwitcher(from) || !isSwitcher(to)) continue
    const first = links[0]!
    const port = first.wire.from?.port
    const feed =
      trace.wires.get(first.wire.id)?.signal?.feed ?? from.device.ports?.[origin!.port]?.feed ?? port?.feeds?.[0]
    if (isShow(feed)) found.add(from.id)
  }
  return found
}

/** The switchers whose program is the show's: those that feed no other. Where all feed each other, all of them. */
export function lastSwitchers(traced: Lit): DeviceNode[] {
  const all = [...traced.chain.nodes.values()].filter(isSwitcher)
  const feeding = feeders(traced)
  const last = all.filter(({ id }) => !feeding.has(id))
  return last.length ? last : all
}

/** Runs from switcher to switcher that carry neither program, clean nor one input: what the first cuts to air never gets on. */
export const astray = ({ chain, trace, runs }: Lit): Run[] =>
  runs.filter(({ links, end, beside }) => {
    const [first] = links
    const from = first?.wire.from
    const to = end && chain.nodes.get(end.device)
    return (
      !beside &&
      from !== undefined &&
      to !== undefined &&
      isSwitcher(from.node) &&
      isSwitcher(to) &&
      first!.stop === undefined &&
      trace.wires.get(first!.wire.id)?.signal !== undefined &&
      !isShow(trace.wires.get(first!.wire.id)!.signal!.feed) &&
      trace.wires.get(first!.wire.id)!.signal!.feed !== 'input'
    )
  })

/** Switchers with pictures whose outputs lead nowhere, while the show is seen from another one. */
export function stranded({ chain, trace, runs }: Lit): DeviceNode[] {
  const leads = ({ id, model }: DeviceNode) =>
    Object.keys(model.ports).some(port => chain.leaving.has(socketKey(id, port)))
  const seen = runs.some(
    ({ origin, end }) =>
      origin && end && isSwitcher(chain.nodes.get(origin.device)!) && isSink(chain.nodes.get(end.device)!.model),
  )
  const all = [...chain.nodes.values()].filter(isSwitcher)
  return seen ? all.filter(node => !leads(node) && (trace.switchers.get(node.id)?.lit ?? 0) > 0) : []
}
