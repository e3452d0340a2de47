import { portsOf, isSink } from '#core/catalog'
import { type Opening, own } from '#core/document'
import { type Chain, type DeviceNode, type Socket, besideOf, isSwitcher, socketKey } from './resolve'
import { type DelayMs, NO_DELAY, addDelay, delayMs } from './signal'
import type { Trace } from './trace'

/** Sounds by the device that makes them, each with what delays it so far beside the picture that it travels with. */
export type Sounds = ReadonlyMap<string, DelayMs>

export interface SoundTrace {
  /** What arrives at each input, `device/port`, opened or not. */
  readonly arriving: ReadonlyMap<string, Sounds>
  /** What each switcher puts beside its program. */
  readonly mixes: ReadonlyMap<string, Sounds>
  /** What is heard at each sink, and on what a switcher records inside. */
  readonly heard: ReadonlyMap<string, Sounds>
}

/** Below this nothing is heard of a sound beside others, dB. */
export const UNHEARD_DB = -40

/** How far an input turns its sound up or down, dB. */
export const gainOf = ({ node, portId }: Pick<Socket, 'node' | 'portId'>): number =>
  own(node.device.ports, portId)?.gainDb ?? 0

/** How an input of a switcher is opened: sound plugs are open unless they are shut, sound beside a picture the other way round. */
export function openingOf({ node, portId, port }: Socket): Opening {
  return own(node.device.ports, portId)?.sound ?? (port?.carries === 'sound' ? 'fixed' : 'shut')
}

/** Something is plugged in that takes the place of what a device itself makes beside the picture at an output. */
export const isReplaced = (chain: Chain, { wires }: Pick<Trace, 'wires'>, node: DeviceNode, portId: string): boolean =>
  node.model.role === 'source' &&
  node.model.paths.some(
    ({ from, to }) =>
      to.includes(portId) &&
      from.some(
        inId =>
          own(node.model.ports, inId)?.carries === 'sound' &&
          chain.entering.get(socketKey(node.id, inId))?.some(({ id }) => wires.get(id)?.arrives),
      ),
  )

/**
 * Follows sound from every device that makes it, through sound leads and beside the pictures that arrive, to the
 * sinks. A switcher mixes what its open inputs bring and puts it beside every output that carries sound. Sets only grow,
 * so rings come to rest; linear in links times sounds.
 */
export function traceSound(chain: Chain, { wires }: Trace): SoundTrace {
  const arriving = new Map<string, Map<string, DelayMs>>()
  const mixes = new Map<string, Map<string, DelayMs>>()
  const heard = new Map<string, Map<string, DelayMs>>()
  const queue: [DeviceNode, string, string, DelayMs][] = []

  for (const node of chain.nodes.values()) {
    const { role } = node.model
    if (role !== 'source' && role !== 'sound') continue
    for (const [portId, port] of portsOf(node.model, 'out'))
      if (port.sound && !isReplaced(chain, { wires }, node, portId)) queue.push([node, portId, node.id, NO_DELAY])
  }
  for (let next = queue.pop(); next; next = queue.pop()) {
    const [node, portId, origin, delay] = next
    for (const wire of chain.leaving.get(socketKey(node.id, portId)) ?? []) {
      if (!wires.get(wire.id)?.arrives || !wire.to) continue
      enter(wire.to, origin, delay, besideOf(wire) === 'sound')
    }
  }
  return { arriving, mixes, heard }

  function enter(to: Socket, origin: string, delay: DelayMs, plug: boolean): void {
    const { node, portId, port } = to
    if (!note(arriving, socketKey(node.id, portId), origin, delay)) return
    if (isSwitcher(node)) {
      if (!port?.sound || openingOf(to) === 'shut' || gainOf(to) < UNHEARD_DB) return
      const held = own(node.device.ports, portId)?.soundDelayMs ?? 0
      const mixed = addDelay(delay, { min: held, typ: held, max: held })
      if (!note(mixes, node.id, origin, mixed)) return
      if (node.model.records) note(heard, node.id, origin, mixed)
      for (const [outId, out] of portsOf(node.model, 'out'))
        if (out.sound && own(node.device.ports, outId)?.minus !== portId) queue.push([node, outId, origin, mixed])
      return
    }
    if (isSink(node.model) && port?.sound) note(heard, node.id, origin, delay)
    for (const path of node.model.paths) {
      if (path.format === 'tiles' || path.sound === 'drops' || !path.from.includes(portId)) continue
      const added = plug ? delayMs(path.delay, { raster: '1920x1080', scan: 'p', rate: '25/1' }) : NO_DELAY
      for (const outId of path.to) queue.push([node, outId, origin, addDelay(delay, added)])
    }
  }
}

/** Files a sound; false where it is known already: a ring, or a second way, brings nothing new. */
function note(map: Map<string, Map<string, DelayMs>>, key: string, origin: string, delay: DelayMs): boolean {
  const there = map.get(key)
  if (there?.has(origin)) return false
  if (there) there.set(origin, delay)
  else map.set(key, new Map([[origin, delay]]))
  return true
}
