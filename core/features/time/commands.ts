import { type Command, Unusable } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { figure, listWords, msText } from '#core/words'
import { windowOf } from '../sound/facts'
import { type SinkTime, timesOf } from './sync'
import { talksOf } from './talk'

const span = ({ min, typ, max }: { min: number; typ: number; max: number }): string =>
  `${figure(typ, 0)} ms (${figure(min, 0)} to ${figure(max, 0)})`

function textOf({ name, pictures, sounds, pairs, best, spread, beyondMs }: SinkTime): string {
  return [
    `${name}:`,
    ...pictures.map(one => `  ${one.name}: ${span(one.total)}`),
    ...sounds.map(
      one =>
        `  sound of ${one.name}: ${span(one.total)}${one.heldMs ? `, of which ${msText(one.heldMs)} held back` : ''}`,
    ),
    ...pairs
      .filter(({ within }) => !within)
      .map(
        ({ picture, sound, earlyMs }) =>
          `  outside: ${sounds[sound]!.name} is ${figure(Math.abs(earlyMs.typ), 0)} ms ${earlyMs.typ > 0 ? 'before' : 'after'} ${pictures[picture]!.name}`,
      ),
    ...best.map(
      one =>
        `  best: hold ${listWords([...new Set(one.sounds.map(i => sounds[i]!.name))])} back by ${one.bestMs} ms or ${one.bestFrames} frames (now ${one.nowMs} ms)${one.serves ? '' : ', which does not serve every picture'}`,
    ),
    ...(spread
      ? [
          `  no delay of sound serves pictures ${figure(spread.apartMs, 0)} ms apart: hold ${listWords(spread.hold.map(({ picture, frames }) => `${pictures[picture]!.name} by ${frames} ${frames === 1 ? 'frame' : 'frames'}`))}`,
        ]
      : []),
    ...(beyondMs
      ? [`  viewers beyond it wait another ${figure(beyondMs.min / 1000, 0)} to ${figure(beyondMs.max / 1000, 0)} s`]
      : []),
  ].join('\n')
}

const time: Command<CommandContext> = {
  name: 'time',
  about:
    'says how late each picture and sound comes to each sink, what is outside the window, and the best delay for the sound.',
  options: { at: { value: 'ID' } },
  json: true,
  run: ({ checked, values, json }) => {
    const id = values.get('at')
    const all = timesOf(checked.traced).filter(({ device }) => id === undefined || device === id)
    if (id !== undefined && all.length === 0) throw new Unusable(`no picture comes to a sink ${id}`)
    if (json) return { out: JSON.stringify({ window: windowOf(checked.traced), sinks: all }, null, 2), exit: 0 }
    const talks = id === undefined ? talksOf(checked.traced) : []
    const told = [
      ...all.map(textOf),
      ...talks.map(
        ({ name, at, there, back, round, slow }) =>
          `${name}, there and back to ${at}: ${span(round)}, of which ${figure(there.typ, 0)} there and ${figure(back.typ, 0)} back${slow ? '; too slow to direct by' : ''}`,
      ),
    ]
    return { out: told.join('\n') || 'No picture comes to a sink yet.', exit: 0 }
  },
}

export const COMMANDS = [time]
