import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

const fresh = (
  devices: Readonly<Partial<Record<'one' | 'two' | 'joy', { comesWith: string; visit?: number }>>>,
): Faulty['plan'] => {
  const plan = wired({})
  const changed = Object.entries(devices).map(([id, said]) => [id, { ...plan.devices[id]!, ...said }])
  return { ...plan, devices: { ...plan.devices, ...Object.fromEntries(changed) } }
}

export const CASES: readonly Faulty[] = [
  {
    name: 'two cameras with the address of their maker on one network',
    gives: ['N14'],
    plan: fresh({ one: { comesWith: '192.168.0.100/24' }, two: { comesWith: '192.168.0.100/24' } }),
    offers: ['Set them up one after the other'],
    says: ['one and two come with the same address, 192.168.0.100'],
  },
  {
    name: 'three devices, of which two have the same turn',
    gives: ['N14'],
    plan: fresh({
      one: { comesWith: '10.0.0.1/8', visit: 1 },
      two: { comesWith: '10.0.0.1/24', visit: 2 },
      joy: { comesWith: '10.0.0.1/24', visit: 2 },
    }),
    offers: ['Set them up one after the other'],
    says: ['joy, one and two come with the same address'],
  },
]
