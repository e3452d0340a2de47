import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a stiff adapter in a micro socket',
    gives: ['C16'],
    plan: plan({
      devices: { cam: 'camera-hand-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro-stiff' },
    }),
    offers: ['Hold the plug', 'with Micro HDMI adapter'],
    says: ['stiff', 'micro HDMI', 'cam HDMI out'],
  },
  {
    name: 'a lead with a mini plug and nothing that holds it',
    gives: ['C16'],
    plan: plan({
      devices: { pad: 'tablet-drawing 1080p59.94', main: STAGE },
      links: { a: 'pad.hdmi > main.in-1 hdmi-mini-lead 0 =2' },
    }),
    offers: ['Hold the plug', 'with Mini HDMI adapter'],
    says: ['mini HDMI'],
  },
]
