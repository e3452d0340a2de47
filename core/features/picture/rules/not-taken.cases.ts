import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a capture device that lacks the rate',
    gives: ['F08'],
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080p23.98', main: 'switcher-4-strict 1080p23.98', cap: 'capture-hdmi' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro', b: 'main.out-1 > cap.in hdmi-passive 1' },
    }),
    offers: ['Set main to 1080p29.97', 'scaler and rate converter'],
    says: ['cap', '24000/1001'],
  },
  {
    name: 'a small capture device that takes 720 alone',
    gives: ['F08'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, cap: 'capture-720' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > cap.in hdmi-passive 1' },
    }),
    offers: ['HDMI scaler and rate converter'],
    says: ['cap HDMI in', '1080p59.94'],
  },
]
