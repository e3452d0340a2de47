import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'switchers in different standards',
    gives: ['F16'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p29.97',
        two: 'camera-box-hdmi 1080p59.94',
        side: 'switcher-4-strict 1080p29.97',
        main: STAGE,
        proj: 'projector',
      },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 3',
        b: 'two.hdmi > main.in-1 hdmi-passive 3',
        j: 'side.out-1 > main.in-4 hdmi-passive 1',
        ...SEEN,
      },
    }),
    offers: ['Set side to 1080p59.94', 'scaler and rate converter'],
    says: ['side', 'main input 4'],
  },
  {
    name: 'a feeder in another standard at a scaling input',
    gives: ['F16'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'laptop 1080p50',
        side: 'switcher-4-scaling 1080p59.94',
        main: 'switcher-4-scaling 1080p50',
        scr: 'screen',
      },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 2',
        b: 'two.hdmi > main.in-1 hdmi-passive 2',
        j: 'side.out-1 > main.in-2 hdmi-passive 1',
        c: 'main.out-1 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Set side to 1080p50'],
    says: ['side works in 1080p59.94', 'converts every frame'],
  },
]
