import type { CableModel } from '#core/cable'
import { MODELS, isCamera, portsOf } from '#core/catalog'
import {
  type DelayMs,
  type DeviceNode,
  type Socket,
  type Traced,
  type WireTrace,
  addDelay,
  delayMs,
  isSwitcher,
  recordedInside,
  openingOf,
  socketKey,
} from '#core/chain'
import type { Want } from '#core/document'
import { Draft } from './draft'
import { feedOf, runFor, runsTo } from './feeding'
import { freeSockets } from './offers'
import type { Proposal } from './rule'
import { adaptersFor, allLeads } from './ways'

// What is heard: wants with sound, the switchers that mix it, and the leads that could bring it.

/** The switcher whose program each want with sound sees, by the switcher; wants fed by a source alone stand under undefined. */
export function heardFrom(traced: Traced): Map<DeviceNode | undefined, [string, Want][]> {
  const bySwitcher = new Map<DeviceNode | undefined, [string, Want][]>()
  for (const [id, want] of Object.entries(traced.plan.wants)) {
    if (!want.sound) continue
    if (recordedInside(traced.chain, want)) {
      const inside = traced.chain.nodes.get(want.sink)!
      bySwitcher.set(inside, [...(bySwitcher.get(inside) ?? []), [id, want]])
      continue
    }
    const run = runFor(traced, want)
    // A sink that is dark is told as that.
    if (!run?.lit || !run.origin) continue
    const node = traced.chain.nodes.get(run.origin.device)!
    const switcher = isSwitcher(node) && feedOf(traced, run) !== undefined ? node : undefined
    bySwitcher.set(switcher, [...(bySwitcher.get(switcher) ?? []), [id, want]])
  }
  return bySwitcher
}

/** The first lead on sale that joins two plugs for sound, with adapters where it needs them. */
export function soundLead(
  traced: Traced,
  out: Socket,
  input: Socket,
): { readonly lead: string; readonly cable: CableModel } | undefined {
  if (!out.port || !input.port) return undefined
  for (const [lead, cable] of allLeads(traced.plan)) {
    if (
      cable.kind === 'cable' &&
      cable.carries === 'sound' &&
      adaptersFor(allLeads(traced.plan), out.port, cable, input.port)
    )
      return { lead, cable }
  }
  return undefined
}

/** Plugs for sound that nothing uses, of the devices that make it. */
function idleSounds(traced: Traced): Socket[] {
  return [...traced.chain.nodes.values()]
    .filter(({ model }) => model.role === 'sound')
    .flatMap(node => freeSockets(traced, node, 'out').filter(({ port }) => port?.sound))
}

/** Opens an input where sound arrives, or brings sound to one. */
export function bringSound(traced: Traced, switcher: DeviceNode): Proposal[] {
  const { plan, sound } = traced
  const brings = portsOf(switcher.model, 'in')
    .filter(([portId, port]) => port.sound && sound.arriving.has(`${switcher.id}/${portId}`))
    .sort(([, a], [, b]) => Number(b.carries === 'sound') - Number(a.carries === 'sound'))
  const wired = brings.filter(([, { carries }]) => carries === 'sound')
  const all = new Draft(plan)
  for (const [portId] of wired) all.set(['devices', switcher.id, 'ports', portId, 'sound'], 'fixed')
  const every: Proposal[] =
    wired.length > 1
      ? [{ title: `Open all ${wired.length} sound inputs of ${switcher.device.name}`, edits: all.edits }]
      : []
  const shut = brings.map(([portId, port]): Proposal => {
    const draft = new Draft(plan)
    draft.set(['devices', switcher.id, 'ports', portId, 'sound'], 'fixed')
    return {
      title: `Open the sound of ${switcher.device.name} ${port.carries === 'sound' ? port.title : `input ${port.number ?? portId}`}`,
      edits: draft.edits,
    }
  })
  const plugs = freeSockets(traced, switcher, 'in').filter(({ port }) => port?.carries === 'sound')
  const lay = (draft: Draft, from: Socket, to: Socket, device = from.node.id): boolean => {
    const found = soundLead(traced, from, to)
    if (!found) return false
    draft.connect({
      from: { device, port: from.portId },
      to: { device: switcher.id, port: to.portId },
      cable: draft.lead(found.lead),
    })
    if (switcher.device.ports?.[to.portId]?.sound === 'shut')
      draft.set(['devices', switcher.id, 'ports', to.portId, 'sound'])
    return true
  }
  const idle = idleSounds(traced).flatMap(from =>
    plugs
      .flatMap(to => {
        const draft = new Draft(plan)
        return lay(draft, from, to)
          ? [
              {
                title: `Connect ${from.node.device.name} to ${switcher.device.name} ${to.port!.title}`,
                edits: draft.edits,
              },
            ]
          : []
      })
      .slice(0, 1),
  )
  const fresh = [...MODELS]
    .filter(([, row]) => row.kind === 'microphone')
    .flatMap(([id, row]) =>
      plugs
        .slice(0, 2)
        .flatMap(to => {
          const [portId, port] = portsOf(row, 'out')[0]!
          const draft = new Draft(plan)
          const name = row.title.split(',')[0]!
          const device = draft.device({ model: draft.model(id), name, order: draft.lastOrder })
          const from: Socket = {
            node: { id: device, device: { model: id, name, order: 0 }, model: row, standard: undefined },
            portId,
            port,
          }
          return lay(draft, from, to)
            ? [{ title: `Add ${name} at ${switcher.device.name} ${to.port!.title}`, edits: draft.edits }]
            : []
        })
        .slice(0, 1),
    )
  return [...every, ...shut, ...idle, ...fresh]
}

