import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { figure, msText } from '#core/words'
import { windowOf } from '../sound/facts'
import { timesOf } from './sync'

const early = (ms: number): string =>
  Math.abs(ms) < 0.5 ? 'at once' : `${figure(Math.abs(ms), 0)}\u00A0ms ${ms > 0 ? 'early' : 'late'}`

/** Every picture with lips against every sound that is there with it, and what to hold back; absent without any. */
export function syncSheet({ traced }: Checked): Paper | undefined {
  const sinks = timesOf(traced)
  const window = windowOf(traced)
  const rows = sinks.flatMap(({ name, pictures, sounds, pairs, best }) =>
    pairs.map(({ picture, sound, earlyMs, within, measured }) => {
      const line = best.find(one => one.sounds.includes(sound))
      const left = line?.left.find(one => one.picture === picture)
      return {
        sink: name,
        picture: pictures[picture]!.name,
        delay: msText(pictures[picture]!.total.typ),
        sound: sounds[sound]!.name,
        held: sounds[sound]!.heldMs ? msText(sounds[sound]!.heldMs) : '',
        now: `${early(earlyMs.typ)}${within ? '' : ', outside'}`,
        from: measured?.holds ? `measured, ${measured.claps} ${measured.claps === 1 ? 'clap' : 'claps'}` : 'typical',
        best: line ? `${msText(line.bestMs)}, ${line.bestFrames} frames` : '',
        left: left ? early(left.earlyMs) : '',
        clap: '',
      }
    }),
  )
  if (rows.length === 0) return undefined
  return {
    id: 'sync',
    title: 'Sound and picture',
    about: `How early or late each sound is against each picture in which lips are seen, held to ${window.title}; with room for what a clap shows.`,
    columns: [
      { key: 'sink', title: 'At' },
      { key: 'picture', title: 'Picture' },
      { key: 'delay', title: 'Its delay', figures: true },
      { key: 'sound', title: 'Sound' },
      { key: 'held', title: 'Held back', figures: true },
      { key: 'now', title: 'Sound is', figures: true },
      { key: 'from', title: 'Known by' },
      { key: 'best', title: 'Best held back', figures: true },
      { key: 'left', title: 'Left then', figures: true },
      { key: 'clap', title: 'Clap, ms' },
    ],
    rows,
  }
}
