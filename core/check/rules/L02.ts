import { sdiRate, SDI_CLASSES, type VideoFormat } from '#core/signal'
import { isStage, leadOf, type WireTrace } from '#core/chain'
import { length, loss, text } from '../finding'
import { direct, formatsTaken, offerWays, otherStandards, setSender, shorterPieces, throughDevices, waysReaching } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Proposal, type Rule, type Traced } from '../rule'

export const L02: Rule = {
  id: 'L02',
  about: 'SDI cable beyond its reach at this rate, couplers counted.',
  says: {
    dark: '{cable} from {from} to {to} is {length} long and loses {loss} at {class}; it carries {reach} into an input that recovers {budget}, so the picture stays black.',
    plain: '{cable} from {from} to {to} is {length} long; it carries {reach}, so the picture stays black.',
  },
  find: traced => stoppedBy(traced, 'too-far').filter(at => leadOf(traced.plan, at.wire.link).cable.carries === 'sdi').map((at) => {
    const { wire, figures, stop } = at
    const common = { cable: text(leadOf(traced.plan, wire.link).cable.title), from: text(socketName(wire.from!)), to: text(socketName(wire.to!)), length: length(stop.lengthM), reach: length(stop.reachM) }
    return figures?.lossDb === undefined
      ? finding('L02', 'D', { on: 'link', link: wire.id, part: 'cable' }, 'plain', common, runWith(traced, wire.id)?.id)
      : finding('L02', 'D', { on: 'link', link: wire.id, part: 'cable' }, 'dark', { ...common, loss: loss(figures.lossDb), budget: loss(figures.budgetDb!), class: text(`${figures.sdiClass}-SDI`) }, runWith(traced, wire.id)?.id)
  }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const ways = waysReaching(traced, at)
    return [...shorterPieces(traced, at), ...offerWays(traced, at, direct(ways)), ...lowerRate(traced, at), ...offerWays(traced, at, throughDevices(ways), 3)]
  },
}

/** A format of a lower class: of the sender alone where the input takes it, else of the whole stage. */
export function lowerRate(traced: Traced, at: WireTrace): Proposal[] {
  const now = SDI_CLASSES.indexOf(at.figures!.sdiClass!)
  const lower = (candidate: VideoFormat) => {
    const found = sdiRate(candidate, at.signal!.coding)
    return found !== undefined && SDI_CLASSES.indexOf(found.class) < now
  }
  const stage = at.wire.to && isStage(at.wire.to.node) ? at.wire.to.node : traced.chain.nodes.get(at.signal!.setBy.device)!
  return [...setSender(traced, at, formatsTaken(traced, at).filter(lower)).slice(0, 2), ...(isStage(stage) ? otherStandards(traced, stage.id, { only: lower }) : [])]
}
