import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

const pool = ['192.168.10.100/24', '192.168.10.199/24'] as const
const inHouse = (addresses: Readonly<Record<string, string>>, network: object): Faulty['plan'] => {
  const plan = wired(addresses)
  return { ...plan, brief: { ...plan.brief, network } }
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera among the addresses that are given out',
    gives: ['N04'],
    plan: inHouse({ one: '192.168.10.100/24', two: '192.168.10.20/24' }, { pool }),
    offers: ['Give one 192.168.10.1/24'],
    says: ['one has 192.168.10.100/24', '192.168.10.100 to 192.168.10.199'],
  },
  {
    name: 'a joystick at the end of those that are given out, the other way round, from the start of the network on',
    gives: ['N04'],
    plan: inHouse({ joy: '10.0.0.9/24' }, { pool: ['10.0.0.9/24', '10.0.0.1/24'] }),
    // From 1 to 9 all are given out: the first that is free is 10.
    offers: ['Give joy 10.0.0.10/24'],
    says: ['joy has 10.0.0.9/24', '10.0.0.1 to 10.0.0.9'],
  },
]
