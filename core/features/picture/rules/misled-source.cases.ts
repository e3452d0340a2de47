import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a splitter that shows the list of a monitor',
    gives: ['F21'],
    plan: plan({
      devices: {
        pc: { model: 'computer-guest', limitsOff: true },
        x: 'splitter-hdmi-4',
        scr: 'screen-computer',
        main: 'switcher-6-combo 1080p59.94',
      },
      links: {
        b: 'pc.hdmi > x.in hdmi-passive 1',
        c: 'x.out-1 > scr.in hdmi-passive 1',
        d: 'x.out-2 > main.in-3 hdmi-passive 1',
      },
    }),
    offers: ['Set pc to 1080p59.94'],
    says: ['pc', 'scr', '1080p60'],
  },
  {
    name: 'a computer that a monitor draws to 60',
    gives: ['F21'],
    plan: plan({
      devices: { pc: { model: 'computer-guest', limitsOff: true }, scr: 'screen-computer' },
      links: { a: 'pc.hdmi > scr.in hdmi-passive 2' },
    }),
    offers: ['Set pc to 1080p59.94', 'box that keeps the list'],
    says: ['scr', '1080p60', '1080p59.94'],
  },
]
