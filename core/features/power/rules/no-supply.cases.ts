import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const house = { desk: { title: 'Desk', order: 1, amps: 16, places: ['Desk'] } }
const at = (model: string, place: string, more: object = {}) => ({ model, place, ...more })
const made = (port: string) => ({
  ports: { [port]: { format: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } as const } },
})

/** A camera by radio to a desk with outlets, and one by wire; `more` devices, and the ports of the link. */
const radio = (more: object, ports?: object) =>
  plan({
    devices: {
      cam: at('camera-hand-hdmi', 'Floor', made('hdmi')),
      two: at('camera-hand-hdmi', 'Desk', made('hdmi')),
      link: at('radio-hdmi', 'Floor', { air: { m: 20 }, ...(ports ? { ports } : {}) }),
      main: { ...at('switcher-4-strict', 'Desk'), standard: made('x').ports.x!.format },
      scr: at('screen', 'Desk'),
      ...more,
    },
    links: {
      a: 'cam.hdmi > link.in hdmi-passive 1 adapter-hdmi-micro',
      b: 'link.out > main.in-1 hdmi-active 15',
      c: 'two.hdmi > main.in-2 hdmi-passive 2 adapter-hdmi-micro',
      d: 'main.out-1 > scr.in hdmi-passive 2',
    },
    circuits: house,
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a box camera on a balcony without an outlet',
    gives: ['P10'],
    plan: plan({
      devices: {
        cam: at('camera-box-hdmi', 'Balcony', made('hdmi')),
        main: { ...at('switcher-4-strict', 'Desk'), standard: made('x').ports.x!.format },
        scr: at('screen', 'Desk'),
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-active 12', b: 'main.out-1 > scr.in hdmi-passive 2' },
      circuits: house,
    }),
    offers: ['Lay a mains lead from Desk to Balcony'],
    says: ['cam', 'Balcony'],
  },
  {
    name: 'a screen in the foyer without an outlet, and another circuit with more room',
    gives: ['P10'],
    plan: plan({
      brief: { mains: '230v-50hz' },
      devices: {
        pc: at('computer', 'Desk', made('hdmi-1')),
        main: { ...at('switcher-4-strict', 'Desk'), standard: made('x').ports.x!.format },
        scr: at('screen', 'Foyer'),
      },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > scr.in hdmi-active 15' },
      circuits: {
        desk: { ...house.desk, loads: { pc: true } },
        stage: { title: 'Stage', order: 2, amps: 16, places: ['Stage'] },
      },
    }),
    offers: ['Lay a mains lead from Stage to Foyer', 'Lay a mains lead from Desk to Foyer'],
    says: ['scr', 'Foyer'],
  },
  {
    name: 'a converter on USB beside a camera on its battery, with nothing that gives USB',
    gives: ['P05'],
    plan: plan({
      devices: {
        cam: at('camera-box-hdmi', 'Balcony', made('hdmi')),
        up: at('hdmi-to-sdi', 'Balcony'),
        main: { ...at('switcher-8-mixed', 'Desk'), standard: made('x').ports.x!.format },
        scr: at('screen-sdi', 'Desk'),
      },
      links: {
        a: 'cam.hdmi > up.in hdmi-passive 1',
        b: 'up.out > main.in-5 coax-rg6 40',
        c: 'main.out-1 > scr.in coax-rg6 5',
      },
      batteries: { packs: { title: 'Packs', order: 1, kind: 'pack', wh: 98, loads: { cam: true } } },
      circuits: house,
    }),
    offers: ['Feed up by a bank of 74\u00A0Wh', 'Lay a mains lead from Desk to Balcony'],
    says: ['up', 'USB', 'Balcony'],
  },
  {
    name: 'the sender of an extender on a gallery without an outlet',
    gives: ['P05'],
    plan: plan({
      devices: {
        cam: at('camera-box-hdmi', 'Gallery', made('hdmi')),
        send: at('extender-send', 'Gallery'),
        take: at('extender-receive', 'Desk'),
        main: { ...at('switcher-4-strict', 'Desk'), standard: made('x').ports.x!.format },
        scr: at('screen', 'Desk'),
      },
      links: {
        a: 'cam.hdmi > send.in hdmi-passive 1',
        b: 'send.out > take.in pair-cable 30',
        c: 'take.out > main.in-1 hdmi-passive 2',
        d: 'main.out-1 > scr.in hdmi-passive 2',
      },
      batteries: { packs: { title: 'Packs', order: 1, kind: 'pack', wh: 98, loads: { cam: true } } },
      circuits: house,
    }),
    offers: ['Lay a mains lead from Desk to Gallery'],
    says: ['send', 'Gallery'],
  },
  {
    name: 'a radio link whose receiver nobody has put in, in a house of which the outlets are said',
    gives: ['P05'],
    plan: radio({}),
    offers: ['Put in the receiver of link'],
    says: ['receiver of link', 'not judged'],
  },
  {
    name: 'a radio receiver on a truss without an outlet',
    gives: ['P05'],
    plan: radio({ rx: at('radio-hdmi-receiver', 'Truss') }, { out: { receiver: 'rx' } }),
    offers: ['Lay a mains lead from Desk to Truss'],
    says: ['rx', 'USB', 'Truss'],
  },
  {
    name: 'a sender with two receivers, neither of them put in',
    gives: ['P05'],
    plan: plan({
      devices: {
        cam: at('camera-hand-hdmi', 'Floor', made('hdmi')),
        two: at('camera-hand-hdmi', 'Desk', made('hdmi')),
        link: at('radio-one-to-two', 'Floor', { air: { m: 20 } }),
        main: { ...at('switcher-4-strict', 'Desk'), standard: made('x').ports.x!.format },
        scr: at('screen', 'Desk'),
        hall: at('screen', 'Hall'),
      },
      links: {
        a: 'cam.hdmi > link.in hdmi-passive 1 adapter-hdmi-micro',
        b: 'link.out-1 > main.in-1 hdmi-passive 2',
        c: 'link.out-2 > hall.in hdmi-passive 2',
        d: 'two.hdmi > main.in-2 hdmi-passive 2 adapter-hdmi-micro',
        e: 'main.out-1 > scr.in hdmi-passive 2',
      },
      circuits: { ...house, hall: { title: 'Hall', order: 2, amps: 16, places: ['Hall'], loads: { hall: true } } },
    }),
    offers: ['Put in 2 receivers of link'],
    says: ['receiver of link'],
  },
]
