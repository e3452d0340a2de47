import { removalEdits } from '../addition'
import { count } from '../finding'
import { idleSources, inputsAreFull, moreInputs } from '../grow'
import { finding, ghost, type Rule } from '../rule'

export const C09: Rule = {
  id: 'C09',
  about: 'More sources than inputs.',
  says: { full: 'No input is left for {idle} of {sources} sources: with every input taken, what is not connected cannot be shown.' },
  find: (traced) => {
    if (!inputsAreFull(traced)) return []
    const sources = [...traced.chain.nodes.values()].filter(({ model }) => model.role === 'source').length
    const idle = idleSources(traced)
    return [{ ...ghost('Inputs', finding('C09', 'D', { on: 'show' }, 'full', { idle: count(idle.length), sources: count(sources) })), run: `source:${idle[0]!.id}` }]
  },
  remedies: traced => [
    ...moreInputs(traced),
    ...idleSources(traced).map(node => ({ title: `Give up ${node.device.name}`.slice(0, 120), edits: removalEdits(traced.plan, node.id), givesUp: true as const })),
  ],
}
