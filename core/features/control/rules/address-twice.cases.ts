import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

export const CASES: readonly Faulty[] = [
  {
    name: 'two cameras with their factory address',
    gives: ['N01'],
    plan: wired({ one: '192.168.0.100/24', two: '192.168.0.100/24' }),
    offers: ['Give two 192.168.0.1/24', 'Give one 192.168.0.1/24'],
    says: ['two and one both have the address 192.168.0.100'],
  },
  {
    name: 'a camera that has the address of the joystick, seen in a larger subnet',
    gives: ['N01'],
    plan: wired({ joy: '10.0.0.5/16', one: '10.0.0.5/16' }),
    offers: ['Give one 10.0.0.1/16'],
    says: ['one and joy both have the address 10.0.0.5'],
  },
]
