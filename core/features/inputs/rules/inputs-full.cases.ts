import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'five sources at four inputs',
    gives: ['C09'],
    plan: plan({
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: 'computer 1080p59.94',
        d: 'camera-box-hdmi 1080p59.94',
        e: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-4-multiview 1080p59.94',
        scr: 'screen',
      },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi-1 > main.in-3 hdmi-passive 2',
        d: 'd.hdmi > main.in-4 hdmi-passive 2',
        m: 'main.out-3 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Put a feeder before main input 4', 'Use a larger switcher at main', 'Give up e'],
    says: ['1 of 5 sources'],
  },
  {
    name: 'five computers and four inputs',
    gives: ['C09', 'O03'],
    plan: plan({
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: 'computer 1080p59.94',
        d: 'computer 1080p59.94',
        e: 'computer 1080p59.94',
        main: STAGE,
      },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi-1 > main.in-3 hdmi-passive 2',
        d: 'd.hdmi-1 > main.in-4 hdmi-passive 2',
      },
    }),
    offers: ['Use a larger switcher at main', 'Put a feeder before main', 'Give up e'],
    says: ['1 of 5 sources'],
  },
]
