import { own } from '#core/document'
import type { Range } from '#core/signal'
import type { DeviceNode } from './resolve'
import type { WireTrace } from './trace'

/** What an input takes the values for; undefined where it goes by what is signalled. */
export const rangeRead = ({ wire: { to } }: WireTrace): Range | undefined =>
  to?.port?.ranges && (own(to.node.device.ports, to.portId)?.range ?? to.port.ranges[0])

/** A picture that arrives in one range and is read as the other. */
export const isMisread = (at: WireTrace): boolean =>
  at.arrives && at.signal !== undefined && rangeRead(at) !== undefined && rangeRead(at) !== at.signal.range

/** By what a switcher tells brightness: in SD, whose rasters are 720 pixels wide, by BT.601; undefined, by BT.709. */
export const weightsOf = ({ standard }: Pick<DeviceNode, 'standard'>): 601 | undefined =>
  standard?.raster.startsWith('720x') ? 601 : undefined
