import type { Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { figure } from '#core/words'
import { copiesOf } from './copies'
import { CODING_WORDS } from './collection'
import { recordingsOf } from './records'
import { lastingText } from './words'

const media: Command<CommandContext> = {
  name: 'media',
  about: 'says what records, at which rate, what the show needs, and how long the media in it last.',
  options: {},
  json: true,
  run: ({ checked, json }) => {
    const recordings = recordingsOf(checked.traced)
    if (json) return { out: JSON.stringify({ recordings, copies: copiesOf(checked.traced) }, null, 2), exit: 0 }
    const lines = recordings.flatMap(({ name, coding, tracks, mbps, needMBs, needGB, media: inside, lastsMinutes }) => [
      `${name}: ${tracks} ${tracks === 1 ? 'track' : 'tracks'}, ${CODING_WORDS[coding]}, ${figure(mbps / 8)} MB/s`,
      `  needs ${figure(needMBs)} MB/s without pause${needGB === undefined ? '' : ` and ${figure(needGB, 0)} GB`}`,
      ...(inside.length
        ? inside.map(([, one]) => `  ${one.count ?? 1} of ${one.title}, ${figure(one.gb, 0)} GB`)
        : ['  nothing is said of its medium']),
      ...(lastsMinutes === undefined ? [] : [`  full after ${lastingText(lastsMinutes)}`]),
    ])
    return { out: lines.join('\n') || 'Nothing records.', exit: 0 }
  },
}

export const COMMANDS = [media]
