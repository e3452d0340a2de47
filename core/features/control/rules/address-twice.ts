import { runAt } from '#core/chain'
import { dottedText } from '#core/document'
import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { readdressed, sharing } from '../facts'

export const addressTwice = rule({
  code: 'N01',
  about: 'Two devices have one network address.',
  messages: {
    twice: {
      severity: 'D',
      says: '{device} and {other} both have the address {address}: what is sent to one may reach the other, or neither.',
    },
  },
  find: (traced, say) =>
    sharing(traced).map(({ one, other }) =>
      say(
        'twice',
        { on: 'device', device: one.node.id },
        {
          device: text(one.node.device.name),
          other: text(other.node.device.name),
          address: text(dottedText(one.address.ip)),
        },
        runAt(traced, one.node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = sharing(traced).find(({ one }) => at.on === 'device' && one.node.id === at.device)
    return found
      ? [...readdressed(traced, found.one, found.one.address), ...readdressed(traced, found.other, found.one.address)]
      : []
  },
})
