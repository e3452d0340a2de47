import { type Traced, type WireTrace, isSwitcher, leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { length, loss, share, text } from '#core/kernel'
import {
  type Proposal,
  direct,
  formatsTaken,
  offerWays,
  otherStandards,
  rule,
  setSender,
  shorterPieces,
  throughDevices,
  waysReaching,
} from '#core/propose'
import { SDI_CLASSES, type VideoFormat, sdiRate } from '#core/signal'

export const coaxTooLong = rule({
  code: 'L02',
  about: 'SDI cable beyond its reach at this rate, couplers counted.',
  messages: {
    behind: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long; {device} does not renew the picture and {share} of its reach is used before it, which leaves {reach}: it stays black.',
    },
    dark: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long and loses {loss} at {class}; it carries {reach} into an input that recovers {budget}, so the picture stays black.',
    },
    plain: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long; it carries {reach}, so the picture stays black.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'too-far')
      .filter(at => leadOf(traced.plan, at.wire.link).cable.carries === 'sdi')
      .map(at => {
        const { wire, figures, stop } = at
        const common = {
          cable: text(leadOf(traced.plan, wire.link).cable.title),
          from: text(socketName(wire.from!)),
          to: text(socketName(wire.to!)),
          length: length(stop.lengthM),
          reach: length(stop.reachM),
        }
        const spent = behind(at)
        if (spent)
          return say(
            'behind',
            { on: 'link', link: wire.id, part: 'cable' },
            { ...common, ...spent },
            runWith(traced, wire.id)?.id,
          )
        return figures?.lossDb === undefined
          ? say('plain', { on: 'link', link: wire.id, part: 'cable' }, common, runWith(traced, wire.id)?.id)
          : say(
              'dark',
              { on: 'link', link: wire.id, part: 'cable' },
              {
                ...common,
                loss: loss(figures.lossDb),
                budget: loss(figures.budgetDb!),
                class: text(`${figures.sdiClass}-SDI`),
              },
              runWith(traced, wire.id)?.id,
            )
      }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const ways = waysReaching(traced, at)
    return [
      ...shorterPieces(traced, at),
      ...offerWays(traced, at, direct(ways)),
      ...lowerRate(traced, at),
      ...offerWays(traced, at, throughDevices(ways), 3),
    ]
  },
})

/** What a device before the cable has left of the reach, where it does not renew the picture. */
export function behind({ wire, signal }: WireTrace) {
  return signal?.spent === undefined
    ? undefined
    : { device: text(wire.from!.node.device.name), share: share(signal.spent) }
}

/** A format of a lower class: of the sender alone where the input takes it, else of the whole switcher. */
export function lowerRate(traced: Traced, at: WireTrace): Proposal[] {
  const now = SDI_CLASSES.indexOf(at.figures!.sdiClass!)
  const lower = (candidate: VideoFormat) => {
    const found = sdiRate(candidate, at.signal!.coding)
    return found !== undefined && SDI_CLASSES.indexOf(found.class) < now
  }
  const switcher =
    at.wire.to && isSwitcher(at.wire.to.node) ? at.wire.to.node : traced.chain.nodes.get(at.signal!.setBy.device)!
  return [
    ...setSender(traced, at, formatsTaken(traced, at).filter(lower)).slice(0, 2),
    ...(isSwitcher(switcher) ? otherStandards(traced, switcher.id, { only: lower }) : []),
  ]
}
