import { own } from '#core/document'
import type { Range } from '#core/signal'
import type { WireTrace } from './trace'

/** What an input takes the values for; undefined where it goes by what is signalled. */
export const rangeRead = ({ wire: { to } }: WireTrace): Range | undefined =>
  to?.port?.ranges && (own(to.node.device.ports, to.portId)?.range ?? to.port.ranges[0])

/** A picture that arrives in one range and is read as the other. */
export const isMisread = (at: WireTrace): boolean =>
  at.arrives && at.signal !== undefined && rangeRead(at) !== undefined && rangeRead(at) !== at.signal.range
