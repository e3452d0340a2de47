import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'level B into a switcher that takes level A',
    gives: ['F07'],
    plan: plan({
      devices: {
        cam: { model: 'camera-cinema-sdi', ports: { sdi: { format: fmt('1080p50'), transfer: 'sdr', clean: true } } },
        two: 'camera-studio-sdi 1080p50',
        main: 'switcher-8-level-a 1080p50',
      },
      links: { a: 'cam.sdi > main.in-1 coax-rg6 30', b: 'two.sdi > main.in-2 coax-rg6 30' },
    }),
    offers: ['Set cam to level A', 'SDI level converter'],
    says: ['level B', 'level A alone', 'main input 1'],
  },
  {
    name: 'level B from a converter into a recorder',
    gives: ['F07'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        conv: { model: 'hdmi-to-12g', ports: { out: { level: 'B' } } },
        rec: 'recorder-sdi-level-a',
      },
      links: { a: 'cam.hdmi > conv.in hdmi-passive 1', b: 'conv.out > rec.in coax-rg6 30' },
    }),
    offers: ['SDI level converter'],
    says: ['level B', 'rec'],
  },
]
