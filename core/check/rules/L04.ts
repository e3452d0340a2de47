import { leadOf } from '#core/chain'
import { length, text } from '../finding'
import { betterControl, offerWays, shorterPieces, waysReaching } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'

export const L04: Rule = {
  id: 'L04',
  about: 'USB beyond its class.',
  says: { dark: '{cable} from {from} to {to} would be {length} long and carries {reach}: nothing passes.' },
  find: traced => stoppedBy(traced, 'too-far').filter(at => leadOf(traced.plan, at.wire.link).cable.ends.some(end => end.startsWith('usb-'))).map(({ wire, stop }) => finding(
    'L04', 'D', { on: 'link', link: wire.id, part: 'cable' }, 'dark',
    { cable: text(leadOf(traced.plan, wire.link).cable.title), from: text(socketName(wire.from!)), to: text(socketName(wire.to!)), length: length(stop.lengthM), reach: length(stop.reachM) },
    runWith(traced, wire.id)?.id,
  )),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.beside) return [...shorterPieces(traced, at), ...betterControl(traced, at)]
    return at ? [...shorterPieces(traced, at), ...offerWays(traced, at, waysReaching(traced, at))] : []
  },
}
