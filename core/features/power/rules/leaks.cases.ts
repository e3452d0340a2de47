import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const screens = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => `scr-${from + i}`)
const on = (ids: readonly string[]) => Object.fromEntries(ids.map(id => [id, true as const]))
const show = (count: number, circuits: object) =>
  plan({
    brief: { mains: '230v-50hz' },
    devices: {
      pc: 'computer 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      ...Object.fromEntries(screens(1, count).map(id => [id, 'screen-computer'])),
    },
    links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 1', b: 'main.out-1 > scr-1.in hdmi-passive 1' },
    circuits: circuits as never,
  })

export const CASES: readonly Faulty[] = [
  {
    // Five and five screens at 1 mA: 10 mA.
    name: 'ten screens on two circuits behind one protection',
    gives: ['P12'],
    plan: show(10, {
      left: { title: 'Left', order: 1, amps: 16, residual: 'Hall 30 mA', loads: on(screens(1, 5)) },
      right: { title: 'Right', order: 2, amps: 16, residual: 'Hall 30 mA', loads: on(screens(6, 10)) },
    }),
    offers: ['Put Left behind a protection of its own', 'behind another protection'],
    says: ['Hall 30 mA', '10\u00A0mA', '9\u00A0mA', 'Left and Right'],
  },
  {
    // Nine screens at 1 mA and one switcher at 0.5 mA.
    name: 'nine screens and a switcher on one circuit behind a protection',
    gives: ['P12'],
    plan: show(9, {
      wall: { title: 'Wall', order: 1, amps: 16, residual: 'Wall box', loads: on([...screens(1, 9), 'main']) },
    }),
    offers: ['Plug scr-1 into a circuit behind another protection'],
    says: ['Wall box', '9.5\u00A0mA'],
  },
]
