import { type Carried, type Path, type Port, isFeed, type Feed } from '#core/catalog'
import { type PortSetting, type Pointed, own, type Edit, setEdit } from '#core/document'
import { type Coding, raster, setsContain } from '#core/signal'
import { type DeviceNode, outputFormat } from './resolve'
import { type Signal, addDelay, delayMs } from './signal'

const USUAL_CODING: Coding = { sampling: '4:2:2', depth: 10 }

type Traits = Pick<Signal, 'range' | 'transfer' | 'aspect' | 'fills' | 'level' | 'division' | 'protected' | 'readouts'>

/** What an output gives its picture, by its settings and else by its model. */
function traits(port: Port, setting: PortSetting | undefined, height: number): Traits {
  return {
    range: setting?.range ?? port.ranges?.[0] ?? 'narrow',
    transfer: setting?.transfer ?? port.transfers?.[0] ?? 'sdr',
    aspect: setting?.aspect ?? port.aspects?.[0] ?? (height < 720 ? '4:3' : '16:9'),
    fills: 1,
    level: setting?.level ?? port.levels?.[0] ?? 'A',
    division: setting?.division ?? port.divisions?.[0] ?? 'interleave',
    protected: port.protection === 'always' || (port.protection === 'switchable' && !setting?.unprotected),
    readouts: port.readouts === 'always' || (port.readouts === 'switchable' && !setting?.clean),
  }
}

/** A source's picture at one of its outputs; undefined where the model makes none there. */
export function madeBy(node: DeviceNode, portId: string, port: Port): Signal | undefined {
  const format = outputFormat(node, portId)
  if (!format) return undefined
  const end = { device: node.id, port: portId }
  return {
    format,
    coding: port.coding ?? USUAL_CODING,
    origin: end,
    setBy: end,
    delay: delayMs(node.model.delay, format),
    ...traits(port, own(node.device.ports, portId), raster(format.raster).height),
  }
}

/** What a mix or a tiled picture is, whatever entered it. */
const MIXED = { range: 'narrow', transfer: 'sdr', aspect: '16:9', fills: 1, protected: false, readouts: false } as const

/** How an output lays its picture on the cable. */
const cabled = (port: Port | undefined, setting: PortSetting | undefined): Pick<Signal, 'level' | 'division'> => ({
  level: setting?.level ?? port?.levels?.[0] ?? 'A',
  division: setting?.division ?? port?.divisions?.[0] ?? 'interleave',
})

/** A switcher's picture at one of its outputs. */
export function mixedBy(node: DeviceNode, path: Path, portId: string): Signal | undefined {
  const port = own(node.model.ports, portId)
  if (!port || !node.standard) return undefined
  const end = { device: node.id, port: portId }
  const feed = carriedBy(node, portId)
  return {
    format: node.standard,
    coding: port.coding ?? USUAL_CODING,
    origin: end,
    setBy: end,
    ...(feed ? { feed } : {}),
    delay: delayMs(path.delay, node.standard),
    ...MIXED,
    ...cabled(port, own(node.device.ports, portId)),
  }
}

/** The picture of all inputs of a multiviewer. */
export function tiledBy(node: DeviceNode, path: Path, portId: string): Signal | undefined {
  const port = own(node.model.ports, portId)
  const format = outputFormat(node, portId)
  if (!port || !format) return undefined
  const end = { device: node.id, port: portId }
  return {
    format,
    coding: port.coding ?? USUAL_CODING,
    origin: end,
    setBy: end,
    feed: 'multiview',
    delay: delayMs(path.delay, format),
    ...MIXED,
    ...cabled(port, own(node.device.ports, portId)),
  }
}

/** The path that an input takes through a device that is no switcher. */
export function pathFrom(node: DeviceNode, portId: string): Path | undefined {
  const path = node.model.paths.find(
    candidate => candidate.format !== 'standard' && candidate.format !== 'tiles' && candidate.from.includes(portId),
  )
  return path?.format === 'chosen'
    ? { ...path, to: path.to.filter(outId => inputsBefore(node, path, outId)[0] === portId) }
    : path
}

