import { wired } from '../../../../testing/addressed'
import type { Faulty } from '../../../../testing/cases'

const said = (id: 'one' | 'two', ports: { listens?: string; calledAt: string }): Faulty['plan'] => {
  const plan = wired({})
  return { ...plan, devices: { ...plan.devices, [id]: { ...plan.devices[id]!, ...ports } } }
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a joystick that calls a camera at another port than its model has',
    gives: ['N07'],
    plan: said('one', { calledAt: 'udp:1234' }),
    offers: ['Call one at udp:52000', 'Let one listen at udp:1234'],
    says: ['joy calls one at udp:1234, and it listens at udp:52000'],
  },
  {
    name: 'the right number, by the other protocol than was set on the camera',
    gives: ['N07'],
    plan: said('two', { listens: 'tcp:7000', calledAt: 'udp:7000' }),
    offers: ['Call two at tcp:7000'],
    says: ['joy calls two at udp:7000, and it listens at tcp:7000'],
  },
]
