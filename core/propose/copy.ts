import { portsOf } from '#core/catalog'
import { type DeviceNode, type Run, type Socket, type Traced, isSwitcher } from '#core/chain'
import { type LinkEnd, copiedDevice, own } from '#core/document'
import { Draft } from './draft'
import { freeSockets, setFormat } from './offers'
import type { Proposal } from './rule'

/** Sources that go nowhere yet and have the plug that a run begins with: the run could be laid for each of them too. */
export function copyTargets(traced: Traced, runId: string): DeviceNode[] {
  const run = traced.runs.find(({ id }) => id === runId)
  const from = run?.links[0]?.wire.from
  if (!run?.end || !from?.port || from.node.model.role !== 'source') return []
  return [...traced.chain.nodes.values()]
    .filter(
      node =>
        node.model.role === 'source' &&
        node !== from.node &&
        idle(traced, node) &&
        outlet(traced, node, from) !== undefined,
    )
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
}

const idle = ({ chain }: Traced, { id }: DeviceNode): boolean =>
  ![...chain.wires.values()].some(({ from }) => from?.node.id === id)

/** The free output of a source that is like the one the run begins at. */
const outlet = (traced: Traced, node: DeviceNode, like: Socket): Socket | undefined =>
  freeSockets(traced, node, 'out').find(
    ({ port }) => port?.carries === like.port!.carries && port.connector === like.port!.connector,
  )

/**
 * Lays a run once more for each of these sources: the same devices, cables, adapters and measured ways, into the next
 * free inputs of the same kind, of the same switcher first. Undefined where there are not enough inputs, or the run does
 * not lead from a source to a switcher.
 */
export function copyRun(traced: Traced, runId: string, sources: readonly string[]): Proposal | undefined {
  const { plan, chain } = traced
  const run = traced.runs.find(({ id }) => id === runId)
  const [first, last] = [run?.links[0]?.wire, run?.links.at(-1)?.wire]
  const end = last?.to
  if (!run || !first?.from?.port || !end?.port || !isSwitcher(end.node)) return undefined
  const others = [...chain.nodes.values()].filter(node => isSwitcher(node) && node !== end.node)
  const inputs = [end.node, ...others]
    .flatMap(node => freeSockets(traced, node, 'in'))
    .filter(({ port }) => port?.carries === end.port!.carries && port.connector === end.port!.connector)
  const draft = new Draft(plan)
  for (const [i, id] of sources.entries()) {
    const node = chain.nodes.get(id)
    const out = node && outlet(traced, node, first.from)
    const input = inputs[i]
    if (!node || !out || !input) return undefined
    layAgain(traced, draft, run, node, { device: id, port: out.portId }, input)
  }
  return {
    title:
      `Lay the run of ${first.from.node.device.name} for ${sources.length} more source${sources.length > 1 ? 's' : ''}`.slice(
        0,
        120,
      ),
    edits: draft.edits,
  }
}

function layAgain({ chain }: Traced, draft: Draft, run: Run, source: DeviceNode, from: LinkEnd, input: Socket): void {
  const twins = new Map<string, string>()
  const twin = (end: LinkEnd): LinkEnd => {
    const there = twins.get(end.device)
    if (there !== undefined) return { device: there, port: end.port }
    const { device } = chain.nodes.get(end.device)!
    const name = `${device.name.split(',')[0]!}, ${source.device.name}`.slice(0, 120)
    const { device: copy, receivers } = copiedDevice(draft.plan, device, name, one => draft.idFor(one))
    for (const [id, value] of receivers) draft.edits.push({ do: 'add', collection: 'devices', id, value })
    const made = draft.device(copy)
    twins.set(end.device, made)
    return { device: made, port: end.port }
  }
  run.links.forEach(({ wire: { link } }, i) => {
    const { from: begins, to: ends, pinned: _, note: _note, ...rest } = link
    draft.connect({
      ...rest,
      from: i === 0 ? from : twin(begins!),
      to: i === run.links.length - 1 ? { device: input.node.id, port: input.portId } : twin(ends!),
    })
  })
  // The picture should be the same as well, where the other source can make it.
  const format = run.links[0]!.signal?.format
  const port = portsOf(source.model, 'out').find(([id]) => id === from.port)?.[0]
  if (format && port !== undefined && own(source.device.ports, port)?.format === undefined)
    setFormat(draft, source, port, format)
}
