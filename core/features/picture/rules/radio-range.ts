import { isAir } from '#core/cable'
import { type DeviceNode, type Traced, type WireTrace, leadOf, lengthOf, runWith, wireAt } from '#core/chain'
import type { Air } from '#core/document'
import { count, length, loss, text } from '#core/kernel'
import { Draft, type Proposal, isRadio, replaceDevice, rule, swapRadio } from '#core/propose'
import { FADING_DB, radioMarginDb, radioRangeM } from '#core/signal'

export const radioRange = rule({
  code: 'L08',
  about: 'A radio link beyond its range, without line of sight, or on a channel that is taken.',
  messages: {
    far: {
      severity: 'R',
      says: '{radio} has to bring the picture {distance} through the air{between}; with {fading} kept against fading it carries {range} there, and is {short} short: the picture drops out.',
    },
    air: {
      severity: 'R',
      says: '{from} is {distance} from {to} through the air; that carries {range} at the most: what it brings drops out.',
    },
    crowd: {
      severity: 'R',
      says: '{from} is {distance} from {to} through the air; once people stand between them that carries {crowded}, and {range} only without them: what it brings may drop out when the hall is full.',
    },
    clash: { severity: 'R', says: '{radio} and {other} both send on channel {channel}: each disturbs the other.' },
    many: {
      severity: 'R',
      says: '{radio} looks for a channel that is free, and {others} others at {band} leave none of its {channels}: they disturb each other.',
    },
  },
  find: (traced, say) => [
    ...links(traced).flatMap(({ wire, signal, node, air }) => {
      const margin = radioMarginDb(node.model.radio!, air)
      return signal && margin < 0
        ? [
            say(
              'far',
              { on: 'link', link: wire.id, part: 'to' },
              {
                radio: text(node.device.name),
                distance: length(air.m),
                between: text(between(air)),
                fading: loss(FADING_DB),
                range: length(Math.floor(radioRangeM(node.model.radio!, air))),
                short: loss(-margin),
              },
              runWith(traced, wire.id)?.id,
            ),
          ]
        : []
    }),
    ...thin(traced).map(({ wire, distanceM, warnM, faultM }) =>
      say(
        distanceM > faultM ? 'air' : 'crowd',
        { on: 'link', link: wire.id, part: 'cable' },
        {
          from: text(wire.from!.node.device.name),
          to: text(wire.to!.node.device.name),
          distance: length(distanceM),
          crowded: length(warnM),
          range: length(faultM),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
    ...clashes(traced).map(({ wire, node, other, air }) =>
      say(
        'clash',
        { on: 'device', device: node.id },
        {
          radio: text(node.device.name),
          other: text(other.device.name),
          channel: count(air.channel!),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
    ...crowdedOut(traced).map(({ wire, node, others }) =>
      say(
        'many',
        { on: 'link', link: wire.id, part: 'to' },
        {
          radio: text(node.device.name),
          others: count(others),
          band: text(`${(node.model.radio!.fMHz / 1000).toFixed(1)}\u00A0GHz`),
          channels: count(node.model.radio!.channels),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    if (found.says === 'clash') return freeChannels(traced, found.at.on === 'device' ? found.at.device : '')
    const at = wireAt(traced, found)
    // How far it is was measured: where somebody stands is not for a remedy to say.
    if (found.says === 'air' || found.says === 'crowd') return at ? withoutAir(traced, at) : []
    if (found.says === 'many')
      return at ? [...replaceDevice(traced, at.wire.to!.node.id, 2, true), ...swapRadio(traced, at)] : []
    const link = at && links(traced).find(({ wire }) => wire.id === at.wire.id)
    return at && link
      ? [...clear(traced, link), ...swapRadio(traced, at), ...replaceDevice(traced, link.node.id, 2, true)]
      : []
  },
})

interface RadioLink extends WireTrace {
  readonly node: DeviceNode
  readonly air: Air
}

/** The links into radio senders of which somebody said how far they go. */
const links = ({ trace }: Traced): RadioLink[] =>
  [...trace.wires.values()]
    .flatMap(at => {
      const node = at.wire.to?.node
      return node && isRadio(node.model) && node.model.radio && node.device.air && at.arrives
        ? [{ ...at, node, air: node.device.air }]
        : []
    })
    .sort((a, b) => (a.node.id < b.node.id ? -1 : 1))

const between = ({ crowd, wall }: Air): string =>
  crowd && wall ? ', through a crowd and a wall' : crowd ? ', through a crowd' : wall ? ', through a wall' : ''

/** Every link on a channel that an earlier one of the same band has. */
function clashes(traced: Traced): (RadioLink & { readonly other: DeviceNode })[] {
  const taken = new Map<string, DeviceNode>()
  return links(traced).flatMap(link => {
    if (link.air.channel === undefined) return []
    const key = `${link.node.model.radio!.fMHz}/${link.air.channel}`
    const other = taken.get(key)
    if (other) return [{ ...link, other }]
    taken.set(key, link.node)
    return []
  })
}

/** Links that look for a channel by themselves, where those before them and those that were given one leave none. */
function crowdedOut(traced: Traced): (RadioLink & { readonly others: number })[] {
  const all = links(traced)
  return all.flatMap((link, i) => {
    const { fMHz, channels, chooses } = link.node.model.radio!
    if (!chooses) return []
    const band = all.slice(0, i).filter(({ node }) => node.model.radio!.fMHz === fMHz && node.model.radio!.chooses)
    const given = all.filter(({ node }) => node.model.radio!.fMHz === fMHz && !node.model.radio!.chooses)
    const others = band.length + new Set(given.map(({ air, node }) => air.channel ?? node.id)).size
    return others >= channels ? [{ ...link, others }] : []
  })
}

/** Links of one band with others whose channel nobody has said. */
export const withoutChannel = (traced: Traced): (RadioLink & { readonly other: DeviceNode })[] => {
  const all = links(traced)
  return all.flatMap(link => {
    const other = all.find(({ node }) => node !== link.node && node.model.radio!.fMHz === link.node.model.radio!.fMHz)
    return other && link.air.channel === undefined && !link.node.model.radio!.chooses
      ? [{ ...link, other: other.node }]
      : []
  })
}

/** Aerials that are raised, or stand where they see each other. */
function clear({ plan }: Traced, { node, air }: RadioLink): Proposal[] {
  const without = (fields: readonly ('crowd' | 'wall')[], title: string): Proposal[] => {
    if (fields.some(field => !air[field])) return []
    const draft = new Draft(plan)
    for (const field of fields) draft.set(['devices', node.id, 'air', field])
    return [{ title, edits: draft.edits }]
  }
  return [
    ...without(['crowd'], 'Raise the aerials above the crowd'),
    ...without(['wall'], 'Move an aerial, so that they see each other'),
    ...without(['crowd', 'wall'], 'Raise the aerials, and move one so that they see each other'),
  ]
}

export function freeChannels(traced: Traced, id: string): Proposal[] {
  const mine = links(traced).find(({ node }) => node.id === id)
  if (!mine) return []
  const { fMHz, channels } = mine.node.model.radio!
  const taken = new Set(
    links(traced)
      .filter(({ node }) => node.model.radio!.fMHz === fMHz)
      .map(({ air }) => air.channel),
  )
  return Array.from({ length: channels }, (_, i) => i + 1)
    .filter(channel => !taken.has(channel))
    .slice(0, 3)
    .map(channel => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', id, 'air', 'channel'], channel)
      return { title: `Set ${mine.node.device.name} to channel ${channel}`.slice(0, 120), edits: draft.edits }
    })
}

/** Packs and radio networks that are farther from their other end than the air carries them through a hall full of people. */
const thin = ({ plan, trace }: Traced) =>
  [...trace.wires.values()].flatMap(({ wire, arrives, stop }) => {
    const { cable } = leadOf(plan, wire.link)
    if (!wire.from || !wire.to || !isAir(cable) || cable.reach.kind !== 'length') return []
    if (!arrives && stop?.why !== 'too-far') return []
    const distanceM = wire.link.routeM ?? lengthOf(cable, wire.link).lengthM
    const { warnM, faultM } = cable.reach.steps[0]!
    return distanceM !== undefined && distanceM > warnM ? [{ wire, distanceM, warnM, faultM }] : []
  })

/** Left out: whatever a cable brings too does without. */
function withoutAir({ plan }: Traced, { wire }: WireTrace): Proposal[] {
  const draft = new Draft(plan)
  draft.disconnect(wire.id)
  return [{ title: `Do without ${wire.from!.node.device.name} there`.slice(0, 120), edits: draft.edits }]
}
