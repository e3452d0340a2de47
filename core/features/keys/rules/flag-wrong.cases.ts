import { type Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { byPair } from '../../../../testing/overlaid'

export const CASES: readonly Faulty[] = [
  {
    name: 'colours as they are, keyed as weighted ones',
    gives: ['K03'],
    // White at half solidity: over black it would be 128, the file says 255.
    plan: byPair(kept(patches(160, 90, CLEAR, [[20, 50, 100, 30, [255, 255, 255, 128]]])), { premultiplied: true }),
    offers: ['Take its fill as it is'],
    says: ['colours as they are', 'a veil of it lies over the picture'],
  },
  {
    name: 'a weighted fill that is weighted once more',
    gives: ['K03'],
    plan: byPair(kept(patches(160, 90, CLEAR, [[20, 50, 100, 30, [128, 128, 128, 128]]])), { sends: 'premultiplied' }),
    offers: ['Take its fill as weighted by its key'],
    says: ['its edges go dark'],
  },
]
