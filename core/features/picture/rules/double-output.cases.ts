import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'one output in two cables',
    gives: ['C05'],
    plan: plan({
      devices: { pc: 'computer 1080p59.94', main: STAGE, proj: 'projector' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 3', b: 'pc.hdmi-1 > proj.in hdmi-passive 3' },
    }),
    offers: ['Put in HDMI splitter', 'Take it from pc HDMI 2'],
    says: ['pc HDMI 1', 'one plug'],
  },
  {
    name: 'one output in two cables, where the first sink loops through',
    gives: ['C05'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, rec: 'recorder-hdmi', proj: 'projector' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 1',
        b: 'main.out-1 > rec.in hdmi-passive 1',
        c: 'main.out-1 > proj.in hdmi-passive 1',
      },
    }),
    offers: ['Take it from rec Loop out', 'Take it from main output 2', 'Put in HDMI splitter'],
    says: ['main output 1'],
  },
]
