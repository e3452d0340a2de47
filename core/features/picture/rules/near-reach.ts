import { leadOf, runWith, socketName, wireAt } from '#core/chain'
import { length, share, text } from '#core/kernel'
import { direct, offerWays, rule, shorterPieces, throughDevices, waysFor } from '#core/propose'
import { lowerRate } from './coax-too-long'

export const nearReach = rule({
  code: 'L09',
  about: 'Between 90 and 100 % of reach.',
  messages: {
    near: {
      severity: 'R',
      says: '{cable} from {from} to {to} is {length} long and uses {used} of its reach of {reach}: a worn plug or a tight bend may darken it.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()].flatMap(({ wire, figures, arrives }) =>
      arrives && figures?.caution?.why === 'near-reach'
        ? [
            say(
              'near',
              { on: 'link', link: wire.id, part: 'cable' },
              {
                cable: text(leadOf(traced.plan, wire.link).cable.title),
                from: text(socketName(wire.from!)),
                to: text(socketName(wire.to!)),
                length: length(figures.lengthM!),
                used: share(figures.used!),
                reach: length(figures.reachM),
              },
              runWith(traced, wire.id)?.id,
            ),
          ]
        : [],
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const ways = waysFor(traced, at).filter(way => !way.risky)
    return [
      ...shorterPieces(traced, at),
      ...offerWays(traced, at, direct(ways)),
      ...offerWays(traced, at, throughDevices(ways), 2),
      ...(at.figures?.sdiClass ? lowerRate(traced, at) : []),
    ]
  },
})
