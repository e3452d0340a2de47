import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'micro socket without adapter',
    gives: ['C01'],
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' },
    }),
    offers: ['with adapter'],
    says: ['micro HDMI', 'full-size HDMI', 'adapter'],
  },
  {
    name: 'SDI into HDMI with coax',
    gives: ['C01'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p59.94', main: STAGE },
      links: { a: 'cam.sdi > main.in-2 coax-rg6 60' },
    }),
    offers: ['SDI to HDMI converter'],
    says: ['SDI', 'HDMI', 'converter'],
  },
]
