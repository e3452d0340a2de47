import { MIXED, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'coax beyond reach',
    gives: ['L02'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p59.94', main: MIXED, scr: 'screen' },
      links: { a: 'cam.sdi > main.in-5 coax-rg59 66', c: 'main.out-4 > scr.in hdmi-passive 2' },
    }),
    offers: ['RG-11', 'fibre', 'distribution amplifier', 'Set main to 1080p29.97'],
    says: ['RG-59', '22\u00A0dB', '20\u00A0dB'],
  },
  {
    // 0.735 sqrt(5940) + 0.0007 x 5940 = 60.81 dB per 100 m at 12G: 40 dB carry 65.8 m.
    name: 'coax beyond its reach at 12G',
    gives: ['L02'],
    plan: plan({
      devices: {
        cam: { model: 'camera-studio-12g', ports: { sdi: { format: fmt('2160p50'), transfer: 'sdr' } } },
        main: 'switcher-6-2160 2160p50',
      },
      links: { a: 'cam.sdi > main.in-1 coax-rg59 60' },
    }),
    offers: ['RG-11', 'fibre', 'distribution amplifier'],
    says: ['12G-SDI', '65.8\u00A0m'],
  },
  {
    // RG-59 at 3G: 0.735 sqrt(1485) + 0.0007 x 1485 = 29.36 dB per 100 m: 20 dB carry 68.1 m. The screen takes 50 of them
    // (73 %) and renews nothing, so that 18.1 m are left for the 30 behind it.
    name: 'coax through a loop that does not renew the picture',
    gives: ['L02'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p59.94', ref: 'screen-sdi-passive', main: MIXED, scr: 'screen' },
      links: {
        a: 'cam.sdi > ref.in coax-rg59 =50',
        b: 'ref.loop > main.in-5 coax-rg59 =30',
        c: 'main.out-4 > scr.in hdmi-passive 2',
      },
    }),
    offers: ['RG-11', 'fibre', 'distribution amplifier'],
    says: ['ref does not renew the picture and 73\u00A0%', 'leaves 18'],
  },
]
