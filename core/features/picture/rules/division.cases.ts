import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'quarters put together otherwise than they were taken apart',
    gives: ['F20'],
    plan: plan({
      devices: { cam: 'camera-quad-2160 2160p50', main: 'switcher-4-quad 2160p50' },
      links: { a: 'cam.sdi > main.in-1 coax-rg6-four 30' },
    }),
    offers: ['Set cam to square division', 'Four-link converter'],
    says: ['two-sample interleave', 'square division', 'scrambled'],
  },
  {
    name: 'four links into one',
    gives: ['F20'],
    plan: plan({
      devices: { cam: 'camera-quad-2160 2160p50', main: 'switcher-6-2160 2160p50' },
      links: { a: 'cam.sdi > main.in-1 coax-rg6-four 30' },
    }),
    offers: ['Four 3G links to 12G-SDI'],
    says: ['four BNC in order', 'not complete'],
  },
]
