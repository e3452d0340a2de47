import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a short radio link that lacks 59.94',
    gives: ['F17'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        air: { model: 'radio-hdmi-720', air: { m: 15 } },
        main: STAGE,
      },
      links: {
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > main.in-2 hdmi-passive 2',
      },
    }),
    offers: ['Use another link', 'In its place'],
    says: ['air', '1080p59.94'],
  },
  {
    name: 'a far radio link that takes interlaced only',
    gives: ['F17'],
    plan: plan({
      devices: {
        cam: 'camera-studio-sdi 1080p50',
        two: 'camera-studio-sdi 1080p50',
        air: { model: 'radio-sdi-far', air: { m: 100 } },
        main: 'switcher-12-sdi 1080p50',
      },
      links: {
        a: 'cam.sdi > air.in coax-rg6 0',
        b: 'air.out > main.in-1 coax-rg6 1',
        c: 'two.sdi > main.in-2 coax-rg6 20',
      },
    }),
    offers: ['Use another link: Radio link'],
    says: ['air', '1080p50'],
  },
]
