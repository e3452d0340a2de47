import { isFeed, portsOf } from '#core/catalog'
import { type LinkEnd, type Pointed, own } from '#core/document'
import type { Finding } from '#core/kernel'
import { runInto } from './ends'
import { pointedAt } from './pass'
import { type DeviceNode, type Socket, gathers, socketKey } from './resolve'
import type { Run } from './runs'
import type { Stop } from './stop'
import type { WireTrace } from './trace'
import type { Traced } from './traced'

type StoppedBy<W extends Stop['why']> = WireTrace & { readonly stop: Extract<Stop, { why: W }> }

/** The links that stop for one of these reasons. */
export function stoppedBy<W extends Stop['why']>({ trace }: Traced, ...why: W[]): StoppedBy<W>[] {
  return [...trace.wires.values()].filter(
    (traced): traced is StoppedBy<W> => traced.stop !== undefined && (why as string[]).includes(traced.stop.why),
  )
}

/** The run that shows a link: the first in the order of ids that contains it. */
export function runWith({ runs }: Traced, link: string): Run | undefined {
  let index = RUNS_BY_LINK.get(runs)
  if (!index) {
    index = new Map()
    for (const run of runs) for (const { wire } of run.links) if (!index.has(wire.id)) index.set(wire.id, run)
    RUNS_BY_LINK.set(runs, index)
  }
  return index.get(link)
}

/** Worked out once for all rules that ask about the same runs. */
const RUNS_BY_LINK = new WeakMap<readonly Run[], Map<string, Run>>()

/** The link at which a finding stands. */
export function wireAt({ trace }: Traced, { at }: Finding): WireTrace | undefined {
  return at.on === 'link' ? trace.wires.get(at.link) : undefined
}

/** "Main input 3" for a switcher's input, "Main output 1", else device and port: "Projector HDMI in". */
export function socketName({ node, portId, port }: Socket): string {
  if (gathers(node) && port?.number !== undefined)
    return `${node.device.name} ${port.dir === 'in' ? 'input' : 'output'} ${port.number}`
  return `${node.device.name} ${port?.title ?? portId}`
}

/** What an output is pointed at, in words: "program", "input 3". */
export function pointedWords({ model }: Pick<DeviceNode, 'model'>, pointed: Pointed): string {
  if (isFeed(pointed)) return pointed
  const port = own(model.ports, pointed)
  return port?.number === undefined ? (port?.title ?? pointed) : `input ${port.number}`
}

/** What an output is pointed at: a feed, or an input with what comes in there. */
export function pointedName(traced: Traced, node: DeviceNode, pointed: Pointed): string {
  const run = isFeed(pointed) ? undefined : runInto(traced, { device: node.id, port: pointed })
  const from = run?.origin && deviceName(traced, run.origin.device)
  return `${pointedWords(node, pointed)}${from ? `, ${from}` : ''}`
}

/** The computer of a capture: the one that houses it, or to which its USB lead goes; a capture by itself is its own. */
export function hostOf({ chain, plan }: Traced, { id, device, model }: DeviceNode): string {
  if (device.in !== undefined && plan.devices[device.in]) return device.in
  const leads = portsOf(model, 'out').filter(([, { carries }]) => carries === 'usb')
  return leads.map(([port]) => chain.leaving.get(socketKey(id, port))?.[0]?.to?.node.id).find(Boolean) ?? id
}

/** The run that a run carries in truth: of an output that is pointed at one input, what comes in there. */
export function carriedRun(traced: Traced, run: Run): Run | undefined {
  let carried: Run | undefined = run
  const passed = new Set<string>()
  while (carried?.origin && carried.links[0]?.signal?.feed === 'input') {
    const { device, port } = carried.origin
    const pointed = pointedAt(traced.chain.nodes.get(device)!, port)
    if (passed.has(device) || pointed === undefined) return undefined
    passed.add(device)
    carried = runInto(traced, { device, port: pointed })
  }
  return carried
}

export function endName({ chain }: Traced, end: LinkEnd): string {
  const node = chain.nodes.get(end.device)!
  return socketName({ node, portId: end.port, port: own(node.model.ports, end.port) })
}

export function deviceName({ chain }: Traced, id: string): string {
  return chain.nodes.get(id)!.device.name
}

/** A run that begins at a device, ends there, or goes through it: where the board shows it. */
export const runAt = ({ runs }: Traced, device: string): string | undefined =>
  (
    runs.find(({ origin, end }) => origin?.device === device || end?.device === device) ??
    runs.find(({ links }) => links.some(({ wire }) => wire.to?.node.id === device))
  )?.id
