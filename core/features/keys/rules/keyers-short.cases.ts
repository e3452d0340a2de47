import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const pairs = (n: number) => ({
  devices: Object.fromEntries(Array.from({ length: n }, (_, i) => [`gfx-${i + 1}`, 'player-fill-key 1080p50'])),
  links: Object.fromEntries(
    Array.from({ length: n }, (_, i) => [
      [`f-${i}`, `gfx-${i + 1}.fill > main.in-${2 * i + 1} coax-rg6 3`],
      [`k-${i}`, `gfx-${i + 1}.key > main.in-${2 * i + 2} coax-rg6 3`],
    ]).flat(),
  ),
})

export const CASES: readonly Faulty[] = [
  {
    name: 'three pairs into two keyers',
    gives: ['K06', 'O03'],
    plan: plan({
      devices: { ...pairs(3).devices, main: 'switcher-8-level-a 1080p50', scr: 'screen-sdi' },
      links: { ...pairs(3).links, s: 'main.out-1 > scr.in coax-rg6 5' },
      wants: { scr: 'program' },
    }),
    offers: [],
    says: ['gfx-1, gfx-2 and gfx-3', '2 keyers'],
  },
  {
    name: 'two pairs into a switcher with one keyer',
    gives: ['K06'],
    plan: plan({
      devices: {
        ...pairs(1).devices,
        'gfx-2': 'player-fill-key 1080p50',
        'a': 'sdi-to-hdmi',
        'b': 'sdi-to-hdmi',
        'main': 'switcher-6-combo 1080p50',
        'proj': 'projector',
      },
      links: {
        ...pairs(1).links,
        f2: 'gfx-2.fill > a.in coax-rg6 3',
        f3: 'a.out > main.in-3 hdmi-passive 1',
        k2: 'gfx-2.key > b.in coax-rg6 3',
        k3: 'b.out > main.in-4 hdmi-passive 1',
        s: 'main.out-2 > proj.in hdmi-passive 5',
      },
      wants: { proj: 'program' },
    }),
    offers: [],
    says: ['gfx-1 and gfx-2', 'main', 'one keyer'],
  },
]
