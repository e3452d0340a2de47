import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const studio = (m: number, size: 'head' | 'waist') => ({
  model: 'camera-studio-sdi',
  ports: { sdi: { format: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } } },
  aim: { m, size },
})
const lenses = { long: { title: 'Zoom 8 to 160 mm', order: 1, fromMm: 8, toMm: 160 } }
const SIDE = 'switcher-12-sdi 1080p59.94'

export const CASES: readonly Faulty[] = [
  {
    // W = 16/9 * 0.24 * 1.75 = 0.747 m; f = 9.6 * 40 / (0.747 + 0.0096) = 508 mm. At 160 mm 12.6 m; knees, 2.489 m, 154 mm.
    name: 'a head from 40 m with a zoom that ends at 160 mm',
    gives: ['R05'],
    plan: plan({
      devices: { cam: studio(40, 'head'), main: SIDE },
      links: { a: 'cam.sdi > main.in-1 coax-rg6 10' },
      lenses,
    } as never),
    offers: ['Bring a lens of 150 to 600 mm', 'Show somebody down to the knees with cam', 'Put cam 12.5 m away'],
    says: ['cam needs 508\u00A0mm', 'a head', 'no lens of the kit has that'],
  },
  {
    // W = 16/9 * 0.55 * 1.75 = 1.711 m; f = 5.6 * 60 / 1.717 = 196 mm. At 88 mm 26.98 m; whole, 3.733 m, 89.9 mm.
    name: 'a moving camera whose own lens ends at 88 mm',
    gives: ['R05'],
    plan: plan({
      devices: {
        cam: {
          model: 'camera-ptz-hdmi',
          ports: { hdmi: { format: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } } },
          aim: { m: 60, size: 'waist' },
        },
        joy: 'controller-joystick',
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', k: 'joy.network > cam.control control-network 20' },
    } as never),
    offers: ['Show somebody whole with cam', 'Put cam 26.5 m away'],
    says: ['cam needs 196\u00A0mm', 'its lens goes from 4.4\u00A0mm to 88\u00A0mm'],
  },
  {
    // At 10 m a head wants 9.6 * 10 / 0.756 = 127 mm, of both.
    name: 'two cameras that need the one lens there is',
    gives: ['R05'],
    plan: plan({
      devices: { one: studio(10, 'head'), two: studio(10, 'head'), main: SIDE },
      links: { a: 'one.sdi > main.in-1 coax-rg6 10', b: 'two.sdi > main.in-2 coax-rg6 10' },
      lenses,
    } as never),
    offers: ['Bring a lens of 8 to 160 mm'],
    says: ['the lenses that have that are at other cameras'],
  },
]
