import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera with the address of its network',
    gives: ['N03'],
    plan: wired({ one: '192.168.10.0/24' }),
    offers: ['Give one 192.168.10.1/24'],
    says: ['one has 192.168.10.0/24', 'whole network'],
  },
  {
    name: 'a camera with the address that all of a small subnet hear',
    gives: ['N03'],
    plan: wired({ two: '10.0.0.15/28', joy: '10.0.0.1/28' }),
    offers: ['Give two 10.0.0.2/28'],
    says: ['two has 10.0.0.15/28'],
  },
]
