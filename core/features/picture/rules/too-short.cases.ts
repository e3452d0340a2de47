import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const SEEN = { p: 'main.out-1 > proj.in hdmi-passive 1' }
const OUT = { p: 'main.out-1 > scr.in coax-rg6 1' }
const box = (place: string) => ({ model: 'camera-box-hdmi', place })

export const CASES: readonly Faulty[] = [
  {
    name: 'a piece of 5 m on a measured way of 6 m',
    gives: ['L06'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi', main: STAGE, proj: 'projector' },
      links: {
        ...SEEN,
        a: {
          from: { device: 'cam', port: 'hdmi' },
          to: { device: 'main', port: 'in-1' },
          cable: 'hdmi-passive',
          routeM: 6,
          pieces: [5],
        },
      },
      wants: { proj: 'program' },
    }),
    // 6 m of way are cut at 8 m: passive HDMI is sold in 10 m, which is long for its rate.
    offers: ['Take 10 m Active HDMI'],
    says: ['5', '6', 'does not reach'],
  },
  {
    name: 'a coax of 10 m on a measured way of 12 m',
    gives: ['L06'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-12-sdi 1080p50', scr: 'screen-sdi' },
      links: { a: 'cam.sdi > main.in-1 coax-rg6 12 =10', p: 'main.out-1 > scr.in coax-rg6 1' },
      wants: { scr: 'program' },
    }),
    // 12 m and 2 m of slack.
    offers: ['Take 15 m of it'],
    says: ['10', '12', 'does not reach'],
  },
  {
    name: 'a piece of 5 m between places that are 180 m apart',
    gives: ['L06'],
    plan: plan({
      devices: {
        cam: box('Balcony'),
        main: { model: 'switcher-4-strict', place: 'Stage' },
        proj: 'projector',
      },
      links: {
        ...SEEN,
        a: {
          from: { device: 'cam', port: 'hdmi' },
          to: { device: 'main', port: 'in-1' },
          cable: 'hdmi-passive',
          pieces: [5],
        },
      },
      wants: { proj: 'program' },
      distances: { far: { between: ['Balcony', 'Stage'], m: 180 } },
    }),
    offers: [],
    says: ['Balcony and Stage are 180', 'does not reach'],
  },
  {
    name: 'cables of 1 and 20 m through a converter that stands nowhere, between places that are 60 m apart',
    gives: ['L06'],
    plan: plan({
      devices: {
        cam: box('Balcony'),
        conv: 'hdmi-to-sdi',
        main: { model: 'switcher-12-sdi', standard: fmt('1080p59.94'), place: 'Stage' },
        scr: 'screen-sdi',
      },
      links: {
        ...OUT,
        a: 'cam.hdmi > conv.in hdmi-passive =1',
        b: 'conv.out > main.in-1 coax-rg6 =20',
      },
      wants: { scr: 'program' },
      distances: { far: { between: ['Balcony', 'Stage'], m: 60 } },
    }),
    // 39 m are missing; 20 and 39 m make 59, and a tenth of slack: 65 m, of pieces on sale.
    offers: ['of RG-6'],
    says: ['21', 'Balcony and Stage are 60', 'do not reach'],
  },
  {
    name: 'a network lead of 5 m on a measured way of 30 m',
    gives: ['L06'],
    plan: plan({
      devices: { cam: 'camera-ptz-hdmi 1080p59.94', joy: 'controller-joystick', main: STAGE, proj: 'projector' },
      links: {
        ...SEEN,
        k: {
          from: { device: 'joy', port: 'network' },
          to: { device: 'cam', port: 'control' },
          cable: 'control-network',
          routeM: 30,
          pieces: [5],
        },
        a: 'cam.hdmi > main.in-1 hdmi-passive 5',
      },
      wants: { proj: 'program' },
    }),
    offers: ['of it'],
    says: ['5', '30', 'does not reach'],
  },
]
