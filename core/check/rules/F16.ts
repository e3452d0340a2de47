import { isStage, type WireTrace } from '#core/chain'
import { sameFormat } from '#core/signal'
import { format, text } from '../finding'
import { otherStandards } from '../offers'
import { finding, runWith, socketName, wireAt, type Rule, type Traced } from '../rule'
import { formatTo, strictRule } from '../strict-rule'

const strict = strictRule('F16', {
  about: 'Two stages of a cascade work in different standards.',
  says: '{sender} works in {sends}, and {input}, which it feeds, takes only {standard}: the link shows black.',
  offers: formatTo.betweenStages,
})

export const F16: Rule = {
  ...strict,
  says: { ...strict.says, converted: '{sender} works in {sends} and {input}, which it feeds, in {standard}: the input converts every frame, which adds delay and, between rates, drops or repeats frames.' },
  find: traced => [...strict.find(traced), ...converted(traced)],
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (found.says !== 'converted') return strict.remedies(traced, found)
    return at ? [
      ...otherStandards(traced, at.signal!.setBy.device, { only: candidate => sameFormat(candidate, at.wire.to!.node.standard!) }),
      ...otherStandards(traced, at.wire.to!.node.id, { only: candidate => sameFormat(candidate, at.signal!.format) }),
    ] : []
  },
}

/** Links from stage to stage that only a scaling input makes possible. */
function converted(traced: Traced) {
  const between = ({ arrives, signal, wire }: WireTrace) => arrives && signal !== undefined && wire.to !== undefined && isStage(wire.to.node)
    && isStage(traced.chain.nodes.get(signal.setBy.device)!) && !sameFormat(signal.format, wire.to.node.standard!)
  return [...traced.trace.wires.values()].filter(between).map(({ wire, signal }) => finding('F16', 'Q', { on: 'link', link: wire.id, part: 'to' }, 'converted', {
    sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name), sends: format(signal!.format), input: text(socketName(wire.to!)), standard: format(wire.to!.node.standard!),
  }, runWith(traced, wire.id)?.id))
}
