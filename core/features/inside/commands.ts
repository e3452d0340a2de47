import { tracedOf } from '#core/chain'
import { own } from '#core/document'
import { Unusable, type Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { inside } from './inside'

const SHARE_WORDS = { always: 'always', can: 'when cut to', tile: 'as a tile', heard: 'heard' } as const

const insideCommand: Command<CommandContext> = {
  name: 'inside',
  about: 'lists what each screen, recorder and stream can show and lets be heard.',
  options: { segment: { value: 'ID' } },
  json: true,
  run: ({ plan, checked, values, json }) => {
    const segment = values.get('segment')
    if (segment !== undefined && !own(plan.segments, segment))
      throw new Unusable(`no segment ${segment}; there are: ${Object.keys(plan.segments).sort().join(', ')}`)
    const { deliverables, layers, share } = inside(segment === undefined ? checked.traced : tracedOf(plan, { segment }))
    if (json) return { out: JSON.stringify({ version: 1, layers, deliverables, share }, null, 2), exit: 0 }
    const lines = deliverables.flatMap(({ name, feed, lit, misses }, j) => [
      `${name} (${lit ? (feed ?? 'a source') : 'dark'})${misses.length ? `, misses ${misses.join(', ')}` : ''}`,
      ...Object.entries(SHARE_WORDS).flatMap(([kind, words]) => {
        const held = layers.filter((_, i) => share[i]![j] === kind).map(layer => layer.name)
        return held.length ? [`    ${words}: ${held.join(', ')}`] : []
      }),
    ])
    return { out: lines.join('\n') || 'Nothing is delivered yet.', exit: 0 }
  },
}

export const COMMANDS = [insideCommand]
