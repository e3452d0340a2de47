import { withClips } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'

const media = {
  first: { title: 'Card A', order: 1, device: 'film', gb: 64 },
  second: { title: 'Card B', order: 2, device: 'film', gb: 64 },
}
const clip = (title: string, order: number, medium: string, gb: number) => ({
  title,
  order,
  player: 'film',
  lengthS: 30,
  end: 'black',
  medium,
  gb,
})
const segments = { talk: { title: 'Talk', order: 1 } }

export const CASES: readonly Faulty[] = [
  {
    name: 'two clips of one segment on two cards',
    gives: ['O14'],
    plan: withClips({
      media,
      segments,
      clips: { one: clip('One', 1, 'first', 20), two: clip('Two', 2, 'second', 30) },
      cues: {
        a: { segment: 'talk', title: 'A', order: 1, clip: 'one' },
        b: { segment: 'talk', title: 'B', order: 2, clip: 'two' },
      },
    }),
    offers: ['Put them all on Card A', 'Put them all on Card B'],
    says: ['Talk plays One and Two from film, and they lie on Card A and Card B'],
  },
  {
    name: 'more on a card than it holds',
    gives: ['O14'],
    plan: withClips({
      media: { first: media.first },
      clips: { one: clip('One', 1, 'first', 40), two: clip('Two', 2, 'first', 30) },
    }),
    // 40 + 30 = 70 GB; the next size that is sold is 128.
    offers: ['Take one of 128\u00A0GB for Card A'],
    says: ['The clips on Card A are 70', 'together, and it holds 64'],
  },
  {
    name: 'a clip called by a macro and one by a cue, on two cards',
    gives: ['O14'],
    plan: withClips({
      media,
      segments,
      clips: { one: clip('One', 1, 'first', 40), two: clip('Two', 2, 'second', 30) },
      macros: { go: { title: 'Go', order: 1, at: 'main', steps: [{ do: 'play', clip: 'two' }] } },
      cues: {
        a: { segment: 'talk', title: 'A', order: 1, clip: 'one' },
        b: { segment: 'talk', title: 'B', order: 2, macro: 'go' },
      },
    }),
    // Together, 70 GB, they fit on neither.
    offers: ['Put them all on Card A, with 128\u00A0GB'],
    says: ['Talk plays One and Two from film'],
  },
]
