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
  {
    name: 'the two ends of an extender, each in the other\u2019s place',
    gives: ['C08'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', rx: 'extender-receive', tx: 'extender-send', main: STAGE },
      links: {
        a: 'cam.hdmi > rx.out hdmi-passive 2',
        p: 'rx.in > tx.out pair-cable 40',
        b: 'tx.in > main.in-1 hdmi-passive 2',
      },
    }),
    offers: ['Let rx and tx change places'],
    says: ['rx and tx', 'cam HDMI out', 'main input 1'],
  },
]
