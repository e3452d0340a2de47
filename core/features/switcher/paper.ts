import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { sheetsOf } from './setup'

/** What is to be set, device by device, in the order of the work, with a box to tick. */
export function setupSheets({ traced }: Checked): Paper {
  return {
    id: 'settings',
    title: 'Set-up sheets',
    about: 'What is to be set on each device before the doors open, in the order in which it is done.',
    columns: [
      { key: 'device', title: 'Device' },
      { key: 'model', title: 'What it is' },
      { key: 'number', title: 'Step', figures: true },
      { key: 'port', title: 'Port' },
      { key: 'setting', title: 'Do' },
      { key: 'value', title: 'Set to', figures: true },
      { key: 'where', title: 'Where' },
      { key: 'when', title: 'When' },
      { key: 'hint', title: 'Mind' },
      { key: 'done', title: 'Done' },
    ],
    rows: sheetsOf(traced).flatMap(({ name, model, steps }) =>
      steps.map(({ title, port, value, where, when, hint }, i) => ({
        device: name,
        model: i === 0 ? model : '',
        number: String(i + 1),
        port,
        setting: title,
        value,
        where,
        when,
        hint,
        done: '\u2610',
      })),
    ),
  }
}
