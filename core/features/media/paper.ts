import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { figure } from '#core/words'
import { CODING_WORDS } from './collection'
import { recordingsOf } from './records'
import { lastingText } from './words'

const gb = (value: number): string => `${figure(value, value < 100 ? 1 : 0)}\u00A0GB`

/** What records, on what, how long it lasts; absent where nothing records. */
export function mediaSheet({ traced }: Checked): Paper | undefined {
  const all = recordingsOf(traced)
  if (all.length === 0) return undefined
  return {
    id: 'media',
    title: 'Media',
    about:
      'What is recorded where, what it needs, and what is in it. Formatting a card erases it: copy before, format at the device.',
    columns: [
      { key: 'device', title: 'Recorder' },
      { key: 'coding', title: 'Written as' },
      { key: 'tracks', title: 'Tracks', figures: true },
      { key: 'rate', title: 'Rate', figures: true },
      { key: 'speed', title: 'Needs without pause', figures: true },
      { key: 'room', title: 'Needs', figures: true },
      { key: 'medium', title: 'Medium' },
      { key: 'lasts', title: 'Lasts', figures: true },
      { key: 'done', title: 'Formatted' },
    ],
    rows: all.map(({ name, coding, tracks, mbps, needMBs, needGB, media, lastsMinutes }) => ({
      device: name,
      coding: CODING_WORDS[coding],
      tracks: String(tracks),
      rate: `${figure(mbps / 8)}\u00A0MB/s`,
      speed: `${figure(needMBs)}\u00A0MB/s`,
      room: needGB === undefined ? '' : gb(needGB),
      medium: media.length
        ? media
            .map(([, one]) => `${(one.count ?? 1) > 1 ? `${one.count} \u00D7 ` : ''}${one.title}, ${gb(one.gb)}`)
            .join('; ')
        : 'nothing said',
      lasts: lastsMinutes === undefined ? '' : lastingText(lastsMinutes),
      done: '\u2610',
    })),
  }
}
