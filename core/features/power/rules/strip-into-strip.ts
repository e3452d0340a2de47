import { circuitOf, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

/** Strips that are plugged into a strip which is there. */
export const stripIntoStrip = rule({
  code: 'P07',
  about: 'A strip of outlets is plugged into a strip.',
  messages: {
    chained: {
      severity: 'H',
      says: '{strip} is plugged into {other}: plugs and leads of the first carry what hangs on both, warm up, and work loose. Plug each into an outlet of the wall; follow local codes.',
    },
  },
  find: ({ plan }, say) =>
    Object.entries(plan.strips).flatMap(([id, { title, strip }]) => {
      const other = strip === undefined || strip === id ? undefined : own(plan.strips, strip)
      return other ? [say('chained', { on: 'strip', strip: id }, { strip: text(title), other: text(other.title) })] : []
    }),
  remedies: ({ plan }, { at }) => {
    const one = at.on === 'strip' ? own(plan.strips, at.strip) : undefined
    if (at.on !== 'strip' || !one) return []
    const root = circuitOf(plan, at.strip)
    const circuits = root === undefined ? Object.keys(plan.circuits) : [root]
    return circuits.slice(0, 3).map((circuit): Proposal => {
      const draft = new Draft(plan)
      draft.set(['strips', at.strip, 'strip'])
      draft.set(['strips', at.strip, 'circuit'], circuit)
      return {
        title: `Plug ${one.title} into an outlet of ${plan.circuits[circuit]!.title}`.slice(0, 120),
        edits: draft.edits,
      }
    })
  },
})
