import { type Traced, type WireTrace, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { freeSockets, moveInput, offerWays, rule, setTrait, throughDevices, waysFor } from '#core/propose'
import { CONNECTOR_TITLES, DIVISIONS, DIVISION_TITLES, linksOf } from '#core/signal'

export const division = rule({
  code: 'F20',
  about: '2160 over several links: their number or the division differs at the two ends.',
  messages: {
    division: {
      severity: 'D',
      says: '{sender} shares its picture by {sends}, and {input} puts it together by {takes}: the four quarters come scrambled.',
    },
    count: {
      severity: 'D',
      says: '{output} shares its picture among {sends}, and {input} is {takes}: the picture is not complete.',
    },
  },
  find: (traced, say) => [
    ...stoppedBy(traced, 'division').map(({ wire, signal, stop }) =>
      say(
        'division',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name),
          sends: text(DIVISION_TITLES[stop.sends]),
          takes: text(stop.takes.map(one => DIVISION_TITLES[one]).join(' or ')),
          input: text(socketName(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
    ...otherCount(traced).map(({ wire }) =>
      say(
        'count',
        { on: 'link', link: wire.id, part: 'to' },
        {
          output: text(socketName(wire.from!)),
          sends: text(CONNECTOR_TITLES[wire.from!.port!.connector]),
          input: text(socketName(wire.to!)),
          takes: text(CONNECTOR_TITLES[wire.to!.port!.connector]),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    const takes = at.stop?.why === 'division' ? at.stop.takes : []
    const single = freeSockets(traced, at.wire.to.node, 'in').filter(
      ({ port }) => port && linksOf(port.connector) === linksOf(at.wire.from!.port!.connector),
    )
    return [
      ...DIVISIONS.filter(division => takes.includes(division)).flatMap(division =>
        setTrait(traced, at.signal!, 'divisions', division, DIVISION_TITLES[division]),
      ),
      ...(at.stop?.why === 'connector' ? moveInput(traced, at, single).slice(0, 2) : []),
      ...offerWays(traced, at, throughDevices(waysFor(traced, at))),
    ]
  },
})

/** Links whose sockets differ in nothing but the number of SDI links that they hold. */
const otherCount = (traced: Traced): WireTrace[] => stoppedBy(traced, 'connector').filter(isOtherCount)
export const isOtherCount = ({ stop }: WireTrace): boolean =>
  stop?.why === 'connector' &&
  stop.mismatch.by === 'shape' &&
  stop.mismatch.from.carries === 'sdi' &&
  linksOf(stop.mismatch.from.connector) !== linksOf(stop.mismatch.to.connector)
