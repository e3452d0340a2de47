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
]
