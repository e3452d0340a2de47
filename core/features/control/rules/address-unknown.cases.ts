import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

const byItself = (id: 'one' | 'two', addresses: Readonly<Record<string, string>>): Faulty['plan'] => {
  const plan = wired(addresses)
  return { ...plan, devices: { ...plan.devices, [id]: { ...plan.devices[id]!, leased: true } } }
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera whose address the network gives it by itself',
    gives: ['N06'],
    plan: byItself('one', { joy: '192.168.10.5/24', two: '192.168.10.20/24' }),
    offers: ['Give one 192.168.10.1/24'],
    says: ['joy calls one by its address'],
  },
  {
    name: 'another one in a small subnet that is nearly full',
    gives: ['N06'],
    // Of 10.0.0.0/30 only 1 and 2 can be had, and the joystick has the first.
    plan: byItself('two', { joy: '10.0.0.1/30' }),
    offers: ['Give two 10.0.0.2/30'],
    says: ['joy calls two'],
  },
]
