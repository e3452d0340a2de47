import { tracedOf } from '#core/chain'
import { own } from '#core/document'
import { Unusable, type Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { whoSees } from './seen'

const looks: Command<CommandContext> = {
  name: 'looks',
  about: 'lists what every audience sees in each moment of the show, or of one segment.',
  options: { segment: { value: 'ID' } },
  json: true,
  run: ({ plan, values, json, strong }) => {
    const segment = values.get('segment')
    if (segment !== undefined && !own(plan.segments, segment))
      throw new Unusable(`no segment ${segment}; there are: ${Object.keys(plan.segments).sort().join(', ')}`)
    const { audiences, instants, cells, pictures } = whoSees(tracedOf(plan, segment === undefined ? {} : { segment }))
    if (json) return { out: JSON.stringify({ version: 1, audiences, instants, cells, pictures }, null, 2), exit: 0 }
    const lines = instants.flatMap(({ segmentTitle, title, lookTitle }, j) => [
      strong([segmentTitle, title].filter(Boolean).join(': ')) + (lookTitle ? `, ${lookTitle}` : ''),
      ...audiences.map(({ name, wanted }, i) => `    ${name}${wanted ? ` (${wanted})` : ''}: ${cells[i]![j]!.words}`),
    ])
    return { out: lines.join('\n') || 'Nobody sees anything yet.', exit: 0 }
  },
}

export const COMMANDS = [looks]
