import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'isolated recordings asked, by cameras without a card',
    gives: ['O05'],
    plan: plan({
      brief: { isolated: true },
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        main: STAGE,
        scr: 'screen',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'two.hdmi > main.in-2 hdmi-passive 2',
        c: 'main.out-1 > scr.in hdmi-passive 2',
      },
      wants: { scr: 'program' },
    }),
    offers: ['Loop a recorder into the runs of cam and two', 'which records each input', 'Give up'],
    says: ['nothing records cam and two'],
  },
  {
    name: 'isolated recordings asked, by a camera that could record inside',
    gives: ['O05'],
    plan: plan({
      brief: { isolated: true },
      devices: {
        cam: { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p29.97') } } },
        main: 'switcher-4-strict 1080p29.97',
        scr: 'screen',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
        c: 'main.out-1 > scr.in hdmi-passive 2',
      },
      wants: { scr: 'program' },
    }),
    offers: ['Record in the cameras', 'Give up'],
    says: ['nothing records cam'],
  },
]
