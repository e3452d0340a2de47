import { text } from '../finding'
import { formatsTaken, freeSockets, moveInput, offerWays, setSender, waysReaching } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'
import { lessUsb, overUsb } from '../usb'
import { formatLabel } from '#core/signal'

export const F05: Rule = {
  id: 'F05',
  about: 'A port or what it carries cannot take the format.',
  says: {
    port: '{sends} needs {needs}, and {socket} goes up to {limit}: no picture passes there.',
    carriage: '{sends} leaves {socket}, but {limit}: no picture passes there.',
    usb: '{captures} ask {needs} of the USB of {host}, and {class} brings about {limit}: frames are lost or no picture comes.',
  },
  find: traced => [...overUsb(traced), ...stoppedBy(traced, 'class').map(({ wire, signal, stop }) => finding(
    'F05', 'D', { on: 'link', link: wire.id, part: stop.end === 'to' ? 'to' : 'from' }, stop.end === 'link' ? 'carriage' : 'port',
    { sends: text(formatLabel(signal!.format)), needs: text(stop.needs), limit: text(stop.limit), socket: text(socketName(stop.end === 'to' ? wire.to! : wire.from!)) },
    runWith(traced, wire.id)?.id,
  ))],
  remedies: (traced, found) => {
    if (found.says === 'usb') return lessUsb(traced, found)
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    return [
      ...setSender(traced, at, formatsTaken(traced, at)).slice(0, 3),
      ...moveInput(traced, at, freeSockets(traced, at.wire.to.node, 'in')),
      ...offerWays(traced, at, waysReaching(traced, at)),
    ]
  },
}
