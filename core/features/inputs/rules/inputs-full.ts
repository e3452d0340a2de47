import { count, ghost, text } from '#core/kernel'
import { excessSources, moreInputs, removalEdits, rule } from '#core/propose'
import { listWords } from '#core/words'

export const inputsFull = rule({
  code: 'C09',
  about: 'More sources than inputs.',
  messages: {
    full: {
      severity: 'D',
      says: 'No input is left for {names}, {idle} of {sources} sources: with every input taken, what is not connected cannot be shown.',
    },
  },
  find: (traced, say) => {
    const idle = excessSources(traced)
    if (idle.length === 0) return []
    const sources = [...traced.chain.nodes.values()].filter(({ model }) => model.role === 'source').length
    return [
      {
        ...ghost(
          'Inputs',
          say(
            'full',
            { on: 'show' },
            {
              names: text(listWords(idle.map(({ device }) => device.name))),
              idle: count(idle.length),
              sources: count(sources),
            },
          ),
        ),
        run: `source:${idle[0]!.id}`,
      },
    ]
  },
  remedies: traced => [
    ...moreInputs(traced, excessSources(traced).length),
    ...excessSources(traced).map(node => ({
      title: `Give up ${node.device.name}`.slice(0, 120),
      edits: removalEdits(traced.plan, node.id),
      givesUp: true as const,
    })),
  ],
})
