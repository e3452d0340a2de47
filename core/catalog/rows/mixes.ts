import { ACTS, type Act, type KeyKind, type Keyer, type Mix, type Surface } from '../model'

// What data sheets of mixing devices say beside their sockets, small to large. Figures are typical of such units.

/** What is recorded inside, and the input of a fixed picture in picture, stand beside the mix in a model. */
type Row = Mix & { readonly records: number; readonly isolates?: number; readonly inset?: string }

const LIVE: readonly Act[] = ['cut', 'transition', 'key']
const panel = (...more: Act[]): Surface => ({
  kind: 'panel',
  reaches: [...LIVE, ...more],
  latencyMs: 15,
  confirms: true,
})
const computer: Surface = { kind: 'computer', reaches: ACTS, latencyMs: 40, confirms: true }
const tablet: Surface = {
  kind: 'tablet',
  reaches: ['cut', 'transition', 'key', 'picture in picture', 'stills', 'sound'],
  latencyMs: 90,
  confirms: true,
}
const pad: Surface = { kind: 'pad', reaches: ['cut', 'transition', 'key', 'macros'], latencyMs: 60 }
const full: Surface = { ...panel(), reaches: ACTS }

const before = (n: number, ...kinds: KeyKind[]): Keyer[] =>
  Array.from({ length: n }, (_, i) => ({ title: n === 1 ? 'Key' : `Key ${i + 1}`, place: 'before', kinds }))
const after = (n: number, ...kinds: KeyKind[]): Keyer[] =>
  Array.from({ length: n }, (_, i) => ({
    title: n === 1 ? 'Key over all' : `Key over all ${i + 1}`,
    place: 'after',
    kinds,
  }))

const PLAIN: Row = {
  buses: 1,
  press: 'either',
  transitions: ['cut', 'mix', 'dip', 'wipe'],
  longest: 250,
  during: 'ignores',
  keyers: before(1, 'luma', 'chroma', 'box'),
  keyScale: { steps: 255, shows: 'number' },
  stills: 0,
  stillFrames: 0,
  clips: 0,
  colours: 2,
  macros: 0,
  shortName: 4,
  longName: 12,
  fadeToBlack: true,
  bootS: 8,
  wakes: 'left',
  surfaces: [panel('picture in picture', 'outputs', 'standard', 'sound'), computer],
  records: 0,
}
/** Its sound can be put back by a key beside those that are pressed all evening. */
const SMALL: Row = { ...PLAIN, resets: ['sound'] }
const MEDIUM: Row = {
  ...SMALL,
  keyers: [...before(1, 'luma', 'linear', 'chroma', 'pattern', 'box'), ...after(1, 'luma', 'linear')],
  keyScale: { steps: 100, shows: 'percent' },
  stills: 20,
  stillFrames: 12,
  macros: 100,
  longName: 20,
  bootS: 15,
  wakes: 'kept',
  resets: ['sound', 'key set-up', 'outputs'],
  surfaces: [panel('picture in picture', 'stills', 'macros', 'outputs', 'sound'), computer, tablet],
}
const LARGE: Row = {
  ...MEDIUM,
  press: 'preview',
  transitions: ['cut', 'mix', 'dip', 'wipe', 'stinger'],
  longest: 500,
  during: 'reverses',
  keyers: [...before(2, 'luma', 'linear', 'chroma', 'pattern', 'box'), ...after(2, 'luma', 'linear')],
  clips: 2,
  stillFrames: 8,
  again: 'restarts',
  bootS: 25,
  resets: ACTS.filter(act => act !== 'cut' && act !== 'transition' && act !== 'key'),
  surfaces: [full, computer, tablet, pad],
  loss: { shows: 'frozen', frames: 4, lockFrames: 4 },
}

/** Scenes with layers: each layer over the picture is a keyer; all is worked at the computer itself. */
const SCENES: Row = {
  ...PLAIN,
  press: 'preview',
  transitions: ['cut', 'mix', 'dip', 'wipe', 'stinger'],
  longest: 600,
  keyers: before(4, 'luma', 'linear', 'chroma', 'box').map((keyer, i) => ({ ...keyer, title: `Layer ${i + 1}` })),
  stills: 100,
  stillFrames: 2,
  again: 'beside',
  clips: 20,
  colours: 20,
  shortName: 40,
  longName: 40,
  bootS: 90,
  wakes: 'kept',
  surfaces: [{ kind: 'panel', reaches: ACTS, latencyMs: 30, confirms: true }, pad],
  records: 1,
}

export const MIXES: Readonly<Record<string, Row>> = {
  'switcher-4-strict': { ...SMALL, inset: 'in-1' },
  'switcher-4-scaling': { ...SMALL, press: 'direct', keyers: before(1, 'luma', 'box') },
  'switcher-8-mixed': { ...MEDIUM, press: 'preview' },
  'switcher-4-multiview': { ...SMALL, stills: 20, stillFrames: 15, macros: 50, records: 1 },
  'switcher-8-hdmi': { ...MEDIUM, records: 1, isolates: 8 },
  'switcher-12-sdi': LARGE,
  'switcher-4-2160': { ...MEDIUM, bootS: 20, records: 1, isolates: 4 },
  'switcher-4-fixed-rate': {
    ...PLAIN,
    press: 'direct',
    transitions: ['cut', 'mix'],
    wakes: 'first',
    longest: 100,
    keyers: before(1, 'box'),
    colours: 0,
    surfaces: [panel('picture in picture', 'outputs')],
    inset: 'in-1',
  },
  'switcher-4-computer': {
    ...SMALL,
    stills: 10,
    stillFrames: 20,
    macros: 50,
    surfaces: [computer, pad],
    inset: 'in-1',
  },
  'switcher-6-combo': {
    ...SMALL,
    keyScale: { steps: 64, shows: 'slope' },
    stills: 8,
    stillFrames: 15,
    longName: 8,
    surfaces: [full, tablet],
    records: 1,
  },
  'switcher-8-level-a': { ...MEDIUM, plainStills: true, press: 'preview', during: 'finishes' },
  'switcher-4-quad': {
    ...MEDIUM,
    stills: 4,
    stillFrames: 25,
    bootS: 40,
    press: 'preview',
    keepsPreview: true,
  },
  'switcher-6-2160': { ...MEDIUM, press: 'preview', bootS: 30 },
  'switcher-20-mixed': { ...LARGE, buses: 2, stills: 60, clips: 4, bootS: 60, surfaces: [computer, tablet, pad] },
  'switcher-2-field': {
    ...PLAIN,
    press: 'direct',
    transitions: ['cut', 'mix'],
    longest: 60,
    keyers: [],
    colours: 1,
    fadeToBlack: false,
    shortName: 0,
    longName: 0,
    bootS: 3,
    wakes: 'first',
    surfaces: [panel('picture in picture', 'standard')],
    loss: { shows: 'colour', frames: 1, lockFrames: 25 },
    inset: 'in-2',
  },
  'computer-mixing': SCENES,
  'computer-mixing-chassis': {
    ...SCENES,
    stills: 200,
    clips: 40,
    keyers: [...SCENES.keyers, ...after(1, 'luma', 'linear')],
  },
}
