import { withClips } from '../../../../testing/buttons'
import type { Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'

/** A macro of so many times the same, behind what comes first. */
const strobe = (count: number, steps: (i: number) => object[], first: object[] = []) => ({
  strobe: {
    title: 'Strobe',
    order: 1,
    at: 'main',
    steps: [...first, ...Array.from({ length: count }, (_, i) => steps(i)).flat()],
  },
})
const wait = { do: 'wait', frames: 6 }
const program = (input: string) => ({ do: 'program', input })
/** A sheet of one grey over more than half of the picture, on and off. */
const sheet = (grey: number) => ({
  graphics: { sheet: kept(patches(160, 90, CLEAR, [[20, 10, 120, 60, [grey, grey, grey, 255]]])) },
  overlays: { sheet: { title: 'Sheet', order: 1, kind: 'luma', fill: 'film', graphic: 'sheet' } },
})
const blink = (i: number) => [{ do: 'key', keyer: '1', overlay: i % 2 ? 'off' : 'sheet' }, wait]

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
    plan: withClips({ macros: strobe(10, i => [program(i % 2 ? 'in-1' : 'black'), wait]) }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe goes from bright to dark and back'],
  },
  {
    name: 'a macro that takes black from preview, again and again',
    gives: ['K17'],
    plan: withClips({
      macros: strobe(9, () => [wait, { do: 'cut' }], [program('in-1'), { do: 'preview', input: 'black' }]),
    }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe goes from bright to dark and back'],
  },
  {
    name: 'a macro that lights a white graphic nine times in a second',
    gives: ['K17'],
    plan: withClips({ ...sheet(240), macros: strobe(10, blink) }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe changes what is seen and changes it back', 'where that is from dark to bright'],
  },
  {
    // Each dip of four frames goes to black and back: fifteen in the second.
    name: 'a macro that dips by black, one dip after the other',
    gives: ['K17'],
    plan: withClips({
      macros: strobe(
        16,
        () => [
          { do: 'auto', style: 'dip', frames: 4 },
          { do: 'wait', until: 'transition' },
        ],
        [program('in-1'), { do: 'preview', input: 'in-2' }],
      ),
    }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe goes from bright to dark and back'],
  },
  {
    name: 'a macro that cuts to and fro between two pictures every six frames',
    gives: ['K17'],
    plan: withClips({ macros: strobe(10, i => [program(i % 2 ? 'in-1' : 'in-2'), wait]) }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe changes what is seen and changes it back'],
  },
  {
    name: 'a macro that lights a dark plate over bright pictures nine times in a second',
    gives: ['K17'],
    plan: withClips({ ...sheet(60), macros: strobe(10, blink, [program('in-1')]) }),
    offers: ['Wait half a second in Strobe'],
    says: ['Strobe goes from bright to dark and back'],
  },
]
