import type { Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const show = (sink: string, boxed: 'main' | 'scr') =>
  plan({
    devices: {
      cam: 'camera-studio-sdi 1080p50',
      main: {
        model: 'switcher-12-sdi',
        standard: { raster: '1920x1080', scan: 'p', rate: '50/1' },
        ...(boxed === 'main' ? { boxed: true as const } : {}),
      },
      scr: { model: sink, ...(boxed === 'scr' ? { boxed: true as const } : {}) },
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6 10', b: 'main.out-1 > scr.in coax-rg6 10' },
  })

const overnight = (supply: object) =>
  plan({
    brief: { stays: true },
    devices: { cam: 'camera-hand-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', scr: 'screen' },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      b: 'main.out-1 > scr.in hdmi-passive 2',
    },
    wants: { scr: 'program' },
    ...supply,
  } as never)

export const CASES: readonly Faulty[] = [
  {
    name: 'a large switcher in a closed case',
    gives: ['P08'],
    plan: show('screen-sdi', 'main'),
    offers: ['Let main stand in the open'],
    // The catalogue: 85 W.
    says: ['main', '85'],
  },
  {
    name: 'a large projector behind a wall',
    gives: ['P08'],
    plan: show('projector-sdi', 'scr'),
    offers: ['Let scr stand in the open'],
    says: ['scr', '1400'],
  },
  {
    name: 'a small switcher without a switch in a rig that stays overnight',
    gives: ['P08'],
    plan: overnight({ circuits: { wall: { title: 'Wall', order: 1, amps: 16, loads: { main: true, scr: true } } } }),
    offers: ['A strip with a switch for main'],
    says: ['main has no switch', '12\u00A0W'],
  },
  {
    name: 'the same on a strip without a switch beside one that has one',
    gives: ['P08'],
    plan: overnight({
      circuits: { wall: { title: 'Wall', order: 1, amps: 16, loads: { scr: true } } },
      strips: {
        plain: { title: 'Plain', order: 1, circuit: 'wall', loads: { main: true } },
        other: { title: 'Other', order: 2, circuit: 'wall', switched: 'at-once' },
      },
    }),
    offers: ['Plug main into Other'],
    says: ['all night'],
  },
  {
    name: 'a spot behind a curtain, which no picture comes from',
    gives: ['P08'],
    plan: plan({ devices: { spot: { model: 'light-spot', boxed: true } } }),
    offers: ['Let spot stand in the open'],
    says: ['spot', '300'],
  },
]
