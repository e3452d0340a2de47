import type { WireTrace } from '#core/chain'
import { CONNECTOR_TITLES, DIVISIONS, DIVISION_TITLES, linksOf } from '#core/signal'
import { text } from '../finding'
import { freeSockets, moveInput, offerWays, setTrait, throughDevices, waysFor } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule, type Traced } from '../rule'

export const F20: Rule = {
  id: 'F20',
  about: '2160 over several links: their number or the division differs at the two ends.',
  says: {
    division: '{sender} shares its picture by {sends}, and {input} puts it together by {takes}: the four quarters come scrambled.',
    count: '{output} shares its picture among {sends}, and {input} is {takes}: the picture is not complete.',
  },
  find: traced => [
    ...stoppedBy(traced, 'division').map(({ wire, signal, stop }) => finding('F20', 'D', { on: 'link', link: wire.id, part: 'to' }, 'division', {
      sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name), sends: text(DIVISION_TITLES[stop.sends]), takes: text(stop.takes.map(one => DIVISION_TITLES[one]).join(' or ')), input: text(socketName(wire.to!)),
    }, runWith(traced, wire.id)?.id)),
    ...otherCount(traced).map(({ wire }) => finding('F20', 'D', { on: 'link', link: wire.id, part: 'to' }, 'count', {
      output: text(socketName(wire.from!)), sends: text(CONNECTOR_TITLES[wire.from!.port!.connector]), input: text(socketName(wire.to!)), takes: text(CONNECTOR_TITLES[wire.to!.port!.connector]),
    }, runWith(traced, wire.id)?.id)),
  ],
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    const takes = at.stop?.why === 'division' ? at.stop.takes : []
    const single = freeSockets(traced, at.wire.to.node, 'in').filter(({ port }) => port && linksOf(port.connector) === linksOf(at.wire.from!.port!.connector))
    return [
      ...DIVISIONS.filter(division => takes.includes(division)).flatMap(division => setTrait(traced, at.signal!, 'divisions', division, DIVISION_TITLES[division])),
      ...(at.stop?.why === 'connector' ? moveInput(traced, at, single).slice(0, 2) : []),
      ...offerWays(traced, at, throughDevices(waysFor(traced, at))),
    ]
  },
}

/** Links whose sockets differ in nothing but the number of SDI links that they hold. */
const otherCount = (traced: Traced): WireTrace[] => stoppedBy(traced, 'connector').filter(isOtherCount)
export const isOtherCount = ({ stop }: WireTrace): boolean => stop?.why === 'connector' && stop.mismatch.by === 'shape' && stop.mismatch.from.carries === 'sdi'
  && linksOf(stop.mismatch.from.connector) !== linksOf(stop.mismatch.to.connector)
