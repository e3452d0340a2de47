import { leadOf } from '#core/chain'
import { length, text } from '../finding'
import { direct, offerWays, shorterPieces, throughDevices, waysReaching } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'

export const L03: Rule = {
  id: 'L03',
  about: 'Network cable beyond 100 m.',
  says: { dark: '{cable} from {from} to {to} is {length} long; a network channel carries {reach}, so nothing gets through.' },
  find: traced => stoppedBy(traced, 'too-far').filter(at => leadOf(traced.plan, at.wire.link).cable.carries === 'network').map(({ wire, stop }) => finding(
    'L03', 'D', { on: 'link', link: wire.id, part: 'cable' }, 'dark',
    { cable: text(leadOf(traced.plan, wire.link).cable.title), from: text(socketName(wire.from!)), to: text(socketName(wire.to!)), length: length(stop.lengthM), reach: length(stop.reachM) },
    runWith(traced, wire.id)?.id,
  )),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const ways = waysReaching(traced, at)
    return [...shorterPieces(traced, at), ...offerWays(traced, at, throughDevices(ways), 2), ...offerWays(traced, at, direct(ways))]
  },
}
