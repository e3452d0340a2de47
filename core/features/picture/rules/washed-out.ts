import { isSwitcher, runWith, socketName, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { offerWays, rule, setTrait, throughDevices, waysFor } from '#core/propose'
import { TRANSFER_TITLES } from '#core/signal'

export const washedOut = rule({
  code: 'F19',
  about: 'An HDR or log picture in an SDR chain.',
  messages: {
    washed: {
      severity: 'Q',
      says: '{sender} sends {transfer}, and {input} mixes SDR: the picture looks flat and washed out beside the others.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()]
      .filter(
        ({ arrives, signal, wire }) => arrives && signal && signal.transfer !== 'sdr' && isSwitcher(wire.to!.node),
      )
      .map(({ wire, signal }) =>
        say(
          'washed',
          { on: 'link', link: wire.id, part: 'to' },
          {
            sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name),
            transfer: text(TRANSFER_TITLES[signal!.transfer]),
            input: text(socketName(wire.to!)),
          },
          runWith(traced, wire.id)?.id,
        ),
      ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const mapping = throughDevices(waysFor(traced, at)).filter(way =>
      way.devices.some(({ row }) => row.paths[0]!.maps === 'sdr'),
    )
    return [...setTrait(traced, at.signal!, 'transfers', 'sdr', 'SDR'), ...offerWays(traced, at, mapping, 2)]
  },
})
