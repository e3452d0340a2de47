import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { figure } from '#core/words'
import { linesOf } from './load'

const line: Command<CommandContext> = {
  name: 'line',
  about: 'says what each encoder sends, what each uplink must carry, and what was measured on it.',
  options: {},
  json: true,
  run: ({ checked, json }) => {
    const { encoders, lines, headroom } = linesOf(checked.traced)
    if (json) return { out: JSON.stringify({ headroom, encoders, lines }, null, 2), exit: 0 }
    const out = [
      ...encoders.flatMap(({ name, sending, mbps }) => [
        `${name} sends ${figure(mbps)} Mb/s:`,
        ...sending.map(one => `  ${one.title}: ${figure(one.mbps)} Mb/s`),
      ]),
      ...lines.map(
        ({ uplink, needMbps, countedMbps, volumeGB }) =>
          `${uplink.title}: must carry ${figure(needMbps)} Mb/s, ${countedMbps === undefined ? 'not measured' : `${figure(countedMbps)} Mb/s measured`}${volumeGB === undefined ? '' : `, ${figure(volumeGB)} GB in the show`}`,
      ),
    ]
    return { out: out.join('\n') || 'Nothing is streamed.', exit: 0 }
  },
}

export const COMMANDS = [line]
