import { MIXED, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'no setting gives the standard',
    gives: ['F04'],
    plan: plan({
      devices: { cam: 'camera-shoulder-sdi', two: 'camera-box-hdmi 1080p59.94', main: MIXED, scr: 'screen' },
      links: {
        a: 'cam.sdi > main.in-5 coax-rg6 60',
        b: 'two.hdmi > main.in-1 hdmi-passive 3',
        c: 'main.out-4 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['scaler and rate converter', 'Use another source: Studio camera'],
    says: ['1080i50', 'no setting', '1080p59.94'],
  },
  {
    name: 'no setting gives the standard, but another standard suits all',
    gives: ['F04'],
    plan: plan({
      devices: {
        cam: 'camera-shoulder-sdi',
        two: 'camera-studio-sdi 1080p50',
        main: 'switcher-8-mixed 1080p50',
        scr: 'screen',
      },
      links: {
        a: 'cam.sdi > main.in-5 coax-rg6 40',
        b: 'two.sdi > main.in-6 coax-rg6 10',
        c: 'main.out-4 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Set main to 1080i50'],
    says: ['cam'],
  },
]
