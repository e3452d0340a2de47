import { isSink } from '#core/catalog'
import { type Run, type Traced, deviceName, isSwitcher } from '#core/chain'
import type { Edit } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, after, connectTo, feedOf, freeSockets, rule, splitOff } from '#core/propose'

export const multiviewMisses = rule({
  code: 'O18',
  about: 'The multiview of whoever switches misses sources that may be cut to.',
  messages: {
    misses: {
      severity: 'R',
      says: 'Whoever switches sees the multiview of {tiler}, and not {missing}, which may be cut to: a wrong or black picture there is noticed only when it is on air.',
    },
  },
  find: (traced, say) =>
    misses(traced).map(({ run, tiler, missing }) =>
      say(
        'misses',
        { on: 'device', device: tiler },
        { tiler: text(deviceName(traced, tiler)), missing: text(listed(missing.map(id => deviceName(traced, id)))) },
        run.id,
      ),
    ),
  remedies: (traced, found) => {
    const mine = misses(traced).find(({ tiler }) => found.at.on === 'device' && found.at.device === tiler)
    return mine ? [...tile(traced, mine.tiler, mine.missing), ...otherMultiview(traced, mine.run)] : []
  },
})

const listed = (names: readonly string[]): string =>
  names.length > 4 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ')

/** The sources whose runs end at a device. */
function sourcesInto({ runs, chain }: Traced, device: string): Set<string> {
  const found = new Set<string>()
  for (const { beside, origin, end } of runs) {
    if (beside || !origin || end?.device !== device) continue
    if (chain.nodes.get(origin.device)!.model.role === 'source') found.add(origin.device)
  }
  return found
}

/** Multiviewers on a screen, beside a switcher with sources of its own that they do not tile. */
function misses(traced: Traced): { run: Run; tiler: string; missing: readonly string[] }[] {
  const { runs, chain } = traced
  const views = runs.filter(
    run =>
      !run.beside &&
      run.origin &&
      run.end &&
      isSink(chain.nodes.get(run.end.device)!.model) &&
      feedOf(traced, run) === 'multiview',
  )
  // A switcher's own multiview shows all of its inputs.
  const covered = new Set(views.flatMap(({ origin }) => [...sourcesInto(traced, origin!.device)]))
  const tilers = views.filter(({ origin }) => !isSwitcher(chain.nodes.get(origin!.device)!))
  if (tilers.length === 0) return []
  const switched = new Set(
    [...chain.nodes.values()].filter(isSwitcher).flatMap(({ id }) => [...sourcesInto(traced, id)]),
  )
  const missing = [...switched].filter(id => !covered.has(id)).sort()
  return missing.length ? [{ run: tilers[0]!, tiler: tilers[0]!.origin!.device, missing }] : []
}

/** A splitter on the way of each source that is missing, and a tile for it. */
function tile(traced: Traced, tiler: string, missing: readonly string[]): Proposal[] {
  const edits: Edit[] = []
  let now: Traced | undefined = traced
  for (const source of missing) {
    const inputs = freeSockets(now, now.chain.nodes.get(tiler)!, 'in')
    const run = now.runs.find(({ origin, beside }) => !beside && origin?.device === source)
    const [split] = run && inputs.length ? splitOff(now, run.links[0]!, inputs.slice(0, 1), '') : []
    if (!split) return []
    edits.push(...split.edits)
    now = after(traced, edits)
    if (!now) return []
  }
  const names = listed(missing.map(id => deviceName(traced, id)))
  return [{ title: `Split off a tile for ${names}`.slice(0, 120), edits }]
}

/** The multiview of a switcher that has one, on the same screen. */
function otherMultiview(traced: Traced, run: Run): Proposal[] {
  const end = run.end!
  const node = traced.chain.nodes.get(end.device)!
  const last = run.links.at(-1)!
  const outs = [...traced.chain.nodes.values()]
    .filter(isSwitcher)
    .flatMap(switcher => freeSockets(traced, switcher, 'out').filter(({ port }) => port?.feeds?.includes('multiview')))
  return outs.slice(0, 1).flatMap(out => {
    const draft = new Draft(traced.plan)
    draft.disconnect(last.wire.id)
    draft.set(['devices', out.node.id, 'ports', out.portId, 'feed'], 'multiview')
    const port = node.model.ports[end.port]
    return connectTo(traced, out, [{ node, portId: end.port, port }], 'Show the switcher\u2019s multiview at')
      .slice(0, 1)
      .map(({ title, edits }) => ({ title, edits: [...draft.edits, ...edits] }))
  })
}