/** A camera's picture at a switcher's outputs. */
export interface CameraPicture {
  readonly camera: DeviceNode
  /** From the lens to the switcher's outputs, typically, through feeders too. */
  readonly ms: number
  /** The same from the fastest to the slowest that everything on its way may be, ms. */
  readonly range: DelayMs
  /** The input by which it comes. */
  readonly input: string
  /** The camera's own sound comes with it and stays open whatever is on air, with what holds it back there, ms. */
  readonly open?: { readonly heldMs: number }
}

const throughMs = ({ model, standard }: DeviceNode): DelayMs =>
  delayMs(model.paths.find(({ format }) => format === 'standard')!.delay, standard!)
const toldOf = (range: DelayMs): Pick<CameraPicture, 'ms' | 'range'> => ({ ms: range.typ, range })

/** Every camera's picture at a switcher's outputs, once for each way that it comes. */
export function cameraPictures(
  traced: Traced,
  switcher: DeviceNode,
  path: ReadonlySet<string> = new Set(),
): CameraPicture[] {
  const { chain, runs, sound } = traced
  return runs
    .filter(run => run.lit && !run.beside && run.end?.device === switcher.id)
    .flatMap((run): CameraPicture[] => {
      const input = run.end!.port
      const port = switcher.model.ports[input]!
      const signal = run.links.at(-1)!.signal!
      const origin = chain.nodes.get(run.origin!.device)!
      const heldMs = switcher.device.ports?.[input]?.soundDelayMs ?? 0
      const fixed = port.sound !== undefined && openingOf({ node: switcher, portId: input, port }) === 'fixed'
      const comes = (camera: DeviceNode) =>
        [camera.id, ...ridersOf(traced, camera)].some(id => sound.arriving.get(socketKey(switcher.id, input))?.has(id))
      const mine = addDelay(delayMs(port.delay, switcher.standard!), throughMs(switcher))
      if (isSwitcher(origin)) {
        if (path.has(origin.id)) return []
        const { min, typ, max } = throughMs(origin)
        const counted = { min: -min, typ: -typ, max: -max }
        return cameraPictures(traced, origin, new Set([...path, switcher.id])).map(({ camera, range, open }) => ({
          camera,
          ...toldOf([range, counted, signal.delay, mine].reduce(addDelay)),
          input,
          ...(open && fixed && comes(camera) ? { open: { heldMs: open.heldMs + heldMs } } : {}),
        }))
      }
      return isCamera(origin.model) && !origin.device.noLips
        ? [
            {
              camera: origin,
              ...toldOf(addDelay(signal.delay, mine)),
              input,
              ...(fixed && comes(origin) ? { open: { heldMs } } : {}),
            },
          ]
        : []
    })
}

/** Sounds that are plugged into a camera and travel with its picture from there on. */
function ridersOf({ sound }: Traced, { id, model }: DeviceNode): string[] {
  if (model.role !== 'source' || model.paths.length === 0) return []
  const sockets = model.paths.flatMap(({ from }) => from).filter(port => model.ports[port]?.carries === 'sound')
  return sockets.flatMap(port => [...(sound.arriving.get(socketKey(id, port))?.keys() ?? [])])
}

