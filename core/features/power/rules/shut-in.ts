import { bodyOf } from '#core/catalog'
import { runAt } from '#core/chain'
import { own } from '#core/document'
import { power, text } from '#core/kernel'
import { Draft, rule } from '#core/propose'

/** Devices that need moving air and stand where there is none. */
export const shutIn = rule({
  code: 'P08',
  about: 'A device that grows warm stands shut in, where no air moves.',
  messages: {
    shut: {
      severity: 'Q',
      says: '{device} turns {watts} into heat and stands shut in: it slows down, and in hours it fails. Leave a hand of space at its vents, nothing on top.',
    },
  },
  find: (traced, say) =>
    Object.entries(traced.plan.devices).flatMap(([id, { name, model, boxed }]) => {
      const row = traced.plan.models[model]!
      return boxed && bodyOf(row).warm
        ? [
            say(
              'shut',
              { on: 'device', device: id },
              { device: text(name), watts: power(row.watts) },
              runAt(traced, id),
            ),
          ]
        : []
    }),
  remedies: ({ plan }, { at }) => {
    const device = at.on === 'device' ? own(plan.devices, at.device) : undefined
    if (at.on !== 'device' || !device?.boxed) return []
    const draft = new Draft(plan)
    draft.set(['devices', at.device, 'boxed'])
    return [{ title: `Let ${device.name} stand in the open`.slice(0, 120), edits: draft.edits }]
  },
})
