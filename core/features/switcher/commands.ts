import { own } from '#core/document'
import { Unusable, type Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { type Sheet, sheetOf, sheetsOf } from './setup'

const printed = ({ name, model, steps }: Sheet): string[] => [
  `${name}, ${model}`,
  ...steps.map(({ title, port, value, where, when, hint }, i) =>
    [
      `${String(i + 1).padStart(4)}. ${[title, port && `at ${port}`].filter(Boolean).join(' ')}: ${value}`,
      [where, when].filter(Boolean).join(', '),
      hint,
    ]
      .filter(Boolean)
      .join('  | '),
  ),
]

const setup: Command<CommandContext> = {
  name: 'setup',
  about: 'prints the set-up sheet of a device, or of all on which something is set.',
  options: { device: { value: 'ID' } },
  json: true,
  run: ({ plan, checked: { traced }, values, json }) => {
    const id = values.get('device')
    if (id !== undefined && !own(plan.devices, id))
      throw new Unusable(`no device ${id}; there are: ${Object.keys(plan.devices).sort().join(', ')}`)
    const sheets = id === undefined ? sheetsOf(traced) : [sheetOf(traced, traced.chain.nodes.get(id)!)]
    if (json) return { out: JSON.stringify({ version: 1, sheets }, null, 2), exit: 0 }
    const lines = sheets.flatMap((sheet, i) => [...(i ? [''] : []), ...printed(sheet)])
    return { out: lines.join('\n') || 'Nothing is set on any device.', exit: 0 }
  },
}

export const COMMANDS = [setup]
