import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'one output for multiview and program',
    gives: ['C12'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-4-scaling 1080p59.94',
        split: 'splitter-hdmi',
        op: 'screen',
        hall: 'projector',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'main.out-2 > split.in hdmi-passive 1',
        c: 'split.out-1 > op.in hdmi-passive 2',
        d: 'split.out-2 > hall.in hdmi-passive 5',
      },
      wants: { op: 'multiview', hall: 'program' },
    }),
    offers: ['Feed it from main output 1'],
    says: ['main output 2 carries multiview for op', 'hall', 'program'],
  },
  {
    name: 'preview and program on one output',
    gives: ['C12'],
    plan: plan({
      devices: { a: 'computer 1080p59.94', main: STAGE, s: 'splitter-hdmi', x: 'screen', y: 'screen' },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > s.in hdmi-passive 1',
        c: 's.out-1 > x.in hdmi-passive 2',
        d: 's.out-2 > y.in hdmi-passive 2',
      },
      wants: { x: 'program', y: 'preview' },
    }),
    offers: ['output 2'],
    says: ['preview', 'program'],
  },
]
