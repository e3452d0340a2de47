import { keyBytes, mixBytes } from './fast'
import { type Pixels, plain } from './pixels'

/** Shares of red, green and blue in brightness, 1/65536: BT.709 .2126 .7152 .0722, and BT.601 .299 .587 .114 for SD. */
const BT709 = [13_933, 46_871, 4732] as const
const BT601 = [19_595, 38_470, 7471] as const
export const LUMA = { 709: BT709, 601: BT601 } as const
export type Weights = keyof typeof LUMA

/** Brightness Y' of a pixel in full-range codes: (13933 R + 46871 G + 4732 B + 32768) >> 16 by BT.709, 0 .. 255. */
export function luma(r: number, g: number, b: number, by: Weights = 709): number {
  // Looked up by its number it takes ten times as long.
  const of = by === 601 ? BT601 : BT709
  return (of[0] * r + of[1] * g + of[2] * b + 32768) >> 16
}

/** What an input takes values for that are not so: narrow ones for full, or full ones for narrow. */
export type Misread = 'narrow as full' | 'full as narrow'

/**
 * A value as the input reads it, from what was meant (both black-referenced, 1 is white); not clamped. Narrow codes are 16
 * to 235 of 8 bit, and 64 to 940 of 10.
 */
export function readAs(x: number, misread: Misread | undefined, bits = 8): number {
  if (misread === undefined) return x
  const [black, span, most] = [16 * 2 ** (bits - 8), 219 * 2 ** (bits - 8), 2 ** bits - 1]
  return misread === 'narrow as full' ? (black + span * x) / most : (most * x - black) / span
}

/**
 * How solid a brightness becomes, by its code as it was sent (0 .. 255, or 0 .. 1023 of 10 bit): clamp((Y' - clip) * slope, 0, 1) with slope =
 * 1 / max(1 - gain, 1/255), inverted after that. Clip and gain 0 .. 1; a linear key is clip 0, gain 0. Kept real; a
 * misread range is folded in.
 */
export function matteTable(clip: number, gain: number, invert = false, misread?: Misread, bits = 8): Float64Array {
  const slope = 1 / Math.max(1 - gain, 1 / 255)
  const most = 2 ** bits - 1
  return Float64Array.from({ length: most + 1 }, (_, code) => {
    const a = Math.min(1, Math.max(0, (readAs(code / most, misread, bits) - clip) * slope))
    return invert ? 1 - a : a
  })
}

/** What decides where a fill is seen: its own brightness, that of a key signal of the same size, or a matte. */
export interface Matte<P = Pixels> {
  readonly table: Float64Array
  /** Absent, the fill cuts itself out. */
  readonly key?: P
  /** By which the brightness is told; absent, BT.709. */
  readonly weights?: Weights
  /** The fill is added: fill + (1 - a) back. */
  readonly premultiplied?: boolean
}

/**
 * Weights of 1/65536 by code, so that a sum stays a whole number and is rounded half up within one code; of a premultiplied
 * fill all is laid, as far as the key is faded in.
 */
export const keyWeights = ({ table, premultiplied }: Pick<Matte, 'table' | 'premultiplied'>, share: number) => ({
  solid: Int32Array.from(table, a => Math.round(a * share * 65_536)),
  part: premultiplied ? Math.round(share * 65_536) : undefined,
})

/**
 * A fill over a picture of the same size: straight a fill + (1 - a) back, premultiplied fill + (1 - a) back, rounded half
 * up once. `share` (0 .. 1) fades the key as a whole: a fill is then weighted by it too.
 */
export function keyed(back: Pixels, fill: Pixels, matte: Matte, share = 1): Pixels {
  const { solid, part } = keyWeights(matte, share)
  const { key = fill, weights = 709 } = matte
  return { ...back, data: keyBytes(back.data, fill.data, key.data, solid, part, LUMA[weights]) }
}

/** How solid each pixel becomes, as a picture in greys. */
export function matteOf(key: Pixels, table: Float64Array, weights?: Weights): Pixels {
  const to = plain(key.width, key.height)
  for (let i = 0; i < to.data.length; i += 4) {
    const code = Math.floor(table[luma(key.data[i]!, key.data[i + 1]!, key.data[i + 2]!, weights)]! * 255 + 0.5)
    to.data[i] = to.data[i + 1] = to.data[i + 2] = code
  }
  return to
}

/** A share 0 .. 1 in steps of 1/256, as a mix takes it. */
export const mixSteps = (share: number): number => Math.round(share * 256)

/** Two pictures of one size mixed by the share of the new one: within one code of that, rounded half up. */
export const mixed = (old: Pixels, next: Pixels, share: number): Pixels => ({
  ...old,
  data: mixBytes(old.data, next.data, mixSteps(share)),
})
