import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a document camera in 4:3',
    gives: ['E04'],
    plan: plan({
      devices: { doc: 'camera-document 1080p60', main: 'switcher-6-combo 1080p60' },
      links: { a: 'doc.hdmi > main.in-3 hdmi-passive 2' },
    }),
    offers: ['Cut it to 16:9 at main input 3', 'Stretch it', 'Keep the bars, on purpose, at main input 3'],
    says: ['4:3', 'bars at the sides'],
  },
  {
    name: 'a laptop in 16:10, and an old tape',
    gives: ['E04', 'E04'],
    plan: plan({
      devices: {
        pc: { model: 'laptop-office', limitsOff: true, ports: { hdmi: { format: fmt('1080p50'), range: 'narrow' } } },
        tape: 'player-tape 576i50',
        sc: 'scaler-sdi 1080p50',
        main: 'switcher-8-mixed 1080p50',
      },
      links: {
        a: 'pc.hdmi > main.in-1 hdmi-passive 2',
        b: 'tape.sdi > sc.in coax-rg6 3',
        c: 'sc.out > main.in-5 coax-rg6 1',
      },
    }),
    offers: ['Cut it to 1080p50 in sc', 'Keep the bars'],
    says: ['tape', '4:3'],
  },
]
