import { format, text } from '../finding'
import { formatsTaken, replaceDevice, setSender } from '../offers'
import { finding, runWith, stoppedBy, wireAt, type Rule, type Traced } from '../rule'
import { isRadio, swapRadio } from '../radio'

export const F17: Rule = {
  id: 'F17',
  about: 'A radio link does not carry the format.',
  says: { stopped: '{radio} does not carry {sends} from {sender}: nothing comes out of its receiver.' },
  find: traced => atRadio(traced).map(({ wire, signal, stop }) => finding('F17', 'D', { on: 'link', link: wire.id, part: 'to' }, 'stopped', {
    radio: text(wire.to!.node.device.name), sends: format(stop.sends), sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
  }, runWith(traced, wire.id)?.id)),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    return [...setSender(traced, at, formatsTaken(traced, at)).slice(0, 3), ...swapRadio(traced, at), ...replaceDevice(traced, at.wire.to.node.id, 3, true)]
  },
}

const atRadio = (traced: Traced) => stoppedBy(traced, 'not-passed', 'not-taken').filter(({ wire }) => isRadio(wire.to!.node.model))
