import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const show = (strips: object) =>
  plan({
    brief: { mains: '230v-50hz' },
    devices: { pc: 'computer 1080p59.94', main: 'switcher-4-strict 1080p59.94', scr: 'screen' },
    links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > scr.in hdmi-passive 2' },
    circuits: { desk: { title: 'Desk', order: 1, amps: 16 } },
    strips: strips as never,
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a strip in a strip on the circuit of the desk',
    gives: ['P07'],
    plan: show({
      first: { title: 'First strip', order: 1, circuit: 'desk', loads: { main: true } },
      second: { title: 'Second strip', order: 2, strip: 'first', loads: { pc: true, scr: true } },
    }),
    offers: ['Plug Second strip into an outlet of Desk'],
    says: ['Second strip', 'First strip'],
  },
  {
    name: 'a strip in a strip of which nobody said where it is plugged in',
    gives: ['P07'],
    plan: show({
      first: { title: 'Under the table', order: 1 },
      second: { title: 'Behind the screen', order: 2, strip: 'first', loads: { scr: true } },
    }),
    offers: ['Plug Behind the screen into an outlet of Desk'],
    says: ['Behind the screen', 'Under the table'],
  },
]
