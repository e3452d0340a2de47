import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'full range read as narrow',
    gives: ['F09'],
    plan: plan({
      devices: {
        pc: { model: 'laptop-office', limitsOff: true, ports: { hdmi: { format: fmt('1080p50'), aspect: '16:9' } } },
        main: 'switcher-6-combo 1080p50',
      },
      links: { a: 'pc.hdmi > main.in-3 hdmi-passive 3' },
    }),
    offers: ['Set pc to narrow range', 'Read full range at main input 3'],
    says: ['full range', 'black and white are cut off'],
  },
  {
    name: 'narrow range read as full',
    gives: ['F09'],
    plan: plan({
      devices: {
        cam: 'camera-ptz-hdmi 1080p50',
        ctl: 'controller-joystick',
        main: 'switcher-8-mixed 1080p50',
        wall: 'wall-processor',
      },
      links: {
        k: 'ctl.network > cam.control control-network 20',
        a: 'cam.hdmi > main.in-1 hdmi-passive 3',
        b: 'main.out-4 > wall.in hdmi-passive 3',
      },
      wants: { wall: 'program' },
    }),
    offers: ['Read narrow range at wall HDMI in'],
    says: ['narrow range', 'wall', 'veiled'],
  },
]
