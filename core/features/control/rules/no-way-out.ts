import { runAt } from '#core/chain'
import { addressText } from '#core/document'
import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { gatewayOf, outside, readdressed } from '../facts'

export const noWayOut = rule({
  code: 'N05',
  about: 'The gateway lies outside of the subnet of a device that sends over the line.',
  messages: {
    outside: {
      severity: 'R',
      says: '{device} sends over {line} and has {address}; the way out of the house is {gateway}, on another subnet: nothing of it gets out.',
    },
  },
  find: (traced, say) =>
    outside(traced).map(({ one, line }) =>
      say(
        'outside',
        { on: 'device', device: one.node.id },
        {
          device: text(one.node.device.name),
          line: text(line),
          address: text(addressText(one.address)),
          gateway: text(addressText(gatewayOf(traced.plan)!)),
        },
        runAt(traced, one.node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = outside(traced).find(({ one }) => at.on === 'device' && one.node.id === at.device)
    return found ? readdressed(traced, found.one, gatewayOf(traced.plan)!) : []
  },
})
