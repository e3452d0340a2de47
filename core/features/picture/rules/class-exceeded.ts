import { runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { formatsTaken, freeSockets, moveInput, offerWays, rule, setSender, swapBox, waysReaching } from '#core/propose'
import { formatLabel } from '#core/signal'
import { lessUsb, overUsb } from '../usb'

export const classExceeded = rule({
  code: 'F05',
  about: 'A port or what it carries cannot take the format.',
  messages: {
    port: { severity: 'D', says: '{sends} needs {needs}, and {socket} goes up to {limit}: no picture passes there.' },
    carriage: { severity: 'D', says: '{sends} leaves {socket}, but {limit}: no picture passes there.' },
    usb: {
      severity: 'D',
      says: '{captures} ask {needs} of the USB of {host}, and {class} brings about {limit}: frames are lost or no picture comes.',
    },
  },
  find: (traced, say) => [
    ...overUsb(traced).map(({ host, quantities, run }) => say('usb', { on: 'device', device: host }, quantities, run)),
    ...stoppedBy(traced, 'class').map(({ wire, signal, stop }) =>
      say(
        stop.end === 'link' ? 'carriage' : 'port',
        { on: 'link', link: wire.id, part: stop.end === 'to' ? 'to' : 'from' },
        {
          sends: text(formatLabel(signal!.format)),
          needs: text(stop.needs),
          limit: text(stop.limit),
          socket: text(socketName(stop.end === 'to' ? wire.to! : wire.from!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    if (found.says === 'usb') return lessUsb(traced, found)
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    return [
      ...setSender(traced, at, formatsTaken(traced, at)).slice(0, 3),
      ...moveInput(traced, at, freeSockets(traced, at.wire.to.node, 'in')),
      ...offerWays(traced, at, waysReaching(traced, at)),
      ...[at.wire.to, at.wire.from!].flatMap(({ node }) => swapBox(traced, node)),
    ]
  },
})
