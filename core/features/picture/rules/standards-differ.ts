import { type Traced, type WireTrace, isSwitcher, runWith, socketName, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { otherStandards, rule } from '#core/propose'
import { format, sameFormat } from '#core/signal'
import { formatTo, strictRule } from '../strict-rule'

const ABOUT = 'Two switchers of a cascade work in different standards.'
const STOPPED = '{sender} works in {sends}, and {input}, which it feeds, takes only {standard}: the link shows black.'

const strict = strictRule('F16', {
  about: ABOUT,
  says: STOPPED,
  offers: formatTo.betweenSwitchers,
})

export const standardsDiffer = rule({
  code: 'F16',
  about: ABOUT,
  messages: {
    stopped: { severity: 'D', says: STOPPED },
    converted: {
      severity: 'Q',
      says: '{sender} works in {sends} and {input}, which it feeds, in {standard}: the input converts every frame, which adds delay and, between rates, drops or repeats frames.',
    },
  },
  find: (traced, say) => [
    ...strict.find(traced),
    ...converted(traced).map(({ wire, signal }) =>
      say(
        'converted',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
          sends: format(signal!.format),
          input: text(socketName(wire.to!)),
          standard: format(wire.to!.node.standard!),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (found.says !== 'converted') return strict.remedies(traced, found)
    return at
      ? [
          ...otherStandards(traced, at.signal!.setBy.device, {
            only: candidate => sameFormat(candidate, at.wire.to!.node.standard!),
          }),
          ...otherStandards(traced, at.wire.to!.node.id, {
            only: candidate => sameFormat(candidate, at.signal!.format),
          }),
        ]
      : []
  },
})

/** Links from switcher to switcher that only a scaling input makes possible. */
function converted(traced: Traced): WireTrace[] {
  const between = ({ arrives, signal, wire }: WireTrace) =>
    arrives &&
    signal !== undefined &&
    wire.to !== undefined &&
    isSwitcher(wire.to.node) &&
    isSwitcher(traced.chain.nodes.get(signal.setBy.device)!) &&
    !sameFormat(signal.format, wire.to.node.standard!)
  return [...traced.trace.wires.values()].filter(between)
}
