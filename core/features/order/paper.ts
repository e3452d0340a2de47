import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { listWords } from '#core/words'
import { segmentTimes } from './times'

/** The show as it goes; none where the plan has no segments. */
export function runningOrder({ traced: { plan, chain } }: Checked): Paper | undefined {
  const { rows } = segmentTimes(plan)
  if (rows.length === 0) return undefined
  const name = (id: string): string => chain.nodes.get(id)?.device.name ?? `${id}, which is gone`
  return {
    id: 'order',
    title: 'Running order',
    about: 'The show as its segments, when each begins, and what it uses.',
    columns: [
      { key: 'number', title: 'No.', figures: true },
      { key: 'begins', title: 'Begins', figures: true },
      { key: 'minutes', title: 'Lasts', figures: true },
      { key: 'title', title: 'Segment' },
      { key: 'sources', title: 'Uses' },
      { key: 'manned', title: 'Cameras with somebody at them' },
    ],
    rows: rows.map(({ segment, begins }, i) => {
      const used =
        segment.sources ?? [...chain.nodes.values()].filter(({ model }) => model.role === 'source').map(({ id }) => id)
      const manned = used.filter(id => chain.nodes.get(id)?.device.manned)
      return {
        number: String(i + 1),
        begins: begins ?? '',
        minutes: segment.minutes === undefined ? '' : `${segment.minutes}\u00A0min`,
        title: segment.title,
        sources: segment.sources ? listWords(used.map(name)) : 'everything',
        manned: listWords(manned.map(name)),
      }
    }),
  }
}
