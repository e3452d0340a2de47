import { isStage } from '#core/chain'
import { TRANSFER_TITLES } from '#core/signal'
import { text } from '../finding'
import { offerWays, setTrait, throughDevices, waysFor } from '../offers'
import { finding, runWith, socketName, wireAt, type Rule } from '../rule'

export const F19: Rule = {
  id: 'F19',
  about: 'An HDR or log picture in an SDR chain.',
  says: { washed: '{sender} sends {transfer}, and {input} mixes SDR: the picture looks flat and washed out beside the others.' },
  find: traced => [...traced.trace.wires.values()].filter(({ arrives, signal, wire }) => arrives && signal && signal.transfer !== 'sdr' && isStage(wire.to!.node)).map(({ wire, signal }) => finding('F19', 'Q', { on: 'link', link: wire.id, part: 'to' }, 'washed', {
    sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name), transfer: text(TRANSFER_TITLES[signal!.transfer]), input: text(socketName(wire.to!)),
  }, runWith(traced, wire.id)?.id)),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const mapping = throughDevices(waysFor(traced, at)).filter(way => way.devices.some(({ row }) => row.paths[0]!.maps === 'sdr'))
    return [...setTrait(traced, at.signal!, 'transfers', 'sdr', 'SDR'), ...offerWays(traced, at, mapping, 2)]
  },
}
