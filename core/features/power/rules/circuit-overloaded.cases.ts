import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const devices = {
  pc: 'computer 1080p59.94',
  main: 'switcher-4-strict 1080p59.94',
  wall: 'projector',
  hall: 'projector',
  scr: 'screen',
}
const links = {
  a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
  b: 'main.out-1 > wall.in hdmi-passive 2',
  c: 'main.out-2 > hall.in hdmi-passive 2',
}
const on = (...ids: string[]) => Object.fromEntries(ids.map(id => [id, true as const]))

// A projector draws 320 W in the catalogue. At 230 V with a power factor of 0.6: 320 / 138 = 2.32 A each.
export const CASES: readonly Faulty[] = [
  {
    name: 'two projectors on a 4 A circuit: 4.64 A of 4 A',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: {
        switcher: { title: 'Stage left', order: 1, amps: 4, loads: on('wall', 'hall') },
        booth: { title: 'Booth', order: 2, amps: 10, loads: on('main') },
      },
    }),
    offers: ['Plug', 'into Booth', 'another circuit of the house'],
    says: ['Stage left', '640', '4.6', '4'],
  },
  {
    name: 'two projectors on a 5 A circuit: 93 % of it',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: { switcher: { title: 'Stage left', order: 1, amps: 5, loads: on('wall', 'hall') } },
    }),
    offers: ['another circuit of the house'],
    says: ['93', '80'],
  },
  {
    // At 120 V: 640 / 72 = 8.89 A of 10 A.
    name: 'the same two in another country, on 10 A',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '120v-60hz' },
      devices,
      links,
      circuits: { switcher: { title: 'Stage left', order: 1, amps: 10, loads: on('wall', 'hall') } },
    }),
    offers: ['another circuit of the house'],
    says: ['8.9', '89'],
  },
  {
    name: 'an uninterruptible supply that gives less than hangs on it',
    gives: ['P04'],
    // A switcher of 12 W and a projector of 260 W on a supply of 200 W: the projector goes beside it.
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', hall: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', h: 'main.out-1 > hall.in hdmi-passive 2' },
      wants: { hall: 'program' },
      circuits: { wall: { title: 'Wall', order: 1, amps: 16 } },
      strips: {
        ups: {
          title: 'Supply',
          order: 1,
          circuit: 'wall',
          keeps: { wh: 300, mostW: 200 },
          loads: { main: true, hall: true },
        },
      },
    }),
    offers: ['Plug hall beside Supply'],
    says: ['2 devices on Supply draw', 'gives 200\u00A0W', 'switches off at once'],
  },
]
