import { withClips } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'

const strobe = (frames: number) =>
  Array.from({ length: 10 }, (_, i) => [
    { do: 'program', input: i % 2 ? 'in-1' : 'black' },
    { do: 'wait', frames },
  ]).flat()

export const CASES: readonly Faulty[] = [
  {
    name: 'a clip that was measured to flash five times in a second',
    gives: ['K17'],
    plan: withClips({
      clips: {
        storm: {
          title: 'Storm',
          order: 1,
          player: 'film',
          lengthS: 4,
          end: 'black',
          measured: { frames: 240, pairs: 5 },
        },
      },
    }),
    offers: ['Play Storm no more'],
    says: ['Storm flashes 5 times in a second'],
  },
  {
    // At 59.94 frames/s a change every 6 frames: those at 6, 12 ... 54 frames and the first lie within one second: ten.
    name: 'a macro that cuts to black and back every six frames',
    gives: ['K17'],
    plan: withClips({ macros: { strobe: { title: 'Strobe', order: 1, at: 'main', steps: strobe(6) } } }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe cuts to black and back'],
  },
]
