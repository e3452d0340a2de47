import { type Faulty } from '../../../../testing/cases'
import { lateKey } from '../../../../testing/overlaid'
import { fmt, worked } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a key through a frame delay',
    gives: ['K02'],
    // Two frames of 20 ms.
    plan: lateKey(),
    offers: ['In place of late: 5 m RG-6 size coax'],
    says: ['The key of gfx comes 40\u00A0ms after its fill'],
  },
  {
    name: 'fill and key in two formats, at a switcher that scales',
    gives: ['K02'],
    plan: worked({
      devices: {
        gfx: {
          model: 'player-fill-key',
          ports: { fill: { format: fmt('1080p50') }, key: { format: fmt('1080i50') } },
        },
        main: 'switcher-6-combo 1080p50',
        proj: 'projector',
      },
      links: {
        f: 'gfx.fill > main.in-1 coax-rg6 3',
        k: 'gfx.key > main.in-2 coax-rg6 3',
        s: 'main.out-2 > proj.in hdmi-passive 5',
      },
      wants: { proj: 'program' },
    }),
    offers: ['Set the key of gfx as its fill'],
    says: ['1080p50', '1080i50'],
  },
  {
    name: 'two outputs of a computer as fill and key, and one through a frame delay',
    gives: ['K02'],
    plan: worked({
      devices: {
        wide: 'camera-studio-sdi 1080p50',
        pc: {
          model: 'computer',
          ports: { 'hdmi-1': { format: fmt('1080p50') }, 'hdmi-2': { format: fmt('1080p50') } },
        },
        one: 'hdmi-to-sdi',
        two: 'hdmi-to-sdi',
        late: 'delay-sdi',
        main: 'switcher-12-sdi 1080p50',
        scr: 'screen-sdi',
      },
      links: {
        w: 'wide.sdi > main.in-3 coax-rg6 3',
        f: 'pc.hdmi-1 > one.in hdmi-passive 2',
        g: 'one.out > main.in-1 coax-rg6 3',
        k: 'pc.hdmi-2 > two.in hdmi-passive 2',
        l: 'two.out > late.in coax-rg6 3',
        m: 'late.out > main.in-2 coax-rg6 1',
        s: 'main.out-1 > scr.in coax-rg6 5',
      },
      wants: { scr: 'program' },
      overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'pc', output: 'hdmi-1', key: 'pc' } },
    }),
    offers: ['In place of late: '],
    says: ['The key of pc comes 40\u00A0ms after its fill'],
  },
  {
    name: 'a fill from one player and its key from another',
    gives: ['K02'],
    plan: worked({
      devices: {
        gfx: 'player-fill-key 1080p50',
        other: 'player-fill-key 1080p50',
        main: 'switcher-12-sdi 1080p50',
        scr: 'screen-sdi',
      },
      links: {
        f: 'gfx.fill > main.in-1 coax-rg6 3',
        k: 'gfx.key > main.in-2 coax-rg6 3',
        o: 'other.fill > main.in-3 coax-rg6 3',
        x: 'other.key > main.in-4 coax-rg6 3',
        s: 'main.out-1 > scr.in coax-rg6 5',
      },
      wants: { scr: 'program' },
      overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'gfx', key: 'other' } },
    }),
    offers: ['Take the key of gfx too', 'Cut Names out by its own brightness'],
    says: ['Names takes its fill from gfx and its key from other', 'a frame apart'],
  },
]
