import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a stream asked for in 25 frames',
    gives: ['F15'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-8-mixed 1080p50', cap: 'capture-hdmi' },
      links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'main.out-4 > cap.in hdmi-passive 1' },
      wants: { cap: { feed: 'program', asks: { rate: '25/1' } } },
    }),
    offers: ['Set main to 1080p25', 'scaler and rate converter', 'Give up 25 frames/s at cap'],
    says: ['25 (25/1)', '50 (50/1)'],
  },
  {
    name: 'a stream asked in another rate than the show',
    gives: ['F15'],
    plan: plan({
      devices: {
        cam: 'camera-ptz 1080p50',
        main: 'switcher-8-mixed 1080p50',
        rec: 'recorder-handheld',
        enc: 'encoder-stream',
      },
      links: { a: 'cam.sdi > main.in-5 coax-rg6 20', b: 'main.out-4 > enc.in hdmi-passive 2' },
      wants: { enc: { feed: 'program', asks: { rate: '25/1' } } },
    }),
    offers: ['Set main to 1080p25'],
    says: ['25 (25/1)', '50 (50/1)'],
  },
  {
    // 50 against 60000/1001: one frame in 1 / (59.94 - 50) = 0.1 s.
    name: '50 frames asked of what a switcher at 59.94 records inside',
    gives: ['F15'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-8-hdmi 1080p59.94', proj: 'projector' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5', p: 'main.out-1 > proj.in hdmi-passive 1' },
      wants: { proj: 'program', main: { feed: 'program', asks: { rate: '50/1' }, silent: true } },
    }),
    offers: ['Give up'],
    says: ['main is asked for 50', 'gets 59.94'],
  },
]
