import { withButtons } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'

const segments = { talk: { title: 'Talk', order: 1 } }
const slow = (steps: readonly object[]) => ({ macros: { go: { title: 'Go', order: 1, at: 'main', steps } } })

export const CASES: readonly Faulty[] = [
  {
    name: 'a macro of ten seconds in a cue of five',
    gives: ['N17'],
    // 600 frames at 59.94 a second are 10.01 s.
    plan: withButtons({
      ...slow([
        { do: 'program', input: 'in-2' },
        { do: 'wait', frames: 600 },
        { do: 'program', input: 'in-1' },
      ]),
      segments,
      cues: { open: { segment: 'talk', title: 'Open', order: 1, macro: 'go', lastsS: 5 } },
    }),
    offers: ['Let Go wait less', 'Give Open 11'],
    says: ['Go runs for', 'and Open is over after'],
  },
  {
    name: 'a mix that is longer than its cue',
    gives: ['N17'],
    // 250 frames at 59.94 a second are 4.2 s.
    plan: withButtons({
      ...slow([
        { do: 'preview', input: 'in-2' },
        { do: 'auto', style: 'mix', frames: 250 },
      ]),
      segments,
      cues: { open: { segment: 'talk', title: 'Open', order: 1, macro: 'go', lastsS: 2 } },
    }),
    offers: ['Let Go wait less', 'Give Open 5'],
    says: ['Go runs for'],
  },
]
