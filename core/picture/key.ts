import { keyBytes, mixBytes } from './fast'
import { type Pixels, plain } from './pixels'

/** Brightness Y' of a pixel in full-range codes, BT.709: (13933 R + 46871 G + 4732 B + 32768) >> 16, 0 .. 255. */
export const luma = (r: number, g: number, b: number): number => (13933 * r + 46871 * g + 4732 * b + 32768) >> 16

/** What an input takes values for that are not so: narrow ones for full, or full ones for narrow. */
export type Misread = 'narrow as full' | 'full as narrow'

/** A value as the input reads it, from what was meant (both black-referenced, 1 is white); not clamped. */
export const readAs = (x: number, misread: Misread | undefined): number =>
  misread === 'narrow as full' ? (16 + 219 * x) / 255 : misread === 'full as narrow' ? (255 * x - 16) / 219 : x

/**
 * How solid a brightness becomes, by its code 0 .. 255 as it was sent: clamp((Y' - clip) * slope, 0, 1) with slope =
 * 1 / max(1 - gain, 1/255), inverted after that. Clip and gain 0 .. 1; a linear key is clip 0, gain 0. Kept real; a
 * misread range is folded in.
 */
export function matteTable(clip: number, gain: number, invert = false, misread?: Misread): Float64Array {
  const slope = 1 / Math.max(1 - gain, 1 / 255)
  return Float64Array.from({ length: 256 }, (_, code) => {
    const a = Math.min(1, Math.max(0, (readAs(code / 255, misread) - clip) * slope))
    return invert ? 1 - a : a
  })
}

/** What decides where a fill is seen: its own brightness, that of a key signal of the same size, or a matte. */
export interface Matte {
  readonly table: Float64Array
  /** Absent, the fill cuts itself out. */
  readonly key?: Pixels
  /** The fill is added: fill + (1 - a) back. */
  readonly premultiplied?: boolean
}

/**
 * A fill over a picture of the same size: straight a fill + (1 - a) back, premultiplied fill + (1 - a) back, rounded half
 * up once. `share` (0 .. 1) fades the key as a whole: a fill is then weighted by it too.
 */
export function keyed(back: Pixels, fill: Pixels, { table, key = fill, premultiplied }: Matte, share = 1): Pixels {
  // Weights of 1/65536, so that the sum stays a whole number: the rounding is then half up within one code.
  const solid = Int32Array.from(table, a => Math.round(a * share * 65_536))
  const part = premultiplied ? Math.round(share * 65_536) : undefined
  return { ...back, data: keyBytes(back.data, fill.data, key.data, solid, part) }
}

/** A colour that a screen is painted in, and how far from it the key lets go. Values of one and full range. */
export interface Chroma {
  /** The screen, red, green and blue, 0 .. 255. */
  readonly screen: readonly [number, number, number]
  /** 0 .. 1, in units of colour difference: so far from the screen nothing is cut. */
  readonly tolerance: number
  /** 0 .. 1, width of the soft edge. */
  readonly edge: number
  /** 0 .. 1, how much of the screen's shine is taken from what stays. */
  readonly spill: number
}

/** Colour differences of a pixel, BT.709: ((B' - Y') / 1.8556, (R' - Y') / 1.5748), of codes in units of 1. */
function difference(r: number, g: number, b: number): readonly [number, number, number] {
  const y = (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255
  return [(b / 255 - y) / 1.8556, (r / 255 - y) / 1.5748, y]
}

/** Half the angle around the screen's hue, 90 degrees in all. */
const TAN = Math.tan(Math.PI / 4)

/**
 * What stays of a picture before a painted screen over another of the same size. k is the unit vector of the screen's
 * colour difference, x = c.k, z = |c x k|, g = x - z / tan 45; a = 1 - clamp((g - tolerance) / max(edge, 1/255), 0, 1);
 * spill: c := c - s max(0, g) k at the same brightness.
 */
export function chromaKeyed(back: Pixels, fill: Pixels, { screen, tolerance, edge, spill }: Chroma, share = 1): Pixels {
  const [cb, cr] = difference(...screen)
  const length = Math.hypot(cb, cr) || 1
  const [kb, kr] = [cb / length, cr / length]
  const data = back.data.slice()
  for (let i = 0; i < data.length; i += 4) {
    const [b, r, y] = difference(fill.data[i]!, fill.data[i + 1]!, fill.data[i + 2]!)
    const x = b * kb + r * kr
    const g = x - Math.abs(b * kr - r * kb) / TAN
    const a = share * (1 - Math.min(1, Math.max(0, (g - tolerance) / Math.max(edge, 1 / 255))))
    if (a === 0) continue
    const less = spill * Math.max(0, g)
    const [sb, sr] = [b - less * kb, r - less * kr]
    const red = y + 1.5748 * sr
    const blue = y + 1.8556 * sb
    const green = (y - 0.2126 * red - 0.0722 * blue) / 0.7152
    const at = (value: number, under: number) =>
      Math.min(255, Math.max(0, Math.floor(a * Math.min(1, Math.max(0, value)) * 255 + (1 - a) * under + 0.5)))
    data[i] = at(red, data[i]!)
    data[i + 1] = at(green, data[i + 1]!)
    data[i + 2] = at(blue, data[i + 2]!)
  }
  return { ...back, data }
}

/** How solid each pixel becomes, as a picture in greys. */
export function matteOf(key: Pixels, table: Float64Array): Pixels {
  const to = plain(key.width, key.height)
  for (let i = 0; i < to.data.length; i += 4) {
    const code = Math.floor(table[luma(key.data[i]!, key.data[i + 1]!, key.data[i + 2]!)]! * 255 + 0.5)
    to.data[i] = to.data[i + 1] = to.data[i + 2] = code
  }
  return to
}

/** Two pictures of one size mixed: share of the new one 0 .. 1, in steps of 1/256; within one code of that, rounded half up. */
export const mixed = (old: Pixels, next: Pixels, share: number): Pixels => ({
  ...old,
  data: mixBytes(old.data, next.data, Math.round(share * 256)),
})
