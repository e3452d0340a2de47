import { type DeviceNode, type Traced, leadOf, runWith, socketName } from '#core/chain'
import { distanceM, placeAt, receiverAt } from '#core/document'
import { text } from '#core/kernel'
import { Draft, isRadio, rule } from '#core/propose'
import { freeChannels, withoutChannel } from './radio-range'

export const unjudged = rule({
  code: 'C19',
  about: 'Something cannot be judged for want of a figure.',
  messages: {
    cable: {
      severity: 'N',
      says: '{cable} from {from} to {to} has no length, and its ends have no places with a distance: whether it reaches is not judged.',
    },
    radio: {
      severity: 'R',
      says: 'How far {radio} has to bring the picture through the air is not said: whether it gets there is not judged.',
    },
    channel: {
      severity: 'R',
      says: 'On which channel {radio} sends is not said, and {other} works in the same band: whether one disturbs the other is not judged.',
    },
  },
  find: (traced, say) => [
    ...[...traced.trace.wires.values()].flatMap(({ wire, arrives, figures, beside }) =>
      arrives && !beside && figures && figures.lengthM === undefined
        ? [
            say(
              'cable',
              { on: 'link', link: wire.id, part: 'cable' },
              {
                cable: text(leadOf(traced.plan, wire.link).cable.title),
                from: text(socketName(wire.from!)),
                to: text(socketName(wire.to!)),
              },
              runWith(traced, wire.id)?.id,
            ),
          ]
        : [],
    ),
    ...airborne(traced).map(({ node, link }) =>
      say('radio', { on: 'device', device: node.id }, { radio: text(node.device.name) }, runWith(traced, link)?.id),
    ),
    ...withoutChannel(traced).map(({ node, other, wire }) =>
      say(
        'channel',
        { on: 'device', device: node.id },
        { radio: text(node.device.name), other: text(other.device.name) },
        runWith(traced, wire.id)?.id,
      ),
    ),
  ],
  remedies: (traced, { at, says }) => {
    if (says === 'channel') return at.on === 'device' ? freeChannels(traced, at.device) : []
    const mine = airborne(traced).find(({ node }) => at.on === 'device' && at.device === node.id)
    const m = says === 'radio' && mine ? saidFor(traced, mine.node) : undefined
    if (!mine || m === undefined) return []
    const draft = new Draft(traced.plan)
    draft.set(['devices', mine.node.id, 'air'], { m })
    return [{ title: `Take the ${m} m between the places at its ends`, edits: draft.edits }]
  },
})

/** Radio links with a picture in them of which nobody has said how far they go. */
function airborne({ trace }: Traced): { node: DeviceNode; link: string }[] {
  const found = new Map<string, { node: DeviceNode; link: string }>()
  for (const { wire, arrives } of trace.wires.values()) {
    const node = wire.to?.node
    if (arrives && node && isRadio(node.model) && node.model.radio && !node.device.air && !found.has(node.id))
      found.set(node.id, { node, link: wire.id })
  }
  return [...found.values()]
}

/** What is said of the places of a radio link's two ends, metres; where a box has no place, of what it is plugged into. */
function saidFor({ plan, chain }: Traced, { id, device }: DeviceNode): number | undefined {
  const wires = [...chain.wires.values()]
  const before = wires.find(({ to }) => to?.node.id === id)?.link.from
  const out = wires.find(({ from }) => from?.node.id === id)?.link
  const apart = out?.from && receiverAt(plan, out.from) !== undefined
  const sends = (apart ? device.place : undefined) ?? (before && placeAt(plan, before))
  const receives = (apart ? placeAt(plan, out.from!) : undefined) ?? (out?.to && placeAt(plan, out.to))
  return sends === receives ? undefined : distanceM(plan, sends, receives)
}
