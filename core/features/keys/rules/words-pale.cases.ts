import { type Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { byPair, onBlackPage } from '../../../../testing/overlaid'

const WORDS = { name: { x: 30 / 160, y: 46 / 90, w: 60 / 160, h: 18 / 90 } }

export const CASES: readonly Faulty[] = [
  {
    name: 'white letters with nothing behind them',
    gives: ['K12'],
    plan: onBlackPage(kept(patches(160, 90, CLEAR, [[40, 50, 20, 9, [255, 255, 255, 255]]]), WORDS)),
    offers: ['Give up Names'],
    says: ['1.0 to 1'],
  },
  {
    name: 'white letters on a plate that lets two thirds of the picture through',
    gives: ['K12'],
    // Behind the plate white becomes 0.431 x 40/255 + 0.569 = 0.636, luminance 0.362: 1.05 / 0.412 = 2.5.
    plan: byPair(
      kept(
        patches(160, 90, CLEAR, [
          [30, 46, 60, 18, [40, 40, 40, 110]],
          [40, 50, 20, 9, [255, 255, 255, 255]],
        ]),
        WORDS,
      ),
    ),
    offers: ['Give up Names'],
    says: ['2.5 to 1'],
  },
]
