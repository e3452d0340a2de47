import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { type Anchor, text } from '#core/kernel'
import { Draft, type Proposal, receiverEdits, rule } from '#core/propose'
import { deviceAt, poweredAt } from '../anchors'
import { circuitsFact } from '../circuits'
import { type Unsupplied, unsupplied, withoutReceiver } from '../supplied'

const isWay = ({ node }: Unsupplied): boolean => node.model.role === 'way' || node.model.kind === 'receiver'

const MESSAGES = {
  mains: {
    severity: 'D',
    says: '{device} needs an outlet, and at {place} there is none: it stays dark.',
  },
  usb: {
    severity: 'D',
    says: '{device} lives on USB, and at {place} nothing gives it: neither an outlet for its supply, nor a computer or screen, nor a bank.',
  },
} as const

const darkIn = (traced: Traced, mine: (one: Unsupplied) => boolean) =>
  unsupplied(traced)
    .filter(mine)
    .map(({ node, place }) => ({
      says: node.model.supply === 'usb' ? ('usb' as const) : ('mains' as const),
      at: poweredAt(node.id, node.model),
      names: { device: text(node.device.name), place: text(place) },
      run: runAt(traced, node.id),
    }))

function suppliesFor(traced: Traced, at: Anchor, mine: (one: Unsupplied) => boolean): Proposal[] {
  const one = unsupplied(traced).find(({ node }) => node.id === deviceAt(at))
  return one && mine(one) ? [...byLead(traced, one), ...byOutlet(traced, one), ...byBank(traced, one)] : []
}

/** The network lead that it has already, where its switch can feed it. */
function byLead({ plan }: Traced, { node }: Unsupplied): Proposal[] {
  const takes = Object.values(node.model.ports).some(({ poe }) => poe && 'takes' in poe)
  if (!takes) return []
  const draft = new Draft(plan)
  draft.set(['devices', node.id, 'fed'], 'poe')
  return [{ title: `Feed ${node.device.name} over its network lead`.slice(0, 120), edits: draft.edits }]
}

/** The circuits with the most room first. */
function byOutlet(traced: Traced, { node, place }: Unsupplied): Proposal[] {
  return [...traced.ask(circuitsFact).circuits]
    .sort((a, b) => a.share - b.share)
    .slice(0, 2)
    .map(({ id, title, places }) => {
      const draft = new Draft(traced.plan)
      draft.set(['circuits', id, 'places'], [...places, place])
      draft.set(['circuits', id, 'loads', node.id], true)
      return { title: `Lay a mains lead from ${title} to ${place}`.slice(0, 120), edits: draft.edits }
    })
}

/** A bank feeds a box; what draws more than it gives lives on the mains. */
const BANK = { wh: 74, mostW: 15 }
function byBank({ plan }: Traced, { node }: Unsupplied): Proposal[] {
  if (node.model.supply !== 'usb' || node.model.watts > BANK.mostW) return []
  const draft = new Draft(plan)
  draft.add('batteries', `bank ${node.id}`, {
    title: `Bank, ${node.device.name}`.slice(0, 120),
    order: 1 + Math.max(0, ...Object.values(plan.batteries).map(({ order }) => order)),
    kind: 'bank',
    ...BANK,
    loads: { [node.id]: true },
  })
  return [{ title: `Feed ${node.device.name} by a bank of ${BANK.wh}\u00A0Wh`.slice(0, 120), edits: draft.edits }]
}

function receiversFor(traced: Traced, node: DeviceNode): Proposal[] {
  const edits = receiverEdits(traced, node.id)
  const count = edits.filter(edit => edit.do === 'add' && edit.collection === 'devices').length
  const what = count > 1 ? `${count} receivers` : 'the receiver'
  return count ? [{ title: `Put in ${what} of ${node.device.name}`.slice(0, 120), edits }] : []
}

export const wayUnsupplied = rule({
  code: 'P05',
  about: 'A radio link, one end of it, or a converter on the way of a picture has no supply in the plan.',
  messages: {
    ...MESSAGES,
    receiver: {
      severity: 'R',
      apart: true,
      says: 'The receiver of {device} is no device of the plan: where it stands, and what feeds it, is not judged.',
    },
  },
  find: (traced, say) => [
    ...darkIn(traced, isWay).map(({ says, at, names, run }) => say(says, at, names, run)),
    ...withoutReceiver(traced).map(node =>
      say('receiver', { on: 'device', device: node.id }, { device: text(node.device.name) }, runAt(traced, node.id)),
    ),
  ],
  remedies: (traced, { at, says }) => {
    if (says !== 'receiver') return suppliesFor(traced, at, isWay)
    const one = withoutReceiver(traced).find(({ id }) => at.on === 'device' && id === at.device)
    return one ? receiversFor(traced, one) : []
  },
})

export const deviceUnsupplied = rule({
  code: 'P10',
  about: 'A device stands where there is neither mains, nor power over the network, nor a battery for it.',
  messages: MESSAGES,
  find: (traced, say) =>
    darkIn(traced, one => !isWay(one)).map(({ says, at, names, run }) => say(says, at, names, run)),
  remedies: (traced, { at }) => suppliesFor(traced, at, one => !isWay(one)),
})
