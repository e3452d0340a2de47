import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'every camera by radio',
    gives: ['R02'],
    plan: plan({
      devices: {
        a: 'camera-box-hdmi 1080p59.94',
        b: 'camera-box-hdmi 1080p59.94',
        x: { model: 'radio-hdmi', air: { m: 15, channel: 1 } },
        y: { model: 'radio-hdmi', air: { m: 15, channel: 2 } },
        main: STAGE,
      },
      links: {
        a: 'a.hdmi > x.in hdmi-passive 0',
        b: 'x.out > main.in-1 hdmi-passive 1',
        c: 'b.hdmi > y.in hdmi-passive 0',
        d: 'y.out > main.in-2 hdmi-passive 1',
      },
    }),
    offers: ['Wire a: 20 m Active HDMI', 'Wire b: 20 m Active HDMI'],
    says: ['All 2 cameras come by radio'],
  },
  {
    name: 'one camera, by radio',
    gives: ['R02'],
    plan: plan({
      devices: {
        a: 'camera-studio-sdi 1080p50',
        x: { model: 'radio-sdi', air: { m: 15 } },
        main: 'switcher-12-sdi 1080p50',
      },
      links: { a: 'a.sdi > x.in coax-rg6 0', b: 'x.out > main.in-1 coax-rg6 1' },
    }),
    offers: ['Wire a: 20 m RG-6 size coax'],
    says: ['The one camera comes by radio'],
  },
]
