import { runAt } from '#core/chain'
import { addressText } from '#core/document'
import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { readdressed, reserved } from '../facts'

export const addressReserved = rule({
  code: 'N03',
  about: 'A device has the address of its network, or the one that all of the network hear.',
  messages: {
    reserved: {
      severity: 'D',
      says: '{device} has {address}, which belongs to its whole network: no device can be called by it.',
    },
  },
  find: (traced, say) =>
    reserved(traced).map(({ node, address }) =>
      say(
        'reserved',
        { on: 'device', device: node.id },
        { device: text(node.device.name), address: text(addressText(address)) },
        runAt(traced, node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = reserved(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return found ? readdressed(traced, found, found.address) : []
  },
})
