import { type Weights, luma } from './key'
import { type Colour, type Pixels, type Region, plain } from './pixels'

/**
 * A graphic as its file has it: rows from the top, four bytes a pixel (red, green, blue, how solid), the colour not yet
 * weighted by how solid it is. `opaque`: the file does not say how solid its pixels are, and all are taken as solid.
 */
export interface Graphic extends Pixels {
  readonly opaque: boolean
  /** Of an opaque one the parts of which somebody said that all of them is meant to be seen, whatever its colour. */
  readonly sure?: readonly Region[]
}

/** A code weighted by how solid it is, over black, rounded half up. */
export const overBlack = (code: number, solid: number): number => Math.floor((code * solid) / 255 + 0.5)

/** The colour weighted by how solid it is: what a page on black looks like. */
export function onBlack({ width, height, data }: Graphic): Pixels {
  const to = plain(width, height)
  for (let i = 0; i < data.length; i += 4) {
    const a = data[i + 3]!
    if (a === 0) continue
    to.data[i] = overBlack(data[i]!, a)
    to.data[i + 1] = overBlack(data[i + 1]!, a)
    to.data[i + 2] = overBlack(data[i + 2]!, a)
  }
  return to
}

/** The colour alone. */
export function asStraight({ width, height, data, opaque }: Graphic): Pixels {
  const to = data.slice()
  if (!opaque) for (let i = 3; i < to.length; i += 4) to[i] = 255
  return { width, height, data: to }
}

/** How solid it is, as a picture in greys: the key signal. */
export function keySignal({ width, height, data }: Graphic): Pixels {
  const to = plain(width, height)
  for (let i = 0; i < data.length; i += 4) to.data[i] = to.data[i + 1] = to.data[i + 2] = data[i + 3]!
  return to
}

/** A graphic as a source sends it: over black, with its colours as they are, or how solid it is. */
export const sentAs = (graphic: Graphic, as: 'on black' | 'straight' | 'key'): Pixels =>
  as === 'key' ? keySignal(graphic) : as === 'straight' || graphic.opaque ? asStraight(graphic) : onBlack(graphic)

/** By more than this a channel must differ from the ground, codes, to be no ground. */
const UNLIKE = 8
/** Share of the frame's shorter side that counts as its outside. */
const OUTER = 0.02

/** The median colour of the outermost 2 % of a picture. */
export function groundOf({ width, height, data }: Pixels): Colour {
  const edge = Math.max(1, Math.round(OUTER * Math.min(width, height)))
  const counts = [0, 1, 2].map(() => new Uint32Array(256))
  let all = 0
  for (let y = 0; y < height; y++) {
    const inner = y >= edge && y < height - edge
    for (let x = 0; x < width; x++) {
      if (inner && x === edge && width > 2 * edge) x = width - edge
      const i = (y * width + x) * 4
      for (let c = 0; c < 3; c++) counts[c]![data[i + c]!]!++
      all++
    }
  }
  const median = (of: Uint32Array) => {
    let sum = 0
    for (let code = 0; code < 256; code++) if ((sum += of[code]!) * 2 >= all) return code
    return 255
  }
  return [median(counts[0]!), median(counts[1]!), median(counts[2]!)]
}

/** What is true of a pixel of an opaque picture: its ground, seen to be none, or like the ground but enclosed. */
const GROUND = 0
export const HOLE = 127
const SEEN = 255

/**
 * How solid each pixel of an opaque picture is meant to be, as far as it can be seen: 255 where it differs from its
 * ground by more than 8 codes, 0 for ground that reaches the frame's edge, 127 for what is like the ground but enclosed.
 */
export function seenTruth(picture: Pixels): { readonly truth: Uint8Array; readonly ground: Colour } {
  const { width, height, data } = picture
  const ground = groundOf(picture)
  const truth = new Uint8Array(width * height).fill(HOLE)
  const [red, green, blue] = ground
  const unlike = (code: number, of: number): boolean => code - of > UNLIKE || of - code > UNLIKE
  for (let p = 0, i = 0; p < truth.length; p++, i += 4)
    if (unlike(data[i]!, red) || unlike(data[i + 1]!, green) || unlike(data[i + 2]!, blue)) truth[p] = SEEN
  // Row by row: whole stretches of ground, and where others begin above and below them.
  const open: number[] = []
  for (let x = 0; x < width; x++) open.push(x, (height - 1) * width + x)
  for (let y = 0; y < height; y++) open.push(y * width, y * width + width - 1)
  const reach = (from: number, to: number): void => {
    for (let p = from; p < to; p++) if (truth[p] === HOLE && (p === from || truth[p - 1] !== HOLE)) open.push(p)
  }
  for (let p = open.pop(); p !== undefined; p = open.pop()) {
    if (truth[p] !== HOLE) continue
    const row = p - (p % width)
    let [from, to] = [p, p + 1]
    while (from > row && truth[from - 1] === HOLE) from--
    while (to < row + width && truth[to] === HOLE) to++
    truth.fill(GROUND, from, to)
    if (row > 0) reach(from - width, to - width)
    if (row + width < truth.length) reach(from + width, to + width)
  }
  return { truth, ground }
}

