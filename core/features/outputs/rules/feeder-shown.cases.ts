import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const cam = 'camera-box-hdmi 1080p59.94'

export const CASES: readonly Faulty[] = [
  {
    name: 'the hall fed from a feeder',
    gives: ['O17'],
    plan: plan({
      devices: { cam, two: cam, side: STAGE, main: STAGE, hall: 'projector', seen: 'screen' },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 3',
        b: 'two.hdmi > main.in-1 hdmi-passive 3',
        up: 'side.out-2 > main.in-2 hdmi-passive 2',
        h: 'side.out-1 > hall.in hdmi-passive 2',
        s: 'main.out-1 > seen.in hdmi-passive 2',
      },
      wants: { hall: 'program', seen: 'program' },
    }),
    offers: ['main output 2', 'Say that hall is to see side'],
    says: ['hall should see the program of the show', 'side', 'main'],
  },
  {
    name: 'a recorder fed from a feeder without overlays',
    gives: ['O17'],
    plan: plan({
      devices: { cam, two: cam, side: STAGE, main: STAGE, keep: 'recorder-hdmi', seen: 'screen' },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 3',
        b: 'two.hdmi > main.in-1 hdmi-passive 3',
        up: 'side.out-1 > main.in-2 hdmi-passive 2',
        k: {
          from: { device: 'side', port: 'out-2' },
          to: { device: 'keep', port: 'in' },
          cable: 'hdmi-passive',
          routeM: 2,
        },
        s: 'main.out-1 > seen.in hdmi-passive 2',
      },
      wants: { keep: 'program', seen: 'program' },
    }),
    offers: ['Say that keep is to see side'],
    says: ['keep should see the program of the show'],
  },
  {
    name: 'a multiview for whoever switches, and nobody who sees the show',
    gives: ['O17'],
    plan: plan({
      devices: { cam, two: cam, main: 'switcher-4-multiview 1080p59.94', op: 'screen' },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 3',
        b: 'two.hdmi > main.in-2 hdmi-passive 3',
        o: 'main.out-3 > op.in hdmi-passive 2',
      },
      wants: { op: 'multiview' },
    }),
    offers: ['Show it on a screen at main output 1'],
    says: ['main reaches nobody', 'multiview'],
  },
  {
    name: 'the show recorded inside a feeder',
    gives: ['O17'],
    plan: plan({
      devices: {
        cam,
        two: cam,
        side: 'switcher-8-hdmi 1080p59.94',
        main: 'switcher-8-hdmi 1080p59.94',
        seen: 'screen',
      },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 3',
        b: 'two.hdmi > main.in-1 hdmi-passive 3',
        up: 'side.out-1 > main.in-2 hdmi-passive 2',
        s: 'main.out-1 > seen.in hdmi-passive 2',
      },
      wants: { side: { feed: 'program', silent: true }, seen: 'program' },
    }),
    offers: ['Record the show in main', 'Say that side is to record its own program'],
    says: ['the recorder of side', 'gets that of side'],
  },
]
