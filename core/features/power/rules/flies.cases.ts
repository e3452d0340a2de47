import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const flown = (wh: number, count: number) =>
  plan({
    brief: { flies: true },
    devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-8-mixed 1080p50', scr: 'screen-sdi' },
    links: { a: 'cam.sdi > main.in-5 coax-rg6 5', b: 'main.out-1 > scr.in coax-rg6 5' },
    wants: { scr: 'program' },
    batteries: { plates: { title: 'Plate batteries', order: 1, kind: 'pack', wh, count, loads: { cam: true } } },
  })

export const CASES: readonly Faulty[] = [
  {
    name: 'a battery of 290 Wh on a show that flies',
    gives: ['P09'],
    plan: flown(290, 1),
    // 290 / 98 = 2.96.
    offers: ['Take 3 packs of 98\u00A0Wh', 'Send Plate batteries by freight'],
    says: ['290\u00A0Wh', '160\u00A0Wh'],
  },
  {
    name: 'five batteries of 150 Wh on a show that flies',
    gives: ['P09'],
    plan: flown(150, 5),
    offers: ['Take 8 packs of 98\u00A0Wh', 'by freight'],
    says: ['5', '150\u00A0Wh', '100\u00A0Wh'],
  },
]
