import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { jumpsOf } from '#core/run'

const jumps: Command<CommandContext> = {
  name: 'jumps',
  about: 'counts how one gets from each source on air to each other: presses, and where no way is clean.',
  options: {},
  json: true,
  run: ({ checked: { traced }, json, strong }) => {
    const all = jumpsOf(traced)
    if (json) return { out: JSON.stringify({ version: 1, switchers: all }, null, 2), exit: 0 }
    const name = (id: string) => traced.chain.nodes.get(id)!.device.name
    const lines = all.flatMap(({ last, sources, rows }) => {
      const each = rows.flat().flatMap(jump => jump ?? [])
      const clean = each.filter(({ kind }) => kind === 'clean').length
      return [
        `${strong(name(last))}: ${sources.length} sources, ${each.length} jumps, ${clean} clean, ${each.length - clean} by a picture between`,
        ...[1, 2, 3, 4, 5].flatMap(presses => {
          const some = each.filter(jump => jump.kind === 'clean' && jump.presses === presses).length
          return some ? [`    ${some} with at most ${presses} ${presses === 1 ? 'press' : 'presses'}`] : []
        }),
        ...rows.flatMap((row, i) =>
          row.flatMap((jump, j) =>
            jump?.kind === 'detour' ? [`    no clean way from ${name(sources[i]!)} to ${name(sources[j]!)}`] : [],
          ),
        ),
      ]
    })
    return { out: lines.join('\n') || 'There is nothing to jump between.', exit: 0 }
  },
}

export const COMMANDS = [jumps]
