import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { dataRateText } from '#core/words'
import { computersOf } from './facts'

/** Which computer does what; none where the plan has none. */
export function computerPaper({ traced }: Checked): Paper | undefined {
  const all = computersOf(traced)
  if (all.length === 0) return undefined
  return {
    id: 'computers',
    title: 'Computers',
    about:
      'Which computer does what, in planning classes: light 1, middle 2, heavy 4. On the day: mains, no sleep, no updates, no notices, sound of its own muted.',
    columns: [
      { key: 'computer', title: 'Computer' },
      { key: 'does', title: 'Does' },
      { key: 'load', title: 'Load', figures: true },
      { key: 'usb', title: 'USB', figures: true },
      { key: 'outputs', title: 'Outputs in use', figures: true },
      { key: 'done', title: 'Set up' },
    ],
    rows: all.map(({ name, works, load, room, usb, outputs }) => ({
      computer: name,
      does: works.map(({ words }) => words).join(', ') || 'nothing yet',
      load: `${load} of ${room}`,
      usb: usb ? `${dataRateText(usb.bitsPerS)} of ${dataRateText(usb.roomBitsPerS)}` : '',
      outputs: outputs.all ? `${outputs.used} of ${outputs.all}` : '',
      done: '\u2610',
    })),
  }
}
