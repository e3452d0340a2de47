import { type Faulty } from '../../../../testing/cases'
import { worked } from '../../../../testing/plans'

const CHAIN = {
  devices: {
    wide: 'camera-box-hdmi 1080p59.94',
    tablet: 'computer 1080p59.94',
    side: 'switcher-4-strict 1080p59.94',
    main: 'switcher-4-strict 1080p59.94',
  },
  links: {
    w: 'wide.hdmi > side.in-1 hdmi-passive 2',
    t: 'tablet.hdmi-1 > side.in-2 hdmi-passive 2',
    l: 'side.out-1 > main.in-1 hdmi-passive 2',
  },
}
const marks = { title: 'Marks', order: 1, kind: 'luma', fill: 'tablet' } as const

export const CASES: readonly Faulty[] = [
  {
    name: 'drawn marks that come over the feeder',
    gives: ['K15'],
    plan: worked({ ...CHAIN, overlays: { marks } }),
    offers: ['Move tablet to main input 2', 'Key Marks at side'],
    says: ['Marks comes to main over the link from side', 'wide cannot be shown'],
  },
  {
    // In the welcome nothing else of the feeder is used, so that the link may be held.
    name: 'a link that is held in one segment',
    gives: ['K15'],
    plan: worked({
      ...CHAIN,
      segments: {
        welcome: { title: 'Welcome', order: 1, sources: ['tablet'] },
        talk: { title: 'Talk', order: 2 },
      },
      overlays: { marks },
    }),
    offers: ['Move tablet to main input 2'],
    says: ['wide cannot be shown'],
  },
]