/** What an output of a switcher is pointed at, by its setting and else by its model; undefined for other outputs. */
export const carriedBy = (
  { device, model }: Pick<DeviceNode, 'device' | 'model'>,
  portId: string,
): Carried | undefined => own(device.ports, portId)?.feed ?? own(model.ports, portId)?.feeds?.[0]

/** The same as a moment has it: a feed, or the input that it shows. */
export function pointedAt(node: Pick<DeviceNode, 'device' | 'model'>, portId: string): Pointed | undefined {
  const carried = carriedBy(node, portId)
  const path = node.model.paths.find(({ to }) => to.includes(portId))
  return carried === 'input' && path ? inputsBefore(node, path, portId)[0] : carried
}

/** All that an output of a switcher can be pointed at: feeds, and inputs where it can carry one. */
export function choicesAt({ model }: Pick<DeviceNode, 'model'>, portId: string): Pointed[] {
  const feeds = own(model.ports, portId)?.feeds ?? []
  const inputs = model.paths.find(({ format, to }) => format === 'standard' && to.includes(portId))?.from ?? []
  return [...feeds.filter(isFeed), ...(feeds.includes('input') ? inputs : [])]
}

/** Sets what an output of a switcher is pointed at. */
export function pointEdits(
  { id, device }: Pick<DeviceNode, 'id' | 'device'>,
  portId: string,
  pointed: Pointed,
): Edit[] {
  const at = ['devices', id, 'ports', portId] as const
  const input = isFeed(pointed) ? undefined : pointed
  return [
    setEdit([...at, 'feed'], input === undefined ? (pointed as Feed) : 'input'),
    ...(input === undefined && own(device.ports, portId)?.of === undefined ? [] : [setEdit([...at, 'of'], input)]),
  ]
}

/** The inputs that an output of a path can show as it is set. */
export function inputsBefore(node: Pick<DeviceNode, 'device' | 'model'>, path: Path, outId: string): readonly string[] {
  const { device, model } = node
  if (path.format !== 'chosen' && !(path.format === 'standard' && carriedBy(node, outId) === 'input')) return path.from
  const chosen =
    own(device.ports, outId)?.of ??
    path.from.find(id => model.ports[id]?.number === model.ports[outId]?.number) ??
    path.from[0]!
  return [chosen]
}

/** True when the path lets the format through. */
export function letsThrough(path: Path, signal: Pick<Signal, 'format'>): boolean {
  return !path.passes || setsContain(path.passes, signal.format)
}

/** The picture as it leaves one output of a path; `used` is the share of its reach that the cable before took. */
export function passed(
  node: DeviceNode,
  path: Path,
  { spent: _, ...signal }: Signal,
  inId: string,
  outId: string,
  used?: number,
): Signal {
  const input = own(node.model.ports, inId)
  const output = own(node.model.ports, outId)
  const converts = input?.carries !== output?.carries
  const coding = path.format === 'same' && !converts ? signal.coding : (output?.coding ?? signal.coding)
  const setting = own(node.device.ports, outId)
  const shown = {
    ...(path.passive && used !== undefined ? { spent: used } : {}),
    ...(path.maps ? { transfer: path.maps } : {}),
    fills: signal.fills * (path.fills ?? 1),
    ...(setting?.fit && setting.fit !== 'zoom' ? { aspect: '16:9' as const } : {}),
    ...(setting?.fit === 'zoom' ? { fills: 1 } : {}),
    // What only hands a picture on leaves it on the cable as it came.
    ...(path.format === 'same' && !converts && !output?.levels && !output?.divisions ? {} : cabled(output, setting)),
  }
  if (path.format === 'port') {
    const format = outputFormat(node, outId) ?? signal.format
    return {
      ...signal,
      ...shown,
      format,
      coding,
      setBy: { device: node.id, port: outId },
      delay: addDelay(signal.delay, delayMs(path.delay, format)),
    }
  }
  // HDMI has no label for segmented frames: a converter sends them as the interlaced format that they are on the wire.
  const format =
    converts && output?.carries !== 'sdi' && signal.format.scan === 'psf'
      ? { ...signal.format, scan: 'i' as const }
      : signal.format
  return { ...signal, ...shown, format, coding, delay: addDelay(signal.delay, delayMs(path.delay, format)) }
}
