import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'interlaced into progressive',
    gives: ['F03'],
    plan: plan({
      devices: {
        cam: 'camera-studio-sdi 1080i50',
        two: 'camera-studio-sdi 1080p25',
        main: 'switcher-8-mixed 1080p25',
        scr: 'screen',
      },
      links: {
        a: 'cam.sdi > main.in-5 coax-rg6 20',
        b: 'two.sdi > main.in-6 coax-rg6 20',
        c: 'main.out-4 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Set cam to 1080p25', 'scaler and rate converter'],
    says: ['1080i50', 'scan'],
  },
  {
    name: 'interlaced at 29.97 frames into progressive',
    gives: ['F03'],
    plan: plan({
      devices: {
        cam: 'camera-ptz 1080i59.94',
        two: 'camera-ptz 1080p29.97',
        main: 'switcher-8-mixed 1080p29.97',
        scr: 'screen',
      },
      links: {
        a: 'cam.sdi > main.in-5 coax-rg6 20',
        b: 'two.sdi > main.in-6 coax-rg6 20',
        c: 'main.out-4 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['Set cam to 1080p29.97'],
    says: ['raster and rate agree, the scan does not'],
  },
]
