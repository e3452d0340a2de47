import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { macrosOf } from './facts'

/** Every macro and button step by step, for whoever writes it into the unit. */
export function macroSheet({ traced }: Checked): Paper | undefined {
  const macros = macrosOf(traced)
  if (macros.length === 0) return undefined
  return {
    id: 'macros',
    title: 'Macros',
    about: 'What each macro and button presses, in order, with the pauses between, and a box to tick.',
    columns: [
      { key: 'at', title: 'Held by' },
      { key: 'title', title: 'Macro' },
      { key: 'number', title: 'Step', figures: true },
      { key: 'step', title: 'Does' },
      { key: 'length', title: 'Runs for', figures: true },
      { key: 'done', title: 'Done' },
    ],
    rows: macros.flatMap(({ title, holder, steps, seconds }) =>
      steps.map((step, i) => ({
        at: i === 0 ? holder : '',
        title: i === 0 ? title : '',
        number: String(i + 1),
        step,
        length: i === 0 ? `${seconds.toFixed(1)}\u00A0s` : '',
        done: '\u2610',
      })),
    ),
  }
}
