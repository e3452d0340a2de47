import { type Faulty } from '../../../../testing/cases'
import { kept, patches } from '../../../../testing/graphics'
import { onBlackPage } from '../../../../testing/overlaid'

export const CASES: readonly Faulty[] = [
  {
    name: 'a page whose black is dark grey',
    gives: ['K05'],
    // Brightness 16 of 255 is 6.3 %; at a clip of 4 % and a gain of 96 % it is (6.3 - 4) / 4 = 57 % solid, everywhere.
    plan: onBlackPage(kept(patches(160, 90, [16, 16, 16], [[20, 60, 100, 20, [255, 255, 255]]]))),
    offers: ['Set clip'],
    says: ['not black (16, 16, 16)', '100\u00A0%'],
  },
  {
    name: 'a photograph of a page before a blue dusk',
    gives: ['K05'],
    plan: onBlackPage(kept(patches(160, 90, [20, 24, 48], [[20, 60, 100, 20, [250, 240, 200]]]))),
    offers: ['Set clip'],
    says: ['not black (20, 24, 48)'],
  },
  {
    name: 'a blue screen where green is cut away',
    gives: ['K05'],
    plan: onBlackPage(kept(patches(160, 90, [0, 80, 200], [[20, 40, 100, 20, [200, 60, 50]]])), { kind: 'chroma' }),
    offers: ['Key the colour 0 80 200 with tolerance'],
    says: ['100\u00A0% of the screen behind Names stays', 'it is 0, 80, 200 there'],
  },
]
