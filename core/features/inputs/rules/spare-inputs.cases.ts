import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'no input spare for the late guest',
    gives: ['C10'],
    plan: plan({
      brief: { spareInputs: 1 },
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: 'camera-box-hdmi 1080p59.94',
        d: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-4-multiview 1080p59.94',
        scr: 'screen',
      },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
        d: 'd.hdmi > main.in-4 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Put a feeder before', 'Use a larger switcher', 'Give up 1 input held free'],
    says: ['1 input spare', 'none is free'],
  },
  {
    name: 'two guests late and one input free',
    gives: ['C10'],
    plan: plan({
      brief: { spareInputs: 2 },
      devices: {
        hall: 'projector',
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: 'computer 1080p59.94',
        main: 'switcher-4-multiview 1080p59.94',
        scr: 'screen',
      },
      links: {
        h: 'main.out-1 > hall.in hdmi-passive 3',
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi-1 > main.in-3 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
      wants: { hall: 'program', scr: 'multiview' },
    }),
    offers: ['feeder'],
    says: ['2', '1'],
  },
  {
    name: 'four inputs free by SDI, and guests who come by HDMI',
    gives: ['C10'],
    plan: plan({
      brief: { spareInputs: 1, spareBy: 'hdmi' },
      devices: {
        hall: 'screen-sdi',
        a: 'computer 1080p50',
        b: 'computer 1080p50',
        c: 'computer 1080p50',
        d: 'computer 1080p50',
        main: 'switcher-8-mixed 1080p50',
        scr: 'screen',
      },
      links: {
        h: 'main.out-1 > hall.in coax-rg6 5',
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi-1 > main.in-3 hdmi-passive 2',
        d: 'd.hdmi-1 > main.in-4 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
      wants: { hall: 'program', scr: 'multiview' },
    }),
    offers: ['Move main input 4\u2019s picture to main input 5', 'Give up 1 input'],
    says: ['by HDMI', 'none is free', '4 are free for another plug'],
  },
]
