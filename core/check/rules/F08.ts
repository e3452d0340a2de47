import { text, format } from '../finding'
import { formatsTaken, offerWays, otherStandards, setSender, throughDevices, waysFor } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'
import { isStage } from '#core/chain'

export const F08: Rule = {
  id: 'F08',
  about: 'An input with a list of formats does not have the one that is sent.',
  says: { stopped: '{sender} sends {sends} to {input}, which does not take it: no picture is shown there.' },
  find: traced => stoppedBy(traced, 'not-taken').map(({ wire, signal, stop }) => finding(
    'F08', 'D', { on: 'link', link: wire.id, part: 'to' }, 'stopped',
    { sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name), sends: format(stop.sends), input: text(socketName(wire.to!)) },
    runWith(traced, wire.id)?.id,
  )),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const setter = traced.chain.nodes.get(at.signal!.setBy.device)!
    return [
      ...(isStage(setter) ? otherStandards(traced, setter.id) : setSender(traced, at, formatsTaken(traced, at)).slice(0, 3)),
      ...offerWays(traced, at, throughDevices(waysFor(traced, at)), 2),
    ]
  },
}
