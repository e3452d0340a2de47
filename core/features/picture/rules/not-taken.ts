import { type Socket, isSwitcher, pathFrom, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { formatsTaken, offerWays, otherStandards, rule, setSender, throughDevices, waysFor } from '#core/propose'
import { format, setsText } from '#core/signal'

export const notTaken = rule({
  code: 'F08',
  about: 'An input with a list of formats does not have the one that is sent.',
  messages: {
    stopped: {
      severity: 'D',
      says: '{sender} sends {sends} to {input}, which takes {takes} alone: no picture is shown there.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'not-taken').map(({ wire, signal, stop }) =>
      say(
        'stopped',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
          sends: format(stop.sends),
          input: text(socketName(wire.to!)),
          takes: text(takenWords(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const setter = traced.chain.nodes.get(at.signal!.setBy.device)!
    return [
      ...(isSwitcher(setter)
        ? otherStandards(traced, setter.id)
        : setSender(traced, at, formatsTaken(traced, at)).slice(0, 3)),
      ...offerWays(traced, at, throughDevices(waysFor(traced, at)), 2),
    ]
  },
})

/** What an input takes, and the way behind it passes. */
export function takenWords({ node, portId, port }: Socket): string {
  const passes = pathFrom(node, portId)?.passes
  const takes = port?.takes
  return setsText(Array.isArray(takes) ? takes : (passes ?? []))
}
