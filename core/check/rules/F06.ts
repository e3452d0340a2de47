import { text, format } from '../finding'
import { isRadio } from '../radio'
import { formatsTaken, offerWays, replaceDevice, setSender, waysFor } from '../offers'
import { finding, runWith, stoppedBy, wireAt, type Rule } from '../rule'

export const F06: Rule = {
  id: 'F06',
  about: 'A device in the run does not pass the format.',
  says: { stopped: '{device} does not pass {sends} from {sender}: nothing leaves it.' },
  find: traced => stoppedBy(traced, 'not-passed').filter(({ wire }) => !isRadio(wire.to!.node.model)).map(({ wire, signal, stop }) => finding(
    'F06', 'D', { on: 'link', link: wire.id, part: 'to' }, 'stopped',
    { device: text(wire.to!.node.device.name), sends: format(stop.sends), sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name) },
    runWith(traced, wire.id)?.id,
  )),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at ? [...setSender(traced, at, formatsTaken(traced, at)).slice(0, 4), ...offerWays(traced, at, waysFor(traced, at)), ...replaceDevice(traced, at.wire.to!.node.id)] : []
  },
}
