import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a computer that nobody has fixed',
    gives: ['F18'],
    plan: plan({
      devices: { pc: { model: 'computer' }, main: STAGE },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
    }),
    offers: ['Set pc to 1080p59.94', 'scaler and rate converter'],
    says: ['60', '59.94', 'main input 1'],
  },
  {
    name: 'a computer that nobody has fixed, by SDI',
    gives: ['F18'],
    plan: plan({
      devices: {
        pc: { model: 'computer-guest', limitsOff: true },
        conv: 'hdmi-to-sdi',
        main: 'switcher-8-mixed 1080p60',
      },
      links: { a: 'pc.hdmi > conv.in hdmi-passive 1', b: 'conv.out > main.in-5 coax-rg6 40' },
    }),
    offers: ['Set pc to 1080p60'],
    says: ['main input 5'],
  },
]
