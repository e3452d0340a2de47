import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { own } from '#core/document'
import { cuesOf } from '#core/run'
import { clockSeconds, listWords } from '#core/words'
import { wipedBefore } from '../keys/facts'
import { segmentTimes } from './facts'

/** The show as it goes; none where the plan has no segments. */
export function runningOrder({ traced }: Checked): Paper | undefined {
  const { plan, chain } = traced
  const { rows } = segmentTimes(plan)
  if (rows.length === 0) return undefined
  const { testStream } = plan.brief
  const before =
    testStream === undefined
      ? []
      : [
          {
            number: '',
            begins: testStream,
            minutes: '',
            title: 'Private test stream',
            sources: '',
            opens: '',
            work: 'watched as the audience will, with sound',
          },
        ]
  const wiped = wipedBefore(traced)
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
      { key: 'opens', title: 'Opens in' },
      { key: 'work', title: 'Who works what' },
    ],
    rows: before.concat(
      rows.map(({ id, segment, begins }, i) => {
        const used =
          segment.sources ??
          [...chain.nodes.values()].filter(({ model }) => model.role === 'source').map(({ id }) => id)
        const look = own(plan.looks, segment.opens)?.title
        const first = listWords(wiped.get(id) ?? [])
        const work = Object.entries(segment.work ?? {}).map(
          ([person, devices]) => `${own(plan.people, person)?.name ?? person}: ${listWords(devices.map(name))}`,
        )
        // Where nobody said who, it is told where somebody must stand.
        const manned = used.filter(id => chain.nodes.get(id)?.device.manned)
        return {
          number: String(i + 1),
          begins: begins ?? '',
          minutes: segment.minutes === undefined ? '' : `${segment.minutes}\u00A0min`,
          title: segment.title,
          sources: segment.sources ? listWords(used.map(name)) : 'everything',
          opens: look === undefined ? '' : first ? `${look}; first ${first}` : look,
          work: work.length ? work.join('; ') : manned.length ? `somebody at ${listWords(manned.map(name))}` : '',
        }
      }),
    ),
  }
}

/** Every cue of the show in its order: what is said, by whom, which look is taken, which clip played. */
export function cueSheet({ traced }: Checked): Paper | undefined {
  const { plan } = traced
  const { rows } = segmentTimes(plan)
  const cues = rows.flatMap(({ id, segment, begins }) =>
    cuesOf(plan, id).map(([cueId, cue], i) => ({ cueId, cue, segment, begins: i === 0 ? begins : undefined })),
  )
  if (cues.length === 0) return undefined
  const wiped = wipedBefore(traced)
  return {
    id: 'cues',
    title: 'Cue sheet',
    about: 'What is said and switched, in the order of the show, with a box to tick.',
    columns: [
      { key: 'segment', title: 'Segment' },
      { key: 'begins', title: 'Begins', figures: true },
      { key: 'number', title: 'Cue', figures: true },
      { key: 'title', title: 'What' },
      ...(wiped.size ? [{ key: 'first', title: 'First' }] : []),
      { key: 'says', title: 'Said' },
      { key: 'by', title: 'By' },
      { key: 'look', title: 'Look' },
      { key: 'clip', title: 'Clip' },
      { key: 'macro', title: 'Macro' },
      { key: 'done', title: 'Done' },
    ],
    rows: cues.map(({ cueId, cue, segment, begins }, i) => {
      const clip = own(plan.clips, cue.clip)
      const back = own(plan.cues, cue.back)
      return {
        segment: i === 0 || cues[i - 1]!.segment !== segment ? segment.title : '',
        begins: begins ?? '',
        number: String(i + 1),
        title: cue.title,
        ...(wiped.size ? { first: listWords(wiped.get(cueId) ?? []) } : {}),
        says: cue.says ?? '',
        by: own(plan.people, cue.by)?.name ?? '',
        look: own(plan.looks, cue.look)?.title ?? (back ? `as before ${back.title}` : ''),
        macro: own(plan.macros, cue.macro)?.title ?? '',
        clip: clip ? `${clip.title}, ${clockSeconds(cue.lastsS ?? clip.lengthS)}` : '',
        done: '\u2610',
      }
    }),
  }
}
