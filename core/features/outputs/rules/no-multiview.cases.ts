import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'three sources and no multiview, with an output free',
    gives: ['O03'],
    plan: plan({
      devices: {
        a: 'computer 1080p59.94',
        b: 'computer 1080p59.94',
        c: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-4-scaling 1080p59.94',
      },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
      },
    }),
    offers: ['Show the multiview of main output 2 on a screen', 'Put in a multiviewer with 3 splitters'],
    says: ['3 sources'],
  },
  {
    name: 'three sources at a switcher that makes no multiview',
    gives: ['O03'],
    plan: plan({
      devices: { a: 'computer 1080p59.94', b: 'computer 1080p59.94', c: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: {
        a: 'a.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'b.hdmi-1 > main.in-2 hdmi-passive 2',
        c: 'c.hdmi > main.in-3 hdmi-passive 2',
      },
    }),
    offers: ['Put in a multiviewer with 3 splitters', 'Use a switcher with a multiview at main'],
    says: ['3 sources'],
  },
]
