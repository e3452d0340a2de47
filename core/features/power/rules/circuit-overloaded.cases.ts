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

// A projector draws up to 360 W in the catalogue. At 230 V with a power factor of 0.6: 360 / 138 = 2.61 A each.
export const CASES: readonly Faulty[] = [
  {
    name: 'two projectors on a 4 A circuit: 5.2 A of 4 A',
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
    says: ['Stage left', '720', '5.2', '4'],
  },
  {
    name: 'two projectors on a 6 A circuit: 87 % of it',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: { switcher: { title: 'Stage left', order: 1, amps: 6, loads: on('wall', 'hall') } },
    }),
    offers: ['another circuit of the house'],
    says: ['87', '80'],
  },
  {
    // At 120 V: 720 / 72 = 10 A of 12 A.
    name: 'the same two in another country, on 12 A',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '120v-60hz' },
      devices,
      links,
      circuits: { switcher: { title: 'Stage left', order: 1, amps: 12, loads: on('wall', 'hall') } },
    }),
    offers: ['another circuit of the house'],
    says: ['10', '83'],
  },
  {
    name: 'an uninterruptible supply that gives less than hangs on it',
    gives: ['P04'],
    // A switcher of up to 18 W and a projector of up to 360 W on a supply of 200 W: the projector goes beside it.
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
  {
    name: 'a phase of a distribution that carries 5.2 A of its 6',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      distributions: { dist: { title: 'Truss', order: 1, amps: 6 } },
      circuits: {
        a: { title: 'One', order: 1, amps: 16, distribution: 'dist', phase: 1, loads: on('wall') },
        b: { title: 'Four', order: 2, amps: 16, distribution: 'dist', phase: 1, loads: on('hall') },
        c: { title: 'Two', order: 3, amps: 16, distribution: 'dist', phase: 2, loads: on('main') },
      },
    }),
    // What is safe is 4.8 A: one projector of 2.61 A leaves it.
    offers: ['Plug hall into Two', 'Plug hall into another circuit of the house'],
    says: ['Phase 1 of Truss', '5.2', '87'],
  },
  {
    name: 'a phase of a distribution that trips',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      distributions: { dist: { title: 'Truss', order: 1, amps: 4 } },
      circuits: {
        a: { title: 'One', order: 1, amps: 16, distribution: 'dist', phase: 3, loads: on('wall', 'hall') },
        c: { title: 'Two', order: 3, amps: 16, distribution: 'dist', phase: 2, loads: on('main') },
      },
    }),
    offers: ['into Two'],
    says: ['Phase 3 of Truss', 'trips', 'One'],
  },
  {
    name: 'a reel that lies wound',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: { wall: { title: 'Wall', order: 1, amps: 16, loads: on('main') } },
      strips: {
        reel: {
          title: 'Reel',
          order: 1,
          circuit: 'wall',
          reel: { woundW: 500, unwoundW: 3000, wound: true },
          loads: on('wall', 'hall'),
        },
      },
    }),
    offers: ['Unwind Reel', 'Plug wall beside Reel'],
    says: ['wound on its reel', '720', '500'],
  },
  {
    name: 'a reel that carries too much unwound',
    gives: ['P04'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: { wall: { title: 'Wall', order: 1, amps: 16, loads: on('main') } },
      strips: {
        reel: {
          title: 'Reel',
          order: 1,
          circuit: 'wall',
          reel: { woundW: 300, unwoundW: 700 },
          loads: on('wall', 'hall'),
        },
      },
    }),
    offers: ['Plug wall beside Reel'],
    says: ['unwound', '720', '700'],
  },
  {
    name: 'a thin lead to a strip',
    gives: ['P04'],
    // 720 W at 230 V and a power factor of 0.6 are 5.2 A; 0.5 mm² bear 3 A (EN 50565-1).
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: { wall: { title: 'Wall', order: 1, amps: 16, loads: on('main') } },
      strips: {
        far: { title: 'Far', order: 1, circuit: 'wall', lead: { m: 2, mm2: 0.5 }, loads: on('wall', 'hall') },
      },
    }),
    offers: ['Lay a lead of 0.75\u00A0mm² to Far', 'Plug wall beside Far'],
    says: ['Through the lead to Far', '5.2\u00A0A', '0.5\u00A0mm²', '3\u00A0A'],
  },
  {
    name: 'two projectors and a light behind one switch of a strip',
    gives: ['P04'],
    // 35 + 35 + 40 A of inrush against 16 A of class C, five times its rating for an instant: 110 of 80 A.
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices: { ...devices, lamp: 'light-panel' },
      links,
      circuits: { wall: { title: 'Wall', order: 1, amps: 16 } },
      strips: {
        strip: {
          title: 'Strip',
          order: 1,
          circuit: 'wall',
          switched: 'at-once',
          loads: on('wall', 'hall', 'lamp', 'main'),
        },
      },
    }),
    offers: ['Strip as one that switches its outlets in turn'],
    says: ['3 devices at Strip', '110', '80', 'class C'],
  },
  {
    name: 'two projectors on a circuit with a switch at the door, class B',
    gives: ['P04'],
    // 35 + 35 A against 3 x 16 A.
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices,
      links,
      circuits: {
        wall: { title: 'Wall', order: 1, amps: 16, trips: 'b', switched: 'at-once', loads: on('wall', 'hall', 'main') },
      },
    }),
    offers: ['Plug hall, wall into a strip that switches in turn'],
    says: ['2 devices at Wall', '70', '48', 'class B'],
  },
]
