import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'raster differs',
    gives: ['F01'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 720p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE, proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'two.hdmi > main.in-2 hdmi-passive 3', ...SEEN },
    }),
    offers: ['Set cam to 1080p59.94', 'scaler and rate converter'],
    says: ['720p59.94 (60000/1001)', '1080p59.94', 'main input 1', 'raster'],
  },
  {
    name: 'raster differs, and a scaling input is free',
    gives: ['F01'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 720p59.94',
        cam2: 'camera-box-hdmi 1080p59.94',
        main: STAGE,
        side: 'switcher-4-scaling 1080p59.94',
        proj: 'projector',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 3',
        ...SEEN,
        s: 'side.out-1 > main.in-4 hdmi-passive 1',
        c: 'cam2.hdmi > side.in-1 hdmi-passive 1',
      },
    }),
    offers: ['Move it to side input 2'],
    says: ['raster (1280x720 against 1920x1080)'],
  },
]
