import { type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'fill without key',
    gives: ['K01'],
    plan: plan({
      devices: { gfx: 'player-fill-key 1080p50', main: 'switcher-12-sdi 1080p50', scr: 'screen-sdi' },
      links: { f: 'gfx.fill > main.in-1 coax-rg6 3', s: 'main.out-1 > scr.in coax-rg6 5' },
      wants: { scr: 'program' },
    }),
    offers: ['Connect its key to main input 2'],
    says: ['The fill of gfx', 'main input 1', 'its key nowhere'],
  },
  {
    name: 'fill and key at two switchers',
    gives: ['K01'],
    plan: plan({
      devices: {
        gfx: 'player-fill-key 1080p50',
        cam: 'camera-studio-sdi 1080p50',
        side: 'switcher-12-sdi 1080p50',
        main: 'switcher-12-sdi 1080p50',
        scr: 'screen-sdi',
      },
      links: {
        f: 'gfx.fill > main.in-1 coax-rg6 3',
        k: 'gfx.key > side.in-1 coax-rg6 3',
        c: 'cam.sdi > side.in-2 coax-rg6 3',
        u: 'side.out-1 > main.in-2 coax-rg6 3',
        s: 'main.out-1 > scr.in coax-rg6 5',
      },
      wants: { scr: 'program' },
    }),
    offers: ['Move its key to main input 3'],
    says: ['The fill of gfx goes to main and its key to side'],
  },
]
