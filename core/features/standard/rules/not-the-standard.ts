import { isSwitcher, type DeviceNode, type Traced } from '#core/chain'
import { ghost, text } from '#core/kernel'
import { Draft, otherStandards, rule } from '#core/propose'
import { formatLabel, sameFormat } from '#core/signal'

export const notTheStandard = rule({
  code: 'F24',
  about: 'The standard that the brief gives is not what the switchers work in.',
  messages: {
    other: {
      severity: 'Q',
      says: 'The brief gives {standard} as the standard, and {switchers} {works} in {now}: everything is made in another format than was agreed.',
    },
  },
  find: (traced, say) => {
    const { standard } = traced.plan.brief
    const others = strayed(traced)
    if (!standard || others.length === 0) return []
    return [
      ghost(
        'Standard of the brief',
        say(
          'other',
          { on: 'show' },
          {
            standard: text(formatLabel(standard)),
            switchers: text(others.map(({ device }) => device.name).join(', ')),
            works: text(others.length === 1 ? 'works' : 'work'),
            now: text([...new Set(others.map(({ standard: now }) => formatLabel(now!)))].join(', ')),
          },
        ),
      ),
    ]
  },
  remedies: traced => {
    const { standard } = traced.plan.brief
    const [first] = strayed(traced)
    if (!standard || !first) return []
    const brief = new Draft(traced.plan)
    brief.set(['brief', 'standard'])
    return [
      ...otherStandards(traced, first.id, { only: format => sameFormat(format, standard) }),
      { title: `Give up ${formatLabel(standard)} as the standard`, edits: brief.edits, givesUp: true },
    ]
  },
})

const strayed = ({ chain, plan }: Traced): DeviceNode[] =>
  [...chain.nodes.values()].filter(
    node => isSwitcher(node) && node.standard && plan.brief.standard && !sameFormat(node.standard, plan.brief.standard),
  )
