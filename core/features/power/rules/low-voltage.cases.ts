import type { Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const show = (dc: { volts: number; m: number; mm2: number }) =>
  plan({
    devices: {
      cam: { model: 'camera-studio-sdi', ports: { sdi: { format: fmt('1080p50') } }, dc },
      main: 'switcher-12-sdi 1080p50',
      scr: 'screen-sdi',
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6 10', b: 'main.out-1 > scr.in coax-rg6 10' },
    wants: { scr: 'program' },
  })

const on = (...ids: string[]) => Object.fromEntries(ids.map(id => [id, true as const]))
const lit = (brief: object, wall: object, strips: object) =>
  plan({
    brief,
    devices: {
      cam: {
        model: 'camera-studio-sdi',
        ports: { sdi: { format: fmt('1080p50') } },
        dc: { volts: 14.4, m: 2, mm2: 1 },
      },
      main: 'switcher-12-sdi 1080p50',
      scr: 'screen-sdi',
      spot: 'light-spot',
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6 10', b: 'main.out-1 > scr.in coax-rg6 10' },
    wants: { scr: 'program' },
    circuits: { wall: { title: 'Wall', order: 1, amps: 16, ...wall } },
    strips,
  } as never)

// The catalogue: 32 W at the most, 11 to 17 V.
export const CASES: readonly Faulty[] = [
  {
    // 2 x 30 x 0.0178 / 0.75 x 32 / 12 = 3.8 V lost of 12.
    name: 'thirty metres of thin lead to a camera at 12 V',
    gives: ['P11'],
    plan: show({ volts: 12, m: 30, mm2: 0.75 }),
    // 14.4 V: 3.2 V lost, 11.2 left. Thicker: 3.8 x 0.75 / 1 V = 2.8 V at most for 1: 4 mm2 loses 0.7 V. Nearer: 1 V x 0.75 x 12 / (2 x 0.0178 x 32) = 7.9 m.
    offers: [
      'Feed cam by 14.4\u00A0V',
      'Take a lead of 4\u00A0mm\u00B2 to cam',
      'Bring the supply within 7\u00A0m of cam',
    ],
    says: ['12\u00A0V', '8.2\u00A0V', '11\u00A0V', '30\u00A0m of 0.75\u00A0mm\u00B2'],
  },
  {
    name: 'a camera of 12 V on a supply of 24 V',
    gives: ['P11'],
    plan: show({ volts: 24, m: 1, mm2: 1.5 }),
    offers: ['Feed cam by 12\u00A0V'],
    says: ['11\u00A0V', '17\u00A0V', '24\u00A0V'],
  },
  {
    name: 'a light made for 230 V in a house with 100',
    gives: ['P11'],
    plan: lit({ mains: '100v-50hz' }, { loads: on('spot', 'main', 'scr') }, {}),
    offers: ['A transformer to 230\u00A0V before spot'],
    says: ['spot takes mains of 220\u00A0V to 240\u00A0V', 'has 100\u00A0V'],
  },
  {
    name: 'a light at the end of a hundred metres of thin lead',
    gives: ['P11'],
    // 330 W at the most: 330 / (230 x 0.6) = 2.39 A; 2 x 100 x 0.0178 / 0.75 x 2.39 = 11.35 V lost. By 1 mm2 it is 8.5.
    plan: lit(
      { mains: '230v-50hz' },
      { loads: on('main', 'scr') },
      { far: { title: 'Far', order: 1, circuit: 'wall', lead: { m: 100, mm2: 0.75 }, loads: on('spot') } },
    ),
    offers: ['Leads of 1\u00A0mm\u00B2 to Far', 'Plug spot straight into Wall'],
    says: ['218.6\u00A0V are left for spot', 'needs 220\u00A0V'],
  },
  {
    name: 'a household strip on a round socket',
    gives: ['P11'],
    plan: lit(
      { mains: '230v-50hz' },
      { socket: 'round-16' },
      { strip: { title: 'Strip', order: 1, circuit: 'wall', loads: on('spot', 'main', 'scr') } },
    ),
    offers: ['Give Strip a round plug of 16\u00A0A'],
    says: ['Strip has a household plug', 'Wall has a round socket of 16\u00A0A'],
  },
  {
    name: 'devices that are planned straight into a round socket',
    gives: ['P11'],
    plan: lit({ mains: '230v-50hz' }, { socket: 'round-32', loads: on('main', 'scr') }, {}),
    offers: ['A strip of outlets with a round plug of 32\u00A0A'],
    says: ['main and scr has a household plug'],
  },
  {
    name: 'a round plug for household outlets',
    gives: ['P11'],
    plan: lit(
      { mains: '230v-50hz' },
      { loads: on('main', 'scr') },
      { two: { title: 'Two', order: 2, circuit: 'wall', plug: 'round-16', loads: on('spot') } },
    ),
    offers: ['Give Two a household plug'],
    says: ['Two has a round plug of 16\u00A0A, and Wall has household outlets'],
  },
]
