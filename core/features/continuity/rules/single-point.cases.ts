import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a show that cannot be dark, and one switcher',
    gives: ['R01'],
    plan: plan({
      brief: { secondWay: true },
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, enc: 'encoder-stream', scr: 'screen' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > enc.in hdmi-passive 2',
        c: 'main.out-2 > scr.in hdmi-passive 2',
      },
      wants: { enc: 'program', scr: 'program' },
    }),
    // A tenth of 380 EUR is the hire of one.
    offers: [
      'Hire a second Switcher as a spare: 38\u00A0EUR',
      'Buy a second Switcher as a spare: 380\u00A0EUR',
      'Give up that',
    ],
    says: ['main', '2 sinks'],
  },
  {
    name: 'a spare switcher, but one splitter before everything',
    gives: ['R01'],
    plan: plan({
      brief: { secondWay: true },
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: STAGE,
        x: 'splitter-hdmi',
        enc: 'encoder-stream',
        scr: 'screen',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > x.in hdmi-passive 1',
        c: 'x.out-1 > enc.in hdmi-passive 2',
        d: 'x.out-2 > scr.in hdmi-passive 2',
      },
      wants: { enc: 'program', scr: 'program' },
      kit: { sw: { kind: 'model', id: 'switcher-4-strict', owned: 2 } },
    }),
    offers: ['Hire a second HDMI splitter'],
    says: ['x'],
  },
]
