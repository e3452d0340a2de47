import type { DeviceNode } from './resolve'
import { isSwitcher } from './resolve'
import type { Traced } from './traced'

/** What the program of a switcher is, also as overlays are still missing from it. */
const isShow = (feed: string | undefined): boolean => feed === undefined || feed === 'program' || feed === 'clean'

/** Switchers of which a cable brings the program, or what it is cabled as, into another switcher. */
export function feeders({ runs, chain, trace }: Traced): ReadonlySet<string> {
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
export function lastSwitchers(traced: Traced): DeviceNode[] {
  const all = [...traced.chain.nodes.values()].filter(isSwitcher)
  const feeding = feeders(traced)
  const last = all.filter(({ id }) => !feeding.has(id))
  return last.length ? last : all
}
