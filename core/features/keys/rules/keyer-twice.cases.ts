import { type Faulty, STAGE } from '../../../../testing/cases'
import { worked } from '../../../../testing/plans'

const TWO = {
  devices: { slides: 'computer 1080p59.94', score: 'computer 1080p59.94', main: STAGE },
  links: { a: 'slides.hdmi-1 > main.in-1 hdmi-passive 2', b: 'score.hdmi-1 > main.in-2 hdmi-passive 2' },
}

export const CASES: readonly Faulty[] = [
  {
    // The switcher has one keyer; captions and score are both cut out by brightness.
    name: 'captions and a score over one keyer',
    gives: ['K07'],
    plan: worked({
      ...TWO,
      overlays: {
        names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' },
        table: { title: 'Score', order: 2, kind: 'luma', fill: 'score' },
      },
    }),
    offers: ['Use a larger switcher at main', 'Give up Score'],
    says: ['Score finds no keyer', 'Names holds', 'main'],
  },
  {
    // Both are used in the final alone: before it each has the keyer to itself.
    name: 'two overlays that meet in one segment',
    gives: ['K07'],
    plan: worked({
      ...TWO,
      segments: {
        first: { title: 'First round', order: 1 },
        final: { title: 'Final', order: 2 },
      },
      overlays: {
        names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' },
        table: { title: 'Score', order: 2, kind: 'luma', fill: 'score', segments: ['final'] },
      },
    }),
    offers: ['Give up Score in Final'],
    says: ['Score finds no keyer'],
  },
  {
    // A look lights the score in the only keyer; of the names, which come first, nobody has said when they are on.
    name: 'captions without a look beside a score that a look lights',
    gives: ['K07'],
    plan: worked({
      ...TWO,
      segments: { final: { title: 'Final', order: 1, opens: 'score' } },
      looks: { score: { title: 'Score', order: 1, keys: { main: { '1': 'table' } } } },
      overlays: {
        names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' },
        table: { title: 'Score', order: 2, kind: 'luma', fill: 'score' },
      },
    }),
    offers: ['Give up Names'],
    says: ['Names finds no keyer', 'Score holds'],
  },
]
