import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { figure } from '#core/words'
import { linesOf } from './load'

/** What is sent where and over which line; absent where nothing is streamed. */
export function lineSheet({ traced }: Checked): Paper | undefined {
  const { encoders, lines } = linesOf(traced)
  if (encoders.length === 0) return undefined
  const mbps = (value: number): string => `${figure(value)}\u00A0Mb/s`
  return {
    id: 'line',
    title: 'Stream and line',
    about:
      'What each encoder sends, and what the line must carry at the time of day of the show. Keys are kept elsewhere.',
    columns: [
      { key: 'encoder', title: 'Encoder' },
      { key: 'to', title: 'To' },
      { key: 'rate', title: 'Sends', figures: true },
      { key: 'line', title: 'Over' },
      { key: 'need', title: 'Line must carry', figures: true },
      { key: 'measured', title: 'Measured', figures: true },
      { key: 'volume', title: 'In the show', figures: true },
      { key: 'done', title: 'Tried' },
    ],
    rows: encoders.flatMap(({ name, sending, over }) =>
      sending.map(({ title, mbps: rate }, i) => {
        const mine = lines.filter(({ id }) => over.includes(id))
        return {
          encoder: i === 0 ? name : '',
          to: title,
          rate: mbps(rate),
          line: i === 0 ? mine.map(({ uplink }) => uplink.title).join(', ') || 'not said' : '',
          need: i === 0 ? mine.map(({ needMbps }) => mbps(needMbps)).join(', ') : '',
          measured:
            i === 0
              ? mine.map(({ countedMbps }) => (countedMbps === undefined ? '____' : mbps(countedMbps))).join(', ')
              : '',
          volume:
            i === 0
              ? mine.map(({ volumeGB }) => (volumeGB === undefined ? '' : `${figure(volumeGB)}\u00A0GB`)).join(', ')
              : '',
          done: '\u2610',
        }
      }),
    ),
  }
}
