import { type Pixels, type Sources, plain } from '../core/picture'
import type { Layer, Picture } from '../core/run'

// Pictures of every kind that are drawn, over sources of ramps, noise and lone pixels: what one way draws is held to another.

/** Numbers 0 .. 1 that follow from a seed. */
function random(seed: number): () => number {
  let state = seed * 7919 + 1
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647
}

/** Every code beside others, with lone pixels; or noise. */
export function filled(width: number, height: number, kind: 'ramp' | 'noise' | 'marks', seed: number): Pixels {
  const to = plain(width, height)
  const r = random(seed)
  for (let p = 0; p < width * height; p++)
    to.data.set(
      kind === 'ramp'
        ? [p & 255, (p >> 4) & 255, (255 - p) & 255]
        : kind === 'noise'
          ? [r() * 256, r() * 256, r() * 256].map(Math.floor)
          : r() < 0.02
            ? [255, 255, 255]
            : [0, 0, 0],
      p * 4,
    )
  return to
}

const KINDS = ['ramp', 'noise', 'marks'] as const
export const sources =
  (seed: number): Sources =>
  ({ device }, width, height) =>
    filled(width, height, KINDS[Number(device) % 3]!, seed + Number(device))

export const source = (n: number): Picture => ({ of: 'source', device: String(n), port: 'out', content: 'caption' })
const mix = (...layers: Partial<Layer>[]): Picture => ({
  of: 'mix',
  device: 'm',
  tap: 'program',
  layers: layers.map(
    (layer, n) => ({ picture: source(n), port: 'in', as: n ? 'key' : 'background', ...layer }) as Layer,
  ),
})

export function trees(seed: number): Record<string, Picture> {
  const r = random(seed)
  const gain = [0, 0.5, 0.9, 1][seed % 4]!
  const box = { x: r() * 0.4, y: r() * 0.4, w: 0.1 + r() * 0.5, h: 0.1 + r() * 0.5 }
  const cut = { clip: r() * 0.5, gain, invert: r() < 0.5, premultiplied: r() < 0.5 }
  const screen = { screen: [20, 190, 60] as const, tolerance: r() / 4, edge: r() / 4, spill: r() }
  return {
    mix: mix({}, { as: 'background', share: Math.round(r() * 50) / 50 }),
    luma: mix({ picture: source(1) }, { picture: source(seed), kind: 'luma', cut, share: 1 - r() / 2 }),
    sd: mix({ picture: source(1) }, { picture: source(seed), kind: 'luma', cut, weights: 601 }),
    linear: mix({ picture: source(1) }, { kind: 'linear', key: source(seed), cut, share: 1 - r() / 2 }),
    mask: mix({ picture: source(1) }, { kind: 'luma', cut, mask: box }),
    pattern: mix({}, { kind: 'pattern', box, shape: seed % 2 ? 'ellipse' : 'rectangle' }),
    none: { of: 'none' },
    colour: { of: 'none', lost: 'colour' },
    wipe: mix(
      {},
      { as: 'background', share: Math.round(r() * 50) / 50, wipe: true, ...(seed % 2 ? { soft: r() } : {}) },
    ),
    box: mix({}, { kind: 'box', box }),
    scaled: mix({ picture: source(1) }, { kind: 'luma', cut: { clip: 0, gain: 0 }, box }),
    chroma: mix({ picture: source(1) }, { picture: source(seed), kind: 'chroma', screen }),
    tiles: {
      of: 'tiles',
      device: 'm',
      tiles: ['preview', 'program', 'in-1', 'in-2', 'in-3'].map((port, n) => ({
        port,
        label: `Camera ${n}`,
        picture: source(n),
      })),
    },
    layers: mix(
      {},
      { as: 'background', share: 0.3 },
      { kind: 'luma', cut, picture: source(4) },
      { kind: 'linear', key: source(3), cut: { clip: 0, gain: 0, premultiplied: true }, share: 0.6 },
    ),
  }
}

/** The most codes by which two ways may differ: matte and cut 0, fill and scaling 1, after three layers 2. */
export const APART: Readonly<Record<string, number>> = {
  ...Object.fromEntries(['luma', 'sd', 'linear', 'mask', 'pattern', 'none', 'colour', 'mix'].map(name => [name, 0])),
  ...Object.fromEntries(['wipe', 'box', 'scaled', 'chroma', 'tiles'].map(name => [name, 1])),
  layers: 2,
}
