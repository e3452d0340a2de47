import { bodyOf } from '#core/catalog'
import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { circuitOf, hangingBehind, hangingOn, own } from '#core/document'
import { power, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { deviceAt, poweredAt } from '../anchors'
import { addStrip, moveTo } from '../relieve'

/** Without a switch of their own, on outlets without one, in a rig that stays built up overnight. */
function leftOn({ plan, chain }: Traced): DeviceNode[] {
  if (!plan.brief.stays) return []
  const behindSwitch = new Set([
    ...Object.entries(plan.circuits).flatMap(([id, { switched }]) => (switched ? [...hangingOn(plan, id)] : [])),
    ...Object.entries(plan.strips).flatMap(([id, { switched }]) => (switched ? [...hangingBehind(plan, id)] : [])),
  ])
  const plugged = new Set(Object.keys(plan.circuits).flatMap(id => [...hangingOn(plan, id)]))
  return [...chain.nodes.values()].filter(
    ({ id, model }) => plugged.has(id) && !behindSwitch.has(id) && model.watts > 0 && bodyOf(model).unswitched,
  )
}

/** Onto a strip of the same circuit that has a switch; where there is none, onto a new one. */
function switchedOff(traced: Traced, { id, device }: DeviceNode): Proposal[] {
  const { plan } = traced
  const circuit = Object.keys(plan.circuits).find(one => hangingOn(plan, one).has(id))!
  const known = Object.entries(plan.strips).find(
    ([one, { switched }]) => switched !== undefined && circuitOf(plan, one) === circuit,
  )
  const draft = new Draft(plan)
  moveTo(draft, id, undefined)
  if (known) draft.set(['strips', known[0], 'loads', id], true)
  else
    addStrip(draft, circuit, `With a switch, ${plan.circuits[circuit]!.title}`, {
      switched: 'in-turn',
      loads: { [id]: true },
    })
  const title = known ? `Plug ${device.name} into ${known[1].title}` : `A strip with a switch for ${device.name}`
  return [{ title: title.slice(0, 120), edits: draft.edits }]
}

/** Devices that need moving air and stand where there is none, and those that nobody can switch off overnight. */
export const shutIn = rule({
  code: 'P08',
  about: 'A device that grows warm stands shut in, where no air moves; one without a switch stays on overnight.',
  messages: {
    left: {
      severity: 'Q',
      apart: true,
      says: '{device} has no switch, and no outlet with one: while the rig stays built up it is on all night, {watts} as heat.',
    },
    shut: {
      severity: 'Q',
      says: '{device} turns {watts} into heat and stands shut in: it slows down, and in hours it fails. Leave a hand of space at its vents, nothing on top.',
    },
  },
  find: (traced, say) => [
    ...leftOn(traced).map(({ id, device, model }) =>
      say('left', poweredAt(id, model), { device: text(device.name), watts: power(model.watts) }, runAt(traced, id)),
    ),
    ...Object.entries(traced.plan.devices).flatMap(([id, { name, model, boxed }]) => {
      const row = traced.plan.models[model]!
      return boxed && bodyOf(row).warm
        ? [say('shut', poweredAt(id, row), { device: text(name), watts: power(row.watts) }, runAt(traced, id))]
        : []
    }),
  ],
  remedies: (traced, { at, says }) => {
    const { plan } = traced
    if (says === 'left') {
      const node = leftOn(traced).find(({ id }) => id === deviceAt(at))
      return node ? switchedOff(traced, node) : []
    }
    const id = deviceAt(at)
    const device = id === undefined ? undefined : own(plan.devices, id)
    if (id === undefined || !device?.boxed) return []
    const draft = new Draft(plan)
    draft.set(['devices', id, 'boxed'])
    return [{ title: `Let ${device.name} stand in the open`.slice(0, 120), edits: draft.edits }]
  },
})
