import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'optical HDMI laid the wrong way round',
    gives: ['C08'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: {
        a: {
          from: { device: 'cam', port: 'hdmi' },
          to: { device: 'main', port: 'in-1' },
          cable: 'hdmi-optical',
          routeM: 20,
          turned: true,
        },
      },
    }),
    offers: ['Turn the cable round'],
    says: ['Optical HDMI', 'one way only'],
  },
  {
    name: 'an active cable the wrong way round',
    gives: ['C08'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: {
        a: {
          from: { device: 'cam', port: 'hdmi' },
          to: { device: 'main', port: 'in-1' },
          cable: 'hdmi-active',
          routeM: 12,
          turned: true,
        },
      },
    }),
    offers: ['Turn the cable round'],
    says: ['Active HDMI'],
  },
]
