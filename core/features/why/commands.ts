import { own } from '#core/document'
import { Unusable, type Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { SYMPTOMS, why, type Symptom } from './why'

const whyCommand: Command<CommandContext> = {
  name: 'why',
  about: `lists what would explain a symptom there, the likeliest first: ${Object.keys(SYMPTOMS).join(', ')}.`,
  options: { at: { value: 'DEVICE[/PORT]', required: true }, symptom: { value: 'NAME', required: true } },
  json: true,
  run: ({ checked, plan, values, json }) => {
    const [device = '', port] = (values.get('at') ?? '').split('/')
    const there = own(plan.devices, device)
    if (!there) {
      const ids = Object.keys(plan.devices).join(', ')
      throw new Unusable(`--at: no device ${device || '(none given)'}; there are ${ids}`)
    }
    const { ports } = plan.models[there.model]!
    if (port !== undefined && !own(ports, port))
      throw new Unusable(`--at: no port ${port} at ${device}; there are ${Object.keys(ports).join(', ')}`)
    const symptom = values.get('symptom') ?? ''
    if (!Object.hasOwn(SYMPTOMS, symptom))
      throw new Unusable(`--symptom: found ${symptom || 'nothing'}; allowed: ${Object.keys(SYMPTOMS).join(', ')}`)
    const causes = why(checked, { device, ...(port === undefined ? {} : { port }) }, symptom as Symptom)
    if (json) return { out: JSON.stringify(causes, null, 2), exit: 0 }
    const lines = causes.map(({ what, because, test, certain }, i) => {
      const cause = `${certain ? 'Certain: ' : ''}${what}${because ? ` (${because})` : ''}`
      return `${i + 1}. ${cause}\n   ${test}`
    })
    return { out: lines.join('\n') || 'Nothing in the plan would explain it.', exit: 0 }
  },
}

export const COMMANDS = [whyCommand]
