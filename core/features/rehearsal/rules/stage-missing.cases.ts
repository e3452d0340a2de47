import { button, press, withButtons } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'

export const CASES: readonly Faulty[] = [
  {
    name: 'a button for a source of the feeder that sets the last switcher alone',
    gives: ['N10'],
    plan: withButtons(button([press('main', 'in-1')], { shows: 'b' })),
    offers: ['Set side in Go too', 'Say that Go is not there to show b'],
    says: ['Go is there to show b and does not set side: where that stands elsewhere, a is seen instead'],
  },
  {
    name: 'a macro of the last switcher for its own source that only readies it',
    gives: ['N10'],
    plan: withButtons({
      macros: { go: { title: 'Go', order: 1, at: 'main', steps: [{ do: 'preview', input: 'in-2' }], shows: 'c' } },
    }),
    offers: ['Set main in Go too'],
    says: ['Go is there to show c and does not set main'],
  },
]
