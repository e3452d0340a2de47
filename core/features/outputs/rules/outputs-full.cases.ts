import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a third screen at two outputs',
    gives: ['C11'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, one: 'recorder-hdmi', two: 'screen', three: 'screen' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > one.in hdmi-passive 1',
        c: 'main.out-2 > two.in hdmi-passive 2',
      },
      wants: { one: 'program', two: 'program', three: 'program' },
    }),
    offers: [
      'Loop it through one',
      'Put in HDMI splitter',
      'Use a larger switcher at main',
      'Give up program at three',
    ],
    says: ['three should see program', 'taken'],
  },
  {
    name: 'three screens at two outputs',
    gives: ['C11'],
    plan: plan({
      devices: { a: 'computer 1080p59.94', main: STAGE, x: 'screen', y: 'screen', z: 'screen' },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > x.in hdmi-passive 2',
        c: 'main.out-2 > y.in hdmi-passive 2',
      },
      wants: { x: 'program', y: 'program', z: 'program' },
    }),
    offers: ['HDMI splitter'],
    says: ['program'],
  },
]
