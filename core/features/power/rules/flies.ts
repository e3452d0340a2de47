import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure } from '#core/words'
import type { Battery } from '../collection'

/** Free up to this, with the airline's approval up to the second, Wh each; above, not with people at all. */
const FREE_WH = 100
const APPROVED_WH = 160
/** Spares between the two that one person may have. */
const MOST_APPROVED = 2

export const flies = rule({
  code: 'P09',
  about: 'A lithium battery above what may be carried by air, on a show that flies.',
  messages: {
    never: {
      severity: 'H',
      says: '{battery} holds {wh} and may not fly with people: above {limit} none may. Ask the airline; terminals covered, damaged ones out.',
    },
    many: {
      severity: 'H',
      says: 'Of {battery} {count} fly, each of {wh}: between {free} and {limit} the airline must approve each, and one person may have {most}. Terminals covered, damaged ones out.',
    },
  },
  find: (traced, say) =>
    aloft(traced).map(([id, battery]) =>
      say(
        battery.wh > APPROVED_WH ? 'never' : 'many',
        { on: 'battery', battery: id },
        {
          battery: text(battery.title),
          wh: text(`${figure(battery.wh)}\u00A0Wh`),
          count: text(String(battery.count ?? 1)),
          free: text(`${FREE_WH}\u00A0Wh`),
          limit: text(`${APPROVED_WH}\u00A0Wh`),
          most: text(String(MOST_APPROVED)),
        },
      ),
    ),
  remedies: ({ plan }, { at }) => {
    const battery = at.on === 'battery' ? own(plan.batteries, at.battery) : undefined
    if (at.on !== 'battery' || !battery) return []
    const [freight, small] = [new Draft(plan), new Draft(plan)]
    freight.set(['batteries', at.battery, 'freight'], true)
    const count = Math.ceil((battery.wh * (battery.count ?? 1)) / SMALL_WH)
    small.set(['batteries', at.battery, 'wh'], SMALL_WH)
    small.set(['batteries', at.battery, 'count'], count)
    const offers: Proposal[] = [
      ...(battery.kind === 'pack' && count <= 99
        ? [{ title: `Take ${count} packs of ${SMALL_WH}\u00A0Wh in its place`, edits: small.edits }]
        : []),
      { title: `Send ${battery.title} by freight`.slice(0, 120), edits: freight.edits },
    ]
    return offers
  },
})

const SMALL_WH = 98

function aloft({ plan }: Traced): [string, Battery][] {
  if (!plan.brief.flies) return []
  return Object.entries(plan.batteries).filter(
    ([, { wh, count = 1, freight }]) => !freight && (wh > APPROVED_WH || (wh > FREE_WH && count > MOST_APPROVED)),
  )
}
