import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'two cables in one input',
    gives: ['C04'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'two.hdmi > main.in-1 hdmi-passive 3' },
    }),
    offers: ['Move it to main input 2'],
    says: ['main input 1', 'only one'],
  },
  {
    name: 'three cables in one input',
    gives: ['C04', 'C04'],
    plan: plan({
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: 'computer 1080p59.94',
        main: 'switcher-8-hdmi 1080p59.94',
        x: 'screen',
      },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-1 hdmi-passive 2',
        c: 'c.hdmi-1 > main.in-1 hdmi-passive 2',
        m: 'main.out-3 > x.in hdmi-passive 1',
      },
    }),
    offers: ['Move it to main input 2'],
    says: ['main input 1'],
  },
]
