import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

const called = (numbers: Readonly<Record<'one' | 'two', number>>): Faulty['plan'] => {
  const plan = wired({})
  const devices = Object.entries(numbers).map(([id, controllerNumber]) => [
    id,
    { ...plan.devices[id]!, controllerNumber },
  ])
  return { ...plan, devices: { ...plan.devices, ...Object.fromEntries(devices) } }
}

export const CASES: readonly Faulty[] = [
  {
    name: 'two cameras that a joystick calls by number 1',
    gives: ['N15'],
    plan: called({ one: 1, two: 1 }),
    offers: ['Call two by number 2', 'Call one by number 2'],
    says: ['joy calls two and one by number 1'],
  },
  {
    name: 'two cameras that a joystick calls by number 7',
    gives: ['N15'],
    plan: called({ one: 7, two: 7 }),
    offers: ['Call two by number 1'],
    says: ['by number 7'],
  },
]
