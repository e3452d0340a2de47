import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'output to output',
    gives: ['C03'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.out-2 hdmi-passive 3' },
    }),
    offers: ['Move the end to main input 1'],
    says: ['both outputs'],
  },
  {
    name: 'input to input',
    gives: ['C03'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'main.in-2 > proj.in hdmi-passive 1' },
    }),
    offers: ['Move the end to main output 1'],
    says: ['both inputs'],
  },
]
