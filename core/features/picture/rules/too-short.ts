import { choosePieces, cutLengthM } from '#core/cable'
import { leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { own } from '#core/document'
import { length, text } from '#core/kernel'
import { Draft, direct, offerWays, rule, throughDevices, waysFor } from '#core/propose'

export const tooShort = rule({
  code: 'L06',
  about: 'The chosen piece is shorter than its way.',
  messages: {
    measured: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long, and its way measures {route}: it does not reach.',
    },
    said: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long, and {places} are {route} apart: it does not reach.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'too-short').map(({ wire, stop }) => {
      const said = own(traced.plan.links, wire.id)?.routeM === undefined
      const places = [wire.from, wire.to].map(end => end?.node.device.place ?? '')
      return say(
        said ? 'said' : 'measured',
        { on: 'link', link: wire.id, part: 'cable' },
        {
          cable: text(leadOf(traced.plan, wire.link).cable.title),
          from: text(socketName(wire.from!)),
          to: text(socketName(wire.to!)),
          length: length(stop.lengthM),
          route: length(stop.routeM),
          places: text(places[0] === places[1] ? `the two ends in ${places[0]}` : places.join(' and ')),
        },
        runWith(traced, wire.id)?.id,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'too-short') return []
    const { routeM } = at.stop
    const stock = choosePieces(leadOf(traced.plan, at.wire.link).cable, cutLengthM(routeM))
    const draft = new Draft(traced.plan)
    if (stock) draft.set(['links', at.wire.id, 'pieces'], [...stock.pieces])
    const ways = waysFor(traced, at)
    return [
      ...(stock ? [{ title: `Take ${stock.pieces.map(m => `${m} m`).join(' and ')} of it`, edits: draft.edits }] : []),
      ...offerWays(traced, at, direct(ways)),
      ...offerWays(traced, at, throughDevices(ways), 2),
    ]
  },
})
