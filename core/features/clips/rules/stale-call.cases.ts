import { withClips } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'

const clip = (title: string, order: number, index: number | undefined) => ({
  title,
  order,
  player: 'film',
  lengthS: 30,
  end: 'black',
  ...(index === undefined ? {} : { index }),
})
const go = { go: { title: 'Go', order: 1, at: 'main', steps: [{ do: 'play', clip: 'one', index: 1 }] } }

export const CASES: readonly Faulty[] = [
  {
    name: 'a macro that calls number one, where another clip stands now',
    gives: ['O15'],
    plan: withClips({ clips: { one: clip('One', 1, 2), two: clip('Two', 2, 1) }, macros: go }),
    offers: ['Let Go call the numbers as they stand now', 'Put One back to number 1'],
    says: ['Go calls number 1 for One, and Two stands there now'],
  },
  {
    name: 'a macro that calls a number of a clip which has none any more',
    gives: ['O15'],
    plan: withClips({ clips: { one: clip('One', 1, undefined) }, macros: go }),
    offers: ['Put One back to number 1'],
    says: ['and nothing stands there now'],
  },
]
