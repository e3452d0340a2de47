import { type Faulty } from '../../../../testing/cases'
import { kept, patches } from '../../../../testing/graphics'
import { onBlackPage } from '../../../../testing/overlaid'

export const CASES: readonly Faulty[] = [
  {
    name: 'marks on a white board',
    gives: ['K10'],
    plan: onBlackPage(kept(patches(160, 90, [178, 178, 178], [[40, 40, 60, 4, [20, 20, 20]]]))),
    offers: ['Turn the key round, clip'],
    says: ['dark on a light ground'],
  },
  {
    name: 'red marks on paper',
    gives: ['K10'],
    plan: onBlackPage(kept(patches(160, 90, [250, 248, 240], [[40, 40, 60, 4, [200, 0, 0]]]))),
    offers: ['Turn the key round, clip'],
    says: ['its key is not turned round'],
  },
]
