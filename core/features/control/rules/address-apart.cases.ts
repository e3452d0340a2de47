import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera on its factory subnet',
    gives: ['N02'],
    plan: wired({ joy: '192.168.10.5/24', one: '192.168.0.100/24', two: '192.168.10.20/24' }),
    offers: ['Give one 192.168.10.1/24'],
    says: ['one has 192.168.0.100/24', 'joy', 'do not find each other'],
  },
  {
    name: 'a joystick whose subnet ends before the camera',
    gives: ['N02'],
    plan: wired({ joy: '10.1.2.5/28', one: '10.1.2.40/24' }),
    offers: ['Give one 10.1.2.1/28'],
    says: ['one has 10.1.2.40/24'],
  },
]
