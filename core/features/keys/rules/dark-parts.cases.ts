import { type Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { byPair, onBlackPage } from '../../../../testing/overlaid'

export const CASES: readonly Faulty[] = [
  {
    name: 'a caption with a black shadow on a page on black',
    gives: ['K04'],
    // 2000 pixels of plate and 500 of shadow are meant to be seen: a fifth is gone.
    plan: onBlackPage(
      kept(
        patches(160, 90, CLEAR, [
          [20, 60, 100, 20, [240, 240, 240, 255]],
          [20, 80, 100, 5, [0, 0, 0, 200]],
        ]),
      ),
    ),
    offers: ['Give up Names'],
    says: ['20\u00A0% of Names is too dark'],
  },
  {
    name: 'black letters on a light plate, where fill and key are at hand',
    gives: ['K04'],
    // Letters of 20 x 8 in a box of 40 x 12: a third of the words; of 100 x 40 pixels 4 %.
    plan: byPair(
      kept(
        patches(160, 90, CLEAR, [
          [20, 40, 100, 40, [230, 230, 230, 255]],
          [40, 52, 20, 8, [0, 0, 0, 255]],
        ]),
        { name: { x: 30 / 160, y: 50 / 90, w: 40 / 160, h: 12 / 90 } },
      ),
      { kind: 'luma' },
    ),
    offers: ['Key Names by the key signal of gfx'],
    says: ['33\u00A0% of the words of Names'],
  },
  {
    name: 'green ink before a green screen',
    gives: ['K04'],
    // Of 2000 + 500 pixels that are none of the screen the 500 of ink go: its colour difference has 0.209 of the screen's
    // direction, and from 0.08 + 0.12 on nothing stays. The screen's own is 0.356: a higher tolerance keeps the ink.
    plan: onBlackPage(
      kept(
        patches(
          160,
          90,
          [0, 177, 64],
          [
            [20, 40, 100, 20, [200, 60, 50]],
            [20, 60, 100, 5, [40, 150, 70]],
          ],
        ),
      ),
      { kind: 'chroma' },
    ),
    offers: ['Key the colour 0 177 64 with tolerance'],
    says: ['20\u00A0% of Names is too near to the colour of its screen (0, 177, 64)'],
  },
]
