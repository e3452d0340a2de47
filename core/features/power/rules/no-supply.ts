import { type Traced, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { deviceAt, poweredAt } from '../anchors'
import { circuitsFact } from '../circuits'
import { type Unsupplied, unsupplied } from '../supplied'

const isWay = ({ node }: Unsupplied): boolean => node.model.role === 'way'

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

const dark = (code: string, about: string, mine: (one: Unsupplied) => boolean) =>
  rule({
    code,
    about,
    messages: MESSAGES,
    find: (traced, say) =>
      unsupplied(traced)
        .filter(mine)
        .map(({ node, place }) =>
          say(
            node.model.supply === 'usb' ? 'usb' : 'mains',
            poweredAt(node.id, node.model),
            { device: text(node.device.name), place: text(place) },
            runAt(traced, node.id),
          ),
        ),
    remedies: (traced, { at }) => {
      const one = unsupplied(traced).find(({ node }) => node.id === deviceAt(at))
      return one && mine(one) ? [...byLead(traced, one), ...byOutlet(traced, one), ...byBank(traced, one)] : []
    },
  })

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

export const wayUnsupplied = dark(
  'P05',
  'A radio link or converter on the way of a picture has no supply in the plan.',
  isWay,
)
export const deviceUnsupplied = dark(
  'P10',
  'A device stands where there is neither mains, nor power over the network, nor a battery for it.',
  one => !isWay(one),
)
