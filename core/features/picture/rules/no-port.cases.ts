import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a port that the model lacks',
    gives: ['C06'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-5 hdmi-passive 3', b: 'two.hdmi > main.in-1 hdmi-passive 3' },
    }),
    offers: ['Use main input 2'],
    says: ['no port in-5'],
  },
  {
    name: 'an output that the model lacks',
    gives: ['C06'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, scr: 'screen' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-3 > scr.in hdmi-passive 2' },
    }),
    offers: ['Use main output 1'],
    says: ['out-3'],
  },
]
