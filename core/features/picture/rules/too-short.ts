import { choosePieces, cutLengthM } from '#core/cable'
import { type Traced, leadOf, lengthOf, placeOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { own } from '#core/document'
import { count, length, text } from '#core/kernel'
import { Draft, type Proposal, direct, offerWays, rule, throughDevices, waysFor } from '#core/propose'

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
    together: {
      severity: 'D',
      says: '{count} cables from {from} to {to} are {length} long together, and {places} are {route} apart: they do not reach.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'too-short').map(({ wire, stop }) => {
      const at = { on: 'link', link: wire.id, part: 'cable' } as const
      const run = runWith(traced, wire.id)?.id
      if (stop.stretch)
        return say(
          'together',
          at,
          {
            count: count(stop.stretch.links.length),
            from: text(socketName(traced.chain.wires.get(stop.stretch.links[0]!)!.from!)),
            to: text(socketName(wire.to!)),
            length: length(stop.lengthM),
            route: length(stop.routeM),
            places: text(stop.stretch.places.join(' and ')),
          },
          run,
        )
      const said = own(traced.plan.links, wire.id)?.routeM === undefined
      const places = [wire.from, wire.to].map(end => (end && placeOf(traced.chain, end)) ?? '')
      return say(
        said ? 'said' : 'measured',
        at,
        {
          cable: text(leadOf(traced.plan, wire.link).cable.title),
          from: text(socketName(wire.from!)),
          to: text(socketName(wire.to!)),
          length: length(stop.lengthM),
          route: length(stop.routeM),
          places: text(places[0] === places[1] ? `the two ends in ${places[0]}` : places.join(' and ')),
        },
        run,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'too-short') return []
    const { routeM, lengthM, stretch } = at.stop
    if (stretch) return stretch.links.flatMap(id => longer(traced, id, routeM - lengthM))
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

/** One cable of a stretch in pieces that make up for what is missing of the whole, m. */
function longer({ plan, chain }: Traced, id: string, missingM: number): Proposal[] {
  const { link } = chain.wires.get(id)!
  const { cable } = leadOf(plan, link)
  const { lengthM } = lengthOf(cable, link)
  const stock = lengthM === undefined ? undefined : choosePieces(cable, cutLengthM(lengthM + missingM))
  if (!stock) return []
  const draft = new Draft(plan)
  draft.set(['links', id, 'pieces'], [...stock.pieces])
  return [{ title: `Take ${stock.pieces.map(m => `${m} m`).join(' and ')} of ${cable.title}`, edits: draft.edits }]
}
