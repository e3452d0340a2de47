import { runAt } from '#core/chain'
import { addressText } from '#core/document'
import { text } from '#core/kernel'
import { rule } from '#core/propose'
import { astray, readdressed } from '../facts'

export const addressApart = rule({
  code: 'N02',
  about: 'A device lies on another subnet than what controls it.',
  messages: {
    apart: {
      severity: 'D',
      says: '{device} has {address}, and {controller}, which is to work it, {other}: they lie on two subnets and do not find each other.',
    },
  },
  find: (traced, say) =>
    astray(traced).map(({ one, controller }) =>
      say(
        'apart',
        { on: 'device', device: one.node.id },
        {
          device: text(one.node.device.name),
          address: text(addressText(one.address)),
          controller: text(controller.node.device.name),
          other: text(addressText(controller.address)),
        },
        runAt(traced, one.node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = astray(traced).find(({ one }) => at.on === 'device' && one.node.id === at.device)
    return found
      ? [
          ...readdressed(traced, found.one, found.controller.address),
          ...readdressed(traced, found.controller, found.one.address),
        ]
      : []
  },
})
