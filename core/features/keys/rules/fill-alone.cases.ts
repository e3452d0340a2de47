import type { Plan } from '#core/document'
import { type Faulty, STAGE } from '../../../../testing/cases'
import { fmt, worked } from '../../../../testing/plans'

/** Two stills of a switcher in one look, and a store for so many. */
const lit = (stills: number): Plan => {
  const written = worked({
    devices: { pc: 'computer 1080p59.94', main: 'switcher-8-hdmi 1080p59.94', scr: 'screen' },
    links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', s: 'main.out-1 > scr.in hdmi-passive 2' },
    wants: { scr: 'program' },
    overlays: {
      logo: { title: 'Logo', order: 1, kind: 'luma', fill: 'main' },
      name: { title: 'Name', order: 2, kind: 'luma', fill: 'main' },
    },
    looks: { both: { title: 'Both', order: 1, program: { main: 'in-1' }, keys: { main: { 1: 'logo', 2: 'name' } } } },
    segments: { talk: { title: 'Talk', order: 1, opens: 'both' } },
  })
  return {
    ...written,
    models: Object.fromEntries(
      Object.entries(written.models).map(([id, row]) => [id, row.mix ? { ...row, mix: { ...row.mix, stills } } : row]),
    ),
  }
}

export const CASES: readonly Faulty[] = [
  {
    name: 'an overlay by an output of its computer that leads elsewhere',
    gives: ['K01'],
    plan: worked({
      devices: {
        pc: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        main: STAGE,
        proj: 'projector',
        side: 'screen',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        b: 'pc.hdmi-2 > side.in hdmi-passive 2',
        c: 'cam.hdmi > main.in-3 hdmi-passive 2',
        o: 'main.out-1 > proj.in hdmi-passive 2',
      },
      wants: { proj: 'program', side: { feed: 'program', of: 'pc' } },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc', output: 'hdmi-2' } },
    }),
    offers: ['Take what comes to main input 1'],
    says: ['Names'],
  },
  {
    name: 'fill without key',
    gives: ['K01'],
    plan: worked({
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
    plan: worked({
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
  {
    name: 'an overlay whose source goes to a screen alone',
    gives: ['K01'],
    plan: worked({
      devices: {
        pc: 'computer 1080p59.94',
        cam: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-4-strict 1080p59.94',
        scr: 'screen',
      },
      links: {
        a: 'pc.hdmi-1 > scr.in hdmi-passive 2',
        c: 'cam.hdmi > main.in-1 hdmi-passive 2',
      },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    }),
    offers: ['Connect pc to main input 2', 'Give up Names'],
    says: ['Names is to show pc over the pictures of main'],
  },
  {
    name: 'a key signal that the source does not have',
    gives: ['K01'],
    plan: worked({
      devices: { pc: 'computer 1080p59.94', main: 'switcher-8-hdmi 1080p59.94' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
      overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'pc' } },
    }),
    offers: ['Cut Names out by its brightness'],
    says: ['Names is cut out by a key signal'],
  },
  {
    name: 'a still by its key in a switcher that keeps stills without',
    gives: ['K01'],
    plan: worked({
      devices: { pc: 'player-fill-key 1080p50', main: 'switcher-8-level-a 1080p50', scr: 'screen-sdi' },
      links: {
        a: 'pc.fill > main.in-1 coax-rg6 2',
        k: 'pc.key > main.in-2 coax-rg6 2',
        s: 'main.out-1 > scr.in coax-rg6 5',
      },
      wants: { scr: 'program' },
      overlays: { title: { title: 'Title', order: 1, kind: 'linear', fill: 'main' } },
    }),
    offers: ['Cut Title out by its brightness'],
    says: ['main keeps its stills without theirs'],
  },
  {
    name: 'two stills lit at once in a switcher that holds one',
    gives: ['K01'],
    plan: lit(1),
    offers: ['Leave Name out of Both', 'Give up Name'],
    says: ['Name is a still of main, lit in Both beside Logo', 'holds one still'],
  },
  {
    name: 'an overlay of a source that is gone',
    gives: ['K01'],
    plan: worked({
      devices: { pc: 'computer 1080p59.94', main: 'switcher-8-hdmi 1080p59.94' },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'old-pc' } },
    }),
    offers: ['Give up Names'],
    says: ['old-pc, which the plan no longer has'],
  },
  {
    name: 'one output of a computer as fill and key at once',
    gives: ['K01'],
    plan: worked({
      devices: {
        wide: 'camera-studio-sdi 1080p50',
        pc: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p50') } } },
        one: 'hdmi-to-sdi',
        main: 'switcher-12-sdi 1080p50',
        scr: 'screen-sdi',
      },
      links: {
        w: 'wide.sdi > main.in-1 coax-rg6 3',
        f: 'pc.hdmi-1 > one.in hdmi-passive 2',
        g: 'one.out > main.in-2 coax-rg6 3',
        s: 'main.out-1 > scr.in coax-rg6 5',
      },
      wants: { scr: 'program' },
      overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'pc', key: 'pc' } },
    }),
    offers: ['Names'],
    says: ['Names is cut out by a key signal, and pc has none that comes to main'],
  },
]