/** A part of a graphic, which lies within it and has at least one pixel. */
export function cropped({ width, height, data, opaque, sure }: Graphic, { left, top, right, bottom }: Region): Graphic {
  const [x, y] = [Math.min(left, width - 1), Math.min(top, height - 1)]
  const [w, h] = [Math.max(1, Math.min(right, width) - x), Math.max(1, Math.min(bottom, height) - y)]
  const to = new Uint8ClampedArray(w * h * 4)
  for (let row = 0; row < h; row++) {
    const at = ((y + row) * width + x) * 4
    to.set(data.subarray(at, at + w * 4), row * w * 4)
  }
  const moved = sure?.map(one => ({
    left: one.left - x,
    top: one.top - y,
    right: one.right - x,
    bottom: one.bottom - y,
  }))
  return { width: w, height: h, data: to, opaque, ...(moved ? { sure: moved } : {}) }
}

/** Codes by which a colour may lie above how solid it is and still be one over black: rounding. */
const ROUNDING = 2

/** Pixels whose colour is brighter than a page on black can have it there: such a file is certainly straight. */
export function straightPixels({ data, opaque }: Graphic): number {
  if (opaque) return 0
  let found = 0
  for (let i = 0; i < data.length; i += 4)
    if (Math.max(data[i]!, data[i + 1]!, data[i + 2]!) > data[i + 3]! + ROUNDING && data[i + 3]! > 0) found++
  return found
}

/** The pixels of which somebody said that they are meant to be seen. */
function* pixelsOf({ width, height, sure = [] }: Graphic): Generator<number> {
  for (const { left, top, right, bottom } of sure)
    for (let y = Math.max(0, top); y < Math.min(height, bottom); y++)
      for (let x = Math.max(0, left); x < Math.min(width, right); x++) yield y * width + x
}

/** Brightness of what is sent over black, by pixel; and how solid each is meant to be. */
export function meant(
  graphic: Graphic,
  weights?: Weights,
): {
  readonly y: Uint8Array
  readonly truth: Uint8Array
  readonly ground: Colour
} {
  const { data } = graphic.opaque ? graphic : onBlack(graphic)
  const y = new Uint8Array(graphic.width * graphic.height)
  const truth = new Uint8Array(y.length)
  for (let p = 0, i = 0; p < y.length; p++, i += 4) {
    const solid = graphic.data[i + 3]!
    if (solid === 0 && !graphic.opaque) continue
    y[p] = luma(data[i]!, data[i + 1]!, data[i + 2]!, weights)
    truth[p] = solid
  }
  if (!graphic.opaque) return { y, truth, ground: [0, 0, 0] }
  const seen = seenTruth(graphic)
  for (const p of pixelsOf(graphic)) seen.truth[p] = SEEN
  return { y, ...seen }
}

/**
 * A graphic of pixels that were drawn `times` as large each way: each the mean of its own, colours weighted by how solid
 * they are. Width and height are those of the large one, and whole multiples.
 */
export function reduced(pixels: Uint8ClampedArray, width: number, height: number, times: number): Graphic {
  const [w, h] = [Math.floor(width / times), Math.floor(height / times)]
  const data = new Uint8ClampedArray(w * h * 4)
  let opaque = true
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      let [r, g, b, a] = [0, 0, 0, 0]
      for (let j = 0; j < times; j++)
        for (let i = 0; i < times; i++) {
          const at = ((y * times + j) * width + x * times + i) * 4
          const solid = pixels[at + 3]!
          r += pixels[at]! * solid
          g += pixels[at + 1]! * solid
          b += pixels[at + 2]! * solid
          a += solid
        }
      const to = (y * w + x) * 4
      const solid = Math.round(a / (times * times))
      if (solid < 255) opaque = false
      if (a > 0) data.set([Math.round(r / a), Math.round(g / a), Math.round(b / a), solid], to)
    }
  return { width: w, height: h, data, opaque }
}
