import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { listWords } from '#core/words'
import { alikeAtFirst } from '../facts'

const firstOf = (traced: Traced, device: string): DeviceNode[] | undefined =>
  alikeAtFirst(traced).find(([first]) => first!.id === device)

export const alikeFirst = rule({
  code: 'N14',
  about: 'Devices that come with one address are connected at once before each has its own.',
  messages: {
    alike: {
      severity: 'R',
      says: '{devices} come with the same address, {address}: connected at once, none of them can be set up.',
    },
  },
  find: (traced, say) =>
    alikeAtFirst(traced).map(group =>
      say(
        'alike',
        { on: 'device', device: group[0]!.id },
        {
          devices: text(listWords(group.map(({ device }) => device.name))),
          address: text(group[0]!.device.comesWith!.replace(/\/.*/, '')),
        },
        runAt(traced, group[0]!.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const group = at.on === 'device' ? firstOf(traced, at.device) : undefined
    if (!group) return []
    const draft = new Draft(traced.plan)
    group.forEach(({ id }, i) => draft.set(['devices', id, 'visit'], i + 1))
    return [{ title: 'Set them up one after the other, each alone on the network', edits: draft.edits }]
  },
})
