import {
  type Pixels,
  Plainly,
  cellsOf,
  contrastOver,
  drawnAtOnce,
  findSetting,
  lightOf,
  plain,
  seen,
  seenWith,
} from '#core/picture'
import type { Layer, Picture } from '#core/run'
import { random } from '../testing/chains'
import { CLEAR, type Patch, patches } from '../testing/graphics'

const [WIDTH, HEIGHT] = [640, 360]

const noise = (width: number, height: number, seed: number): Pixels => {
  const r = random(seed)
  const to = plain(width, height)
  for (let i = 0; i < to.data.length; i++) to.data[i] = i % 4 === 3 ? 255 : Math.floor(r() * 256)
  return to
}

/** One caption over moments: the light of each counted, and the contrast of its words on it. Milliseconds. */
export function overMoments(moments: number): number {
  const pictures = Array.from({ length: moments }, (_, i) => noise(1280, 720, 1 + i))
  const begun = performance.now()
  for (const picture of pictures)
    contrastOver(lightOf(picture), { x: 0.1, y: 0.7, w: 0.4, h: 0.1 }, [255, 255, 255, 255], [40, 60, 90, 160])
  return performance.now() - begun
}

/** Milliseconds that the search of a panel of 100 steps takes for each of some graphics. */
export const found = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => {
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      ...Array.from({ length: 12 }, (_, n): Patch => [
        20 + n * 40,
        200,
        30,
        60 + i,
        [n * 20, 255 - n * 20, 90, 120 + n * 10],
      ]),
    ])
    const cells = cellsOf(graphic)
    const begun = performance.now()
    findSetting(cells, undefined, { steps: 100, toCut: (clip, gain) => ({ clip: clip / 100, gain: gain / 100 }) })
    return performance.now() - begun
  })

/** A caption with a plate of many colours and a shadow; the rest is black. */
function page(): Pixels {
  const to = plain(1280, 720)
  for (let y = 500; y < 600; y++)
    for (let x = 100; x < 700; x++) to.data.set([(x * 7) & 255, 200, (y * 5) & 255, 255], (y * 1280 + x) * 4)
  return to
}

/**
 * Milliseconds that one layer more takes at 1280x720 by the kernels, of pictures that are noise all over, and by the plain
 * formula for each pixel.
 */
export function layers(times: number): [layer: string, kernels: number, plainly: number][] {
  const pictures = [noise(1280, 720, 1), noise(1280, 720, 2), page()]
  const pages = ({ device }: { readonly device: string }) => pictures[Number(device)]!
  const one = (device: string): Picture => ({ of: 'source', device, port: 'out', content: 'caption' })
  const over = (count: number, layer: Partial<Layer>): Picture => ({
    of: 'mix',
    device: 'm',
    tap: 'program',
    layers: [
      { picture: one('0'), port: 'in', as: 'background' },
      ...Array.from({ length: count }, (): Layer => ({ picture: one('1'), port: 'in', as: 'key', ...layer })),
    ],
  })
  const median = (work: () => unknown, n: number) =>
    Array.from({ length: n }, () => {
      const begun = performance.now()
      work()
      return performance.now() - begun
    }).sort((a, b) => a - b)[Math.floor(n / 2)]!
  let spare: Uint8ClampedArray | undefined
  const drawn = (tree: Picture) =>
    median(() => (spare = drawnAtOnce(() => seen(tree, pages, 1280, 720).data, spare)), times)
  const cut = { clip: 0.1, gain: 0.5 }
  const kinds: Readonly<Record<string, Partial<Layer>>> = {
    'a mix': { as: 'background', share: 0.5 },
    'a wipe with a soft edge': { as: 'background', share: 0.5, wipe: true, soft: 0.25 },
    'a key by brightness, a caption': { kind: 'luma', cut, picture: one('2') },
    'a key by brightness, noise': { kind: 'luma', cut },
    'a key by its signal, a caption': { kind: 'linear', key: one('2'), cut },
    'a key by colour, noise': {
      kind: 'chroma',
      screen: { screen: [20, 190, 60], tolerance: 0.1, edge: 0.1, spill: 1 },
    },
    'a box': { kind: 'box', box: { x: 0.6, y: 0.1, w: 0.3, h: 0.3 } },
  }
  return Object.entries(kinds).map(([name, layer]) => [
    name,
    (drawn(over(5, layer)) - drawn(over(1, layer))) / 4,
    median(() => seenWith(new Plainly(8), over(1, layer), pages, 1280, 720), 3),
  ])
}
