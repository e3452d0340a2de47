import { type Traced, runWith, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { formatsTaken, isRadio, replaceDevice, rule, setSender, swapRadio } from '#core/propose'
import { format } from '#core/signal'
import { takenWords } from './not-taken'

export const radioFormat = rule({
  code: 'F17',
  about: 'A radio link does not carry the format.',
  messages: {
    stopped: {
      severity: 'D',
      says: '{radio} carries {takes} alone, and {sender} sends {sends}: nothing comes out of its receiver.',
    },
  },
  find: (traced, say) =>
    atRadio(traced).map(({ wire, signal, stop }) =>
      say(
        'stopped',
        { on: 'link', link: wire.id, part: 'to' },
        {
          radio: text(wire.to!.node.device.name),
          sends: format(stop.sends),
          takes: text(takenWords(wire.to!)),
          sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    return [
      ...setSender(traced, at, formatsTaken(traced, at)).slice(0, 3),
      ...swapRadio(traced, at),
      ...replaceDevice(traced, at.wire.to.node.id, 3, true),
    ]
  },
})

const atRadio = (traced: Traced) =>
  stoppedBy(traced, 'not-passed', 'not-taken').filter(({ wire }) => isRadio(wire.to!.node.model))
