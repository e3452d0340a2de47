import type { Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const show = (dc: { volts: number; m: number; mm2: number }) =>
  plan({
    devices: {
      cam: { model: 'camera-studio-sdi', ports: { sdi: { format: fmt('1080p50') } }, dc },
      main: 'switcher-12-sdi 1080p50',
      scr: 'screen-sdi',
    },
    links: { a: 'cam.sdi > main.in-1 coax-rg6 10', b: 'main.out-1 > scr.in coax-rg6 10' },
    wants: { scr: 'program' },
  })

// The catalogue: 32 W at the most, 11 to 17 V.
export const CASES: readonly Faulty[] = [
  {
    // 2 x 30 x 0.0178 / 0.75 x 32 / 12 = 3.8 V lost of 12.
    name: 'thirty metres of thin lead to a camera at 12 V',
    gives: ['P11'],
    plan: show({ volts: 12, m: 30, mm2: 0.75 }),
    // 14.4 V: 3.2 V lost, 11.2 left. Thicker: 3.8 x 0.75 / 1 V = 2.8 V at most for 1: 4 mm2 loses 0.7 V. Nearer: 1 V x 0.75 x 12 / (2 x 0.0178 x 32) = 7.9 m.
    offers: [
      'Feed cam by 14.4\u00A0V',
      'Take a lead of 4\u00A0mm\u00B2 to cam',
      'Bring the supply within 7\u00A0m of cam',
    ],
    says: ['12\u00A0V', '8.2\u00A0V', '11\u00A0V', '30\u00A0m of 0.75\u00A0mm\u00B2'],
  },
  {
    name: 'a camera of 12 V on a supply of 24 V',
    gives: ['P11'],
    plan: show({ volts: 24, m: 1, mm2: 1.5 }),
    offers: ['Feed cam by 12\u00A0V'],
    says: ['11\u00A0V', '17\u00A0V', '24\u00A0V'],
  },
]
