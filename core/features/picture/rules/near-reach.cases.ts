import { MIXED, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'coax near the end of reach',
    gives: ['L09'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p59.94', main: MIXED },
      links: { a: 'cam.sdi > main.in-5 coax-rg59 55 =50+15' },
    }),
    offers: ['RG-6'],
    says: ['65\u00A0m', '%'],
  },
  {
    // 65 m of RG-6 at 3G: 0.65 x 23.434 = 15.23 dB of 20; 80 m: 18.75 dB, 94 %.
    name: 'near the end of coax',
    gives: ['L09'],
    plan: plan({
      devices: { cam: 'camera-studio-sdi 1080p50', main: 'switcher-12-sdi 1080p50' },
      links: { a: 'cam.sdi > main.in-1 coax-rg6 60 =40+40' },
    }),
    offers: ['RG-11'],
    says: ['80\u00A0m'],
  },
]
