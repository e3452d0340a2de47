import { type DeviceNode, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { miscalled } from '../facts'

export const portWrong = rule({
  code: 'N07',
  about: 'A controller calls a device at another port than it listens at.',
  messages: {
    wrong: {
      severity: 'D',
      says: '{controller} calls {device} at {called}, and it listens at {listens}: its picture comes, and nothing moves.',
    },
  },
  find: (traced, say) =>
    miscalled(traced).map(({ node, controller, listens, calledAt }) =>
      say(
        'wrong',
        { on: 'device', device: node.id },
        {
          controller: text(controller.device.name),
          device: text(node.device.name),
          called: text(calledAt),
          listens: text(listens),
        },
        runAt(traced, node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = miscalled(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    if (!found) return []
    const { node, listens, calledAt } = found
    const set = (title: string, { id }: DeviceNode, field: 'calledAt' | 'listens', value: string) => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', id, field], value)
      return { title: title.slice(0, 120), edits: draft.edits }
    }
    return [
      set(`Call ${node.device.name} at ${listens}`, node, 'calledAt', listens),
      set(`Let ${node.device.name} listen at ${calledAt}`, node, 'listens', calledAt),
    ]
  },
})
