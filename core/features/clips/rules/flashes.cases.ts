import { withClips } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'

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
    says: ['Strobe goes from bright to dark and back'],
  },
  {
    name: 'a macro that takes black from preview, again and again',
    gives: ['K17'],
    plan: withClips({
      macros: {
        strobe: {
          title: 'Strobe',
          order: 1,
          at: 'main',
          steps: [
            { do: 'program', input: 'in-1' },
            { do: 'preview', input: 'black' },
            ...Array.from({ length: 9 }, () => [{ do: 'wait', frames: 6 }, { do: 'cut' }]).flat(),
          ],
        },
      },
    }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe goes from bright to dark and back'],
  },
  {
    name: 'a macro that lights a white graphic nine times in a second',
    gives: ['K17'],
    plan: withClips({
      graphics: { sheet: kept(patches(160, 90, CLEAR, [[20, 10, 120, 60, [240, 240, 240, 255]]])) },
      overlays: { sheet: { title: 'Sheet', order: 1, kind: 'luma', fill: 'film', graphic: 'sheet' } },
      macros: {
        strobe: {
          title: 'Strobe',
          order: 1,
          at: 'main',
          steps: Array.from({ length: 10 }, (_, i) => [
            { do: 'key', keyer: '1', overlay: i % 2 ? 'off' : 'sheet' },
            { do: 'wait', frames: 6 },
          ]).flat(),
        },
      },
    }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe goes from bright to dark and back'],
  },
]
