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
  {
    name: 'a box at a switcher without keyers',
    gives: ['K06'],
    plan: plan({
      devices: {
        a: 'camera-box-hdmi 720p59.94',
        b: 'computer 720p59.94',
        main: 'switcher-2-field 720p59.94',
      },
      links: { a: 'a.hdmi > main.in-1 hdmi-passive 2', b: 'b.hdmi-1 > main.in-2 hdmi-passive 2' },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'b' } },
    }),
    offers: ['Use a larger switcher at main', 'Give up Names'],
    says: ['Names is cut out by brightness', 'it has none at all'],
  },
  {
    name: 'a key signal at a switcher that only reads brightness',
    gives: ['K06'],
    plan: plan({
      devices: { gfx: 'player-fill-key 1080p59.94', main: 'switcher-6-combo 1080p59.94' },
      links: { f: 'gfx.fill > main.in-1 coax-rg6 3', k: 'gfx.key > main.in-2 coax-rg6 3' },
      overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'gfx' } },
    }),
    offers: ['Cut Names out by brightness'],
    says: ['a key signal', 'it cuts out by brightness'],
  },
  {
    name: 'captions at a switcher whose keyer only a computer sets up, and none is there',
    gives: ['K06'],
    plan: plan({
      devices: { pc: 'computer 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 3', b: 'cam.hdmi > main.in-2 hdmi-passive 3' },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['Add a control computer at Control (network)', 'Add a control computer at Control (USB)'],
    says: ['Names is set up at main only from a computer'],
  },
  {
    name: 'the same where a joystick alone is connected',
    gives: ['K06'],
    plan: plan({
      devices: {
        pc: 'computer 1080p59.94',
        cam: 'camera-ptz-hdmi 1080p59.94',
        joy: 'controller-joystick',
        hub: 'switch-control',
        main: 'switcher-4-strict 1080p59.94',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 3',
        b: 'cam.hdmi > main.in-2 hdmi-passive 3',
        j: 'joy.network > hub.in control-network 2',
        k: 'hub.out-2 > cam.control control-network 10',
        m: 'hub.out-3 > main.control control-network 2',
      },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['Add a control computer at Port'],
    says: ['none is connected there'],
  },
]
