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
    // 6 m of way are cut at 8 m: passive HDMI is sold in 7.5 and 10 m.
    offers: ['Take 10 m of it'],
    says: ['5', '6', 'does not reach'],
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
