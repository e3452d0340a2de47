import { runAt } from '#core/chain'
import { addressText, dottedText } from '#core/document'
import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { pooled, poolOf, readdressed } from '../facts'

export const addressPooled = rule({
  code: 'N04',
  about: 'A fixed address lies among those that the network gives out by itself.',
  messages: {
    pooled: {
      severity: 'R',
      says: '{device} has {address} fixed, and the network gives out {first} to {last} by itself: another device may get it.',
    },
  },
  find: (traced, say) => {
    const pool = poolOf(traced.plan)
    return pooled(traced).map(({ node, address }) =>
      say(
        'pooled',
        { on: 'device', device: node.id },
        {
          device: text(node.device.name),
          address: text(addressText(address)),
          first: text(dottedText(pool!.first)),
          last: text(dottedText(pool!.last)),
        },
        runAt(traced, node.id),
      ),
    )
  },
  remedies: (traced, { at }) => {
    const found = pooled(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return found ? readdressed(traced, found, found.address) : []
  },
})
