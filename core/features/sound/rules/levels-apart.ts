import { runWith, socketName, wireAt, type Traced } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { asModel, boxBefore } from '../between'
import { type Apart, levelsApart } from '../plugs'

const dbu = (value: number): string => `${value > 0 ? '+' : '\u2212'}${Math.abs(value)}\u00A0dBu`

export const levelsDiffer = rule({
  code: 'A13',
  about: 'Line levels of two plugs that are joined differ by more than 6 dB.',
  messages: {
    loud: {
      severity: 'Q',
      says: '{from} sends {sent} and {to} expects {expected}: {by} too loud, it distorts before a fader is touched.',
    },
    quiet: {
      severity: 'Q',
      says: '{from} sends {sent} and {to} expects {expected}: {by} too quiet, and noise comes up with it.',
    },
  },
  find: (traced, say) =>
    levelsApart(traced).map(({ at, sentDbu, expectedDbu }) =>
      say(
        sentDbu > expectedDbu ? 'loud' : 'quiet',
        { on: 'link', link: at.wire.id, part: 'to' },
        {
          from: text(socketName(at.wire.from!)),
          to: text(socketName(at.wire.to!)),
          sent: text(dbu(sentDbu)),
          expected: text(dbu(expectedDbu)),
          by: text(`${Math.abs(sentDbu - expectedDbu).toFixed(1)}\u00A0dB`),
        },
        runWith(traced, at.wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    const apart = levelsApart(traced).find(one => one.at.wire.id === at?.wire.id)
    return apart ? [...setLevels(traced, apart), ...stepped(traced, apart)] : []
  },
})

/** Another level at either end, where it has one. */
function setLevels({ plan }: Traced, { at, sentDbu, expectedDbu }: Apart): Proposal[] {
  const offers = [
    { socket: at.wire.from!, near: expectedDbu },
    { socket: at.wire.to!, near: sentDbu },
  ]
  return offers.flatMap(({ socket, near }): Proposal[] => {
    const best = [...(socket.port?.nominalDbu ?? [])].sort((a, b) => Math.abs(a - near) - Math.abs(b - near))[0]
    if (best === undefined || Math.abs(best - near) > 6) return []
    const draft = new Draft(plan)
    draft.set(['devices', socket.node.id, 'ports', socket.portId, 'nominalDbu'], best)
    return [{ title: `Set ${socketName(socket)} to ${dbu(best)}`.slice(0, 120), edits: draft.edits }]
  })
}

/** A pad before an input that is too sensitive; an amplifier in the place of the box that only balances. */
function stepped(traced: Traced, { at, sentDbu, expectedDbu }: Apart): Proposal[] {
  const { plan } = traced
  const { from, to } = at.wire
  if (sentDbu > expectedDbu)
    return to!.port!.connector === 'mini-jack'
      ? [
          boxBefore(
            plan,
            at.wire,
            { model: 'pad-line', name: `Line pad, ${to!.node.device.name}`, lead: 'mini-jack-lead' },
            `Put in a line pad before ${socketName(to!)}`,
          ),
        ]
      : []
  const box = from!.node
  const balances =
    box.model.role === 'sound' &&
    box.model.ports.in?.connector === 'mini-jack' &&
    box.model.ports.out?.connector === 'xlr'
  return balances ? [asModel(plan, box.id, 'line-box', `A line amplifier in the place of ${box.device.name}`)] : []
}
