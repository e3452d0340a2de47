import { SEEN, STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'integer against 1000/1001',
    gives: ['F02'],
    plan: plan({
      devices: { pc: 'computer 1080p60', main: STAGE, cam: 'camera-box-hdmi 1080p59.94', proj: 'projector' },
      links: { a: 'pc.hdmi-1 > main.in-3 hdmi-passive 2', b: 'cam.hdmi > main.in-1 hdmi-passive 2', ...SEEN },
    }),
    offers: ['Set pc to 1080p59.94', 'scaler and rate converter'],
    says: ['1080p60', '60000/1001', 'main input 3', '16.7'],
  },
  {
    name: 'integer against 1000/1001 at 30 frames',
    gives: ['F02'],
    plan: plan({
      devices: {
        pc: 'computer 1080p29.97',
        main: 'switcher-4-strict 1080p30',
        box: 'camera-mini-sdi 1080p30',
        conv: 'sdi-to-hdmi',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'box.sdi > conv.in coax-rg6 10',
        c: 'conv.out > main.in-2 hdmi-passive 0',
      },
    }),
    // 30 against 30000/1001 slips a frame every 1001/30 = 33.4 s.
    offers: ['Set pc to 1080p30'],
    says: ['33.4'],
  },
  {
    name: 'three switchers, and a fault in each',
    gives: ['F02', 'F16', 'L01'],
    plan: plan({
      devices: {
        pc: 'computer 1080p60',
        cam: { model: 'camera-box-hdmi', shot: 'safe' },
        two: 'camera-box-hdmi 1080p29.97',
        three: 'camera-box-hdmi 1080p59.94',
        far: 'switcher-4-strict 1080p29.97',
        mid: STAGE,
        main: 'switcher-4-multiview 1080p59.94',
        proj: 'projector',
        op: 'screen',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'cam.hdmi > mid.in-1 hdmi-passive 2',
        c: 'two.hdmi > far.in-1 hdmi-passive 2',
        d: 'three.hdmi > main.in-2 hdmi-passive 22',
        fm: 'far.out-1 > mid.in-4 hdmi-passive 1',
        mm: 'mid.out-1 > main.in-4 hdmi-passive 1',
        ...SEEN,
        op: 'main.out-3 > op.in hdmi-passive 2',
      },
      wants: { op: 'multiview' },
    }),
    offers: ['Set pc to 1080p59.94'],
    says: ['main input 1'],
  },
]
