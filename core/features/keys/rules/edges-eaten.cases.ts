import { type Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { byPair, onBlackPage } from '../../../../testing/overlaid'

export const CASES: readonly Faulty[] = [
  {
    name: 'a clip above the brightness of the plate',
    gives: ['K11'],
    plan: onBlackPage(kept(patches(160, 90, CLEAR, [[20, 60, 100, 20, [180, 180, 180, 255]]])), { clip: 0.9, gain: 1 }),
    offers: ['Set clip'],
    says: ['cut 100\u00A0% of Names away'],
  },
  {
    name: 'a soft edge that comes out hard',
    gives: ['K11'],
    // At a clip of 4 % and a gain of 96 % white of 25 % is solid: off by 0.75, at 50 % by 0.5; of 0.25 and 0.5. None is kept.
    plan: onBlackPage(
      kept(
        patches(160, 90, CLEAR, [
          [20, 60, 100, 20, [255, 255, 255, 255]],
          [20, 56, 100, 2, [255, 255, 255, 64]],
          [20, 58, 100, 2, [255, 255, 255, 128]],
        ]),
      ),
    ),
    offers: ['Set clip'],
    says: ['0\u00A0% are kept'],
  },
  {
    name: 'noise on black that is keyed at a clip of nothing',
    gives: ['K11'],
    // 6 of 255 is 2.4 %; at a gain of 90 % it is 24 % solid. 3000 of 12 400 clear pixels.
    plan: onBlackPage(
      kept(
        patches(
          160,
          90,
          [0, 0, 0],
          [
            [0, 0, 100, 30, [6, 6, 6]],
            [20, 60, 100, 20, [255, 255, 255]],
          ],
        ),
      ),
      { clip: 0, gain: 0.9 },
    ),
    offers: ['Set clip'],
    says: ['24\u00A0% of what is meant to be clear'],
  },
  {
    name: 'a key signal that is cut once more',
    gives: ['K11'],
    plan: byPair(kept(patches(160, 90, CLEAR, [[20, 60, 100, 20, [255, 255, 255, 160]]])), { clip: 0.7, gain: 0.9 }),
    offers: ['Clip 0, gain 0'],
    says: ['cut 100\u00A0% of Names away'],
  },
]
