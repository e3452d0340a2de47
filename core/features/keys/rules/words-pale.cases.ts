import { type Faulty } from '../../../../testing/cases'
import { lightOf, lightText } from '#core/picture'
import { CLEAR, kept, patches, photograph } from '../../../../testing/graphics'
import { byPair, onBlackPage } from '../../../../testing/overlaid'

const WORDS = { name: { x: 30 / 160, y: 46 / 90, w: 60 / 160, h: 18 / 90 } }

const LETTERS = kept(patches(160, 90, CLEAR, [[40, 50, 20, 9, [255, 255, 255, 255]]]), WORDS)

/** Dark, and light in its left eighth, or its lowest sixth. */
const HALF = lightText(lightOf(patches(64, 36, [20, 20, 20], [[0, 0, 8, 36, [200, 200, 200]]])))
const FLOOR = lightText(lightOf(patches(64, 36, [20, 20, 20], [[0, 30, 64, 6, [200, 200, 200]]])))

export const CASES: readonly Faulty[] = [
  {
    name: 'white letters with nothing behind them',
    gives: ['K12'],
    plan: onBlackPage(LETTERS),
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
  {
    name: 'white letters over a photograph of a light wall',
    gives: ['K12'],
    // Grey 200 of 255 has a luminance of 0.578: 1.05 / 0.628 = 1.67.
    plan: {
      ...onBlackPage(LETTERS),
      photographs: { wall: photograph('Wall at noon', 'wide', 200), night: photograph('Night', 'guest', 20) },
    },
    offers: ['Give up Names'],
    says: ['Over the photograph Wall at noon', '1.7 to 1'],
  },
  {
    name: 'white letters that pass a light wall on their way from the left',
    gives: ['K12'],
    // The words stand from 30 to 90 of 160; left of 20 of 160 it is light: 1.05 / 0.628 = 1.67. Where they stand, 1.05 / 0.057.
    plan: {
      ...onBlackPage(LETTERS, { comesFrom: 'left' }),
      photographs: { half: { ...photograph('A wall and the night', 'wide', 20), light: HALF } },
    },
    offers: ['Let Names come up where it stands'],
    says: ['A wall and the night', '1.7 to 1 while they come from the left'],
  },
  {
    name: 'white letters that rise over a light floor',
    gives: ['K12'],
    plan: {
      ...onBlackPage(LETTERS, { comesFrom: 'below' }),
      photographs: { half: { ...photograph('A light floor', 'wide', 20), light: FLOOR } },
    },
    offers: ['Let Names come up where it stands'],
    says: ['1.7 to 1 while they come from below'],
  },
]
