import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { CODING_WORDS, own } from '#core/document'
import { formatLabel } from '#core/signal'
import { clockSeconds, figure } from '#core/words'
import { playersOf } from './facts'

/** What each player holds, in its order, and on what. */
export function clipSheet({ traced }: Checked): Paper | undefined {
  const players = playersOf(traced)
  if (players.length === 0) return undefined
  return {
    id: 'clips',
    title: 'Clips',
    about: 'What each player plays, in the order of its list. Formatting a card erases it: copy before.',
    columns: [
      { key: 'player', title: 'Player' },
      { key: 'number', title: 'No.', figures: true },
      { key: 'title', title: 'Clip' },
      { key: 'length', title: 'Lasts', figures: true },
      { key: 'end', title: 'At its end' },
      { key: 'format', title: 'Format' },
      { key: 'coding', title: 'Written as' },
      { key: 'alpha', title: 'Transparent' },
      { key: 'size', title: 'Size', figures: true },
      { key: 'medium', title: 'On' },
      { key: 'done', title: 'Copied' },
    ],
    rows: players.flatMap(({ name, clips }) =>
      clips.map(([, clip], i) => ({
        player: i === 0 ? name : '',
        number: clip.index === undefined ? '' : String(clip.index),
        title: clip.title,
        length: clockSeconds(clip.lengthS),
        end: clip.end,
        format: clip.format ? formatLabel(clip.format) : 'nobody looked',
        coding: clip.coding ? CODING_WORDS[clip.coding] : '',
        alpha: clip.alpha ? 'yes' : '',
        size: clip.gb === undefined ? '' : `${figure(clip.gb, 2)}\u00A0GB`,
        medium: clip.medium === undefined ? '' : (own(traced.plan.media, clip.medium)?.title ?? `${clip.medium}, gone`),
        done: '\u2610',
      })),
    ),
  }
}
