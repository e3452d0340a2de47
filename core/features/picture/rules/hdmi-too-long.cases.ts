import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'passive HDMI that is dark',
    gives: ['L01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 22' },
    }),
    offers: ['Optical HDMI', 'Extender', 'HDMI to SDI converter, SDI to HDMI converter'],
    says: ['25\u00A0m', '15\u00A0m', '4.45\u00A0Gb/s'],
  },
  {
    name: 'passive HDMI at risk',
    gives: ['L01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 8' },
    }),
    offers: ['Optical HDMI', 'Active HDMI'],
    says: ['10\u00A0m', '7.5\u00A0m'],
  },
  {
    name: 'more HDMI chosen than the route needs',
    gives: ['L01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 4 =20' },
    }),
    offers: ['Take 7.5 m'],
    says: ['20\u00A0m'],
  },
  {
    name: 'two faults in one run',
    gives: ['L01'],
    plan: plan({
      devices: { pc: 'computer 1080p60', main: STAGE },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 22' },
    }),
    offers: ['and set pc to 1080p59.94'],
    says: ['25\u00A0m'],
  },
]