/** A sound that enters a switcher by a plug of its own, or that of a feeder, and travels with no camera's picture. */
export const isPlugged = (traced: Traced, origin: string): boolean =>
  traced.chain.nodes.get(origin)!.model.role === 'sound' &&
  ![...traced.chain.nodes.values()].some(node => ridersOf(traced, node).includes(origin))

/** Sounds that enter a switcher by plugs of their own, with what holds them back. */
export const pluggedSounds = (traced: Traced, switcher: DeviceNode): DelayMs[] =>
  [...(traced.sound.mixes.get(switcher.id) ?? [])]
    .filter(([origin]) => isPlugged(traced, origin))
    .map(([, delay]) => delay)

/** Puts a microphone beside the picture right before a sink, by an embedder. */
export function embed(traced: Traced, sink: string): Proposal[] {
  const { plan } = traced
  const last = runsTo(traced, sink)
    .find(({ lit }) => lit)
    ?.links.at(-1)
  const out = last?.wire.to
  if (!last || out?.port?.carries !== 'hdmi' || !out.port.sound) return []
  const draft = new Draft(plan)
  const order = draft.lastOrder
  const box = draft.device({
    model: draft.model('embedder-hdmi'),
    name: `Sound embedder, ${out.node.device.name}`.slice(0, 120),
    order: 0,
  })
  const mic = draft.device({ model: draft.model('microphone-radio'), name: 'Radio microphone', order })
  draft.move(last.wire.id, 'to', { device: box, port: 'in' }, last.wire.link.adapters?.to)
  draft.connect({
    from: { device: box, port: 'out' },
    to: last.wire.link.to!,
    cable: draft.lead('hdmi-passive'),
    pieces: [1],
  })
  draft.connect({
    from: { device: mic, port: 'out' },
    to: { device: box, port: 'sound' },
    cable: draft.lead('mini-jack-lead'),
    pieces: [1.5],
  })
  return [
    {
      title: `Put in a sound embedder with a radio microphone before ${out.node.device.name}`.slice(0, 120),
      edits: draft.edits,
    },
  ]
}

/** Joins two plugs for sound with a lead that fits, else through a transformer box of the catalogue; the distance stays. */
export function joinSound(traced: Traced, { wire }: WireTrace): Proposal[] {
  const { plan } = traced
  const { from, to, link } = wire
  if (!from?.port || !to?.port || !link.from || !link.to) return []
  const rest = {
    ...(link.routeM === undefined ? {} : { routeM: link.routeM }),
    ...(link.pinned ? { pinned: true as const } : {}),
  }
  const found = soundLead(traced, from, to)
  const offers: Proposal[] = []
  if (found) {
    const draft = new Draft(plan)
    draft.disconnect(wire.id)
    draft.connect({ ...rest, from: link.from, to: link.to, cable: draft.lead(found.lead) }, wire.id)
    offers.push({ title: `Take ${found.cable.title}`, edits: draft.edits })
  }
  for (const [id, row] of MODELS) {
    if (row.role !== 'sound' || row.kind !== 'converter' || row.amplifies) continue
    const [[inId, input], [outId, out]] = [portsOf(row, 'in')[0]!, portsOf(row, 'out')[0]!]
    const device = { model: id, name: row.title.split(',')[0]!, order: 0 }
    const node: DeviceNode = { id, device, model: row, standard: undefined }
    const near = soundLead(traced, from, { node, portId: inId, port: input })
    const far = soundLead(traced, { node, portId: outId, port: out }, to)
    if (!near || !far) continue
    const draft = new Draft(plan)
    const box = draft.device({
      model: draft.model(id),
      name: `${device.name}, ${to.node.device.name}`.slice(0, 120),
      order: draft.lastOrder,
    })
    draft.disconnect(wire.id)
    draft.connect({ ...rest, from: link.from, to: { device: box, port: inId }, cable: draft.lead(near.lead) })
    draft.connect(
      { from: { device: box, port: outId }, to: link.to, cable: draft.lead(far.lead), pieces: [far.cable.stock[0]!.m] },
      wire.id,
    )
    offers.push({ title: `Put in ${row.title}`.slice(0, 120), edits: draft.edits })
  }
  return offers
}
