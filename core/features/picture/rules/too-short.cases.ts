import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const SEEN = { p: 'main.out-1 > proj.in hdmi-passive 1' }
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
]
