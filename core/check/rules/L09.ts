import { leadOf } from '#core/chain'
import { length, share, text } from '../finding'
import { direct, offerWays, shorterPieces, throughDevices, waysFor } from '../offers'
import { lowerRate } from './L02'
import { finding, runWith, socketName, wireAt, type Rule } from '../rule'

export const L09: Rule = {
  id: 'L09',
  about: 'Between 90 and 100 % of reach.',
  says: { near: '{cable} from {from} to {to} is {length} long and uses {used} of its reach of {reach}: a worn plug or a tight bend may darken it.' },
  find: traced => [...traced.trace.wires.values()].flatMap(({ wire, figures, arrives }) => (arrives && figures?.caution?.why === 'near-reach'
    ? [finding('L09', 'R', { on: 'link', link: wire.id, part: 'cable' }, 'near', {
        cable: text(leadOf(traced.plan, wire.link).cable.title), from: text(socketName(wire.from!)), to: text(socketName(wire.to!)), length: length(figures.lengthM!), used: share(figures.used!), reach: length(figures.reachM),
      }, runWith(traced, wire.id)?.id)]
    : [])),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const ways = waysFor(traced, at).filter(way => !way.risky)
    return [...shorterPieces(traced, at), ...offerWays(traced, at, direct(ways)), ...offerWays(traced, at, throughDevices(ways), 2), ...(at.figures?.sdiClass ? lowerRate(traced, at) : [])]
  },
}
