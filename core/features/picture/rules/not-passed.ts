import { runWith, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { formatsTaken, isRadio, offerWays, replaceDevice, rule, setSender, swapBox, waysFor } from '#core/propose'
import { format } from '#core/signal'
import { takenWords } from './not-taken'

export const notPassed = rule({
  code: 'F06',
  about: 'A device in the run does not pass the format.',
  messages: {
    stopped: { severity: 'D', says: '{device} passes {takes} alone, and {sender} sends {sends}: nothing leaves it.' },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'not-passed')
      .filter(({ wire }) => !isRadio(wire.to!.node.model))
      .map(({ wire, signal, stop }) =>
        say(
          'stopped',
          { on: 'link', link: wire.id, part: 'to' },
          {
            device: text(wire.to!.node.device.name),
            sends: format(stop.sends),
            takes: text(takenWords(wire.to!)),
            sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
          },
          runWith(traced, wire.id)?.id,
        ),
      ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at
      ? [
          ...setSender(traced, at, formatsTaken(traced, at)).slice(0, 4),
          ...offerWays(traced, at, waysFor(traced, at)),
          ...swapBox(traced, at.wire.to!.node),
          ...replaceDevice(traced, at.wire.to!.node.id),
        ]
      : []
  },
})
