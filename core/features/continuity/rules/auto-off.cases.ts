import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera that switches itself off in the show',
    gives: ['E01'],
    plan: plan({
      brief: { start: '19:00', end: '21:30' },
      devices: {
        cam: { model: 'camera-action', ports: { hdmi: { format: fmt('1080p59.94'), clean: true, aspect: '16:9' } } },
        main: STAGE,
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' },
    }),
    offers: ['Switch off what ends cam by itself'],
    says: ['15 min', '150 min'],
  },
  {
    name: 'a recording in the camera that stops before midnight does',
    gives: ['E01'],
    plan: plan({
      brief: { start: '23:40', end: '00:20' },
      devices: {
        cam: {
          model: 'camera-mirrorless',
          mode: 'out-1080',
          limitsOff: true,
          ports: { hdmi: { format: fmt('1080p25'), clean: true } },
        },
        main: 'switcher-4-strict 1080p25',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-mini' },
    }),
    offers: ['Set cam to: 1080 out at all rates'],
    says: ['stops recording', '29 min', '40 min'],
  },
]
