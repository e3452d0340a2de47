import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a port whose class is too low',
    gives: ['F05'],
    plan: plan({
      devices: {
        pc: 'computer 2160p30',
        rec: 'recorder-hdmi',
        main: 'switcher-4-scaling 1080p50',
        cam: 'camera-hand-hdmi 1080p50',
      },
      links: { a: 'pc.hdmi-1 > rec.in hdmi-passive 1', b: 'cam.hdmi > main.in-1 hdmi-passive 1 adapter-hdmi-micro' },
    }),
    offers: ['Set pc to 1080p29.97', 'scaler and rate converter'],
    says: ['297.0 MHz', '165 MHz'],
  },
  {
    name: '2160 into a port of 165 MHz',
    gives: ['F05'],
    plan: plan({
      devices: { pc: 'computer 2160p29.97', scr: 'projector' },
      links: { a: 'pc.hdmi-1 > scr.in hdmi-passive 2' },
    }),
    // 297 MHz / 1.001 = 296.7 MHz.
    offers: ['Set pc to 1080p29.97'],
    says: ['296.7 MHz', '165 MHz'],
  },
  {
    // 3840 x 2160 x 16 x 30 = 3.98 Gb/s of about 3.2.
    name: '2160 uncompressed over USB at 5 Gb/s',
    gives: ['F05'],
    plan: plan({
      devices: { pc: 'computer 2160p30', cap: 'capture-raw' },
      links: { a: 'pc.hdmi-1 > cap.in hdmi-passive 2' },
    }),
    offers: ['Set pc to 1080p30', 'Use another device: Capture device, HDMI, up to 2160p60'],
    says: ['3.98\u00A0Gb/s', '3.2\u00A0Gb/s', 'USB at 5 Gb/s'],
  },
  {
    // Twice 1920 x 1080 x 16 x 50 = 1.66 Gb/s are 3.32.
    name: 'two captures on one controller',
    gives: ['F05'],
    plan: plan({
      devices: {
        cam: 'camera-ptz 1080p50',
        pc: 'computer 1080p50',
        host: { model: 'computer-control' },
        a: { model: 'capture-sdi', in: 'host' },
        b: { model: 'capture-raw', in: 'host' },
      },
      links: { x: 'cam.sdi > a.in coax-rg6 10', y: 'pc.hdmi-1 > b.in hdmi-passive 2' },
    }),
    offers: ['Give a a controller of its own', 'Give b a controller of its own'],
    says: ['a and b', 'host', '3.32\u00A0Gb/s'],
  },
]
