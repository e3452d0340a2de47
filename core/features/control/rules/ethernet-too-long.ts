import { type CableModel, choosePieces } from '#core/cable'
import { type Traced, type WireTrace, leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { length, text } from '#core/kernel'
import {
  Draft,
  type Proposal,
  betterControl,
  direct,
  offerWays,
  rule,
  shorterPieces,
  throughDevices,
  waysReaching,
} from '#core/propose'

export const ethernetTooLong = rule({
  code: 'L03',
  about: 'Network cable beyond 100 m.',
  messages: {
    dark: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long; a network channel carries {reach}, so nothing gets through.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'too-far')
      .filter(at => isNetwork(leadOf(traced.plan, at.wire.link).cable))
      .map(({ wire, stop }) =>
        say(
          'dark',
          { on: 'link', link: wire.id, part: 'cable' },
          {
            cable: text(leadOf(traced.plan, wire.link).cable.title),
            from: text(socketName(wire.from!)),
            to: text(socketName(wire.to!)),
            length: length(stop.lengthM),
            reach: length(stop.reachM),
          },
          runWith(traced, wire.id)?.id,
        ),
      ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    if (at.beside) return [...shorterPieces(traced, at), ...betterControl(traced, at), ...switchBetween(traced, at)]
    const ways = waysReaching(traced, at)
    return [
      ...shorterPieces(traced, at),
      ...offerWays(traced, at, throughDevices(ways), 2),
      ...offerWays(traced, at, direct(ways)),
    ]
  },
})

/** Network cable for pictures or for control. */
const isNetwork = ({ carries, ends }: CableModel): boolean =>
  carries === 'network' || (carries === 'control' && ends.includes('8p8c'))

/** A network switch half way starts a new channel. */
function switchBetween({ plan }: Traced, { wire, stop }: WireTrace): Proposal[] {
  const { link } = wire
  if (!link.from || !link.to || stop?.why !== 'too-far') return []
  const draft = new Draft(plan)
  const hub = draft.device({
    model: draft.model('switch-control'),
    name: `Control switch, ${wire.to!.node.device.name}`.slice(0, 120),
    order: draft.lastOrder,
  })
  const half =
    link.routeM === undefined
      ? { pieces: choosePieces(plan.leads[link.cable] as CableModel, stop.lengthM / 2)?.pieces ?? [] }
      : { routeM: link.routeM / 2 }
  draft.disconnect(wire.id)
  draft.connect({ from: link.from, to: { device: hub, port: 'in' }, cable: link.cable, ...half })
  draft.connect({ from: { device: hub, port: 'out-2' }, to: link.to, cable: link.cable, ...half }, wire.id)
  return [{ title: 'Put in a network switch half way', edits: draft.edits }]
}
