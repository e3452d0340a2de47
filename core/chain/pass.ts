import type { Path, Port } from '#core/catalog'
import { setsContain, type Coding } from '#core/signal'
import { own } from '#core/plan'
import { outputFormat, type Node } from './resolve'
import { addDelay, delayMs, type Signal } from './signal'

const USUAL_CODING: Coding = { sampling: '4:2:2', depth: 10 }

/** A source's picture at one of its outputs; undefined where the model makes none there. */
export function madeBy(node: Node, portId: string, port: Port): Signal | undefined {
  const format = outputFormat(node, portId)
  if (!format) return undefined
  const end = { device: node.id, port: portId }
  return { format, coding: port.coding ?? USUAL_CODING, origin: end, setBy: end, delay: delayMs(node.model.delay, format) }
}

/** A stage's picture at one of its outputs. */
export function mixedBy(node: Node, path: Path, portId: string): Signal | undefined {
  const port = own(node.model.ports, portId)
  if (!port || !node.standard) return undefined
  const end = { device: node.id, port: portId }
  const feed = own(node.device.ports, portId)?.feed ?? port.feeds?.[0]
  return { format: node.standard, coding: port.coding ?? USUAL_CODING, origin: end, setBy: end, ...(feed ? { feed } : {}), delay: delayMs(path.delay, node.standard) }
}

/** The picture of all inputs of a multiviewer. */
export function tiledBy(node: Node, path: Path, portId: string): Signal | undefined {
  const port = own(node.model.ports, portId)
  const format = outputFormat(node, portId)
  if (!port || !format) return undefined
  const end = { device: node.id, port: portId }
  return { format, coding: port.coding ?? USUAL_CODING, origin: end, setBy: end, feed: 'multiview', delay: delayMs(path.delay, format) }
}

/** The path that an input takes through a device that is no stage. */
export function pathFrom(node: Node, portId: string): Path | undefined {
  return node.model.paths.find(path => path.format !== 'standard' && path.format !== 'tiles' && path.from.includes(portId))
}

/** True when the path lets the format through. */
export function letsThrough(path: Path, signal: Pick<Signal, 'format'>): boolean {
  return !path.passes || setsContain(path.passes, signal.format)
}

/** The picture as it leaves one output of a path. */
export function passed(node: Node, path: Path, signal: Signal, inId: string, outId: string): Signal {
  const input = own(node.model.ports, inId)
  const output = own(node.model.ports, outId)
  const converts = input?.carries !== output?.carries
  const coding = path.format === 'same' && !converts ? signal.coding : output?.coding ?? signal.coding
  if (path.format === 'port') {
    const format = outputFormat(node, outId) ?? signal.format
    return { ...signal, format, coding, setBy: { device: node.id, port: outId }, delay: addDelay(signal.delay, delayMs(path.delay, format)) }
  }
  // HDMI has no label for segmented frames: a converter sends them as the interlaced format that they are on the wire.
  const format = converts && output?.carries !== 'sdi' && signal.format.scan === 'psf' ? { ...signal.format, scan: 'i' as const } : signal.format
  return { ...signal, format, coding, delay: addDelay(signal.delay, delayMs(path.delay, format)) }
}
