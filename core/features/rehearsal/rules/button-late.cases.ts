import { button, press, withButtons } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'

export const CASES: readonly Faulty[] = [
  {
    name: 'a button that presses feeder and last switcher at once',
    gives: ['N09'],
    plan: withButtons(button([press('side', 'in-2'), press('main', 'in-1')])),
    offers: ['side first, then wait, then main'],
    says: ['Go changes main before what comes from side is right: hall sees a for'],
  },
  {
    name: 'a button that waits too little between them',
    gives: ['N09'],
    plan: withButtons(button([press('side', 'in-2'), { do: 'wait', ms: 10 }, press('main', 'in-1')])),
    offers: ['side first, then wait, then main'],
    says: ['Go changes main before what comes from side is right'],
  },
]
