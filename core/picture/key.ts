import type { Pixels } from './pixels'

/** Brightness Y' of a pixel in full-range codes, BT.709: (13933 R + 46871 G + 4732 B + 32768) >> 16, 0 .. 255. */
export const luma = (r: number, g: number, b: number): number => (13933 * r + 46871 * g + 4732 * b + 32768) >> 16

/**
 * How solid a brightness becomes, by its code 0 .. 255: clamp((Y' - clip) * slope, 0, 1) with slope =
 * 1 / max(1 - gain, 1/255). Clip and gain 0 .. 1; a linear key is clip 0, gain 0. Kept real.
 */
export function matteTable(clip: number, gain: number, invert = false): Float64Array {
  const slope = 1 / Math.max(1 - gain, 1 / 255)
  return Float64Array.from({ length: 256 }, (_, code) => {
    const a = Math.min(1, Math.max(0, (code / 255 - clip) * slope))
    return invert ? 1 - a : a
  })
}

/** What decides where a fill is seen: its own brightness, or that of a key signal of the same size. */
export interface Matte {
  readonly table: Float64Array
  /** Absent, the fill cuts itself out. */
  readonly key?: Pixels
}

/**
 * A straight fill over a picture of the same size: a fill + (1 - a) back, rounded half up once. `share` (0 .. 1) fades
 * the key as a whole.
 */
export function keyed(back: Pixels, fill: Pixels, { table, key = fill }: Matte, share = 1): Pixels {
  const [under, over, cut] = [back.data, fill.data, key.data]
  const data = new Uint8ClampedArray(under.length)
  const solid = share === 1 ? table : table.map(a => a * share)
  for (let i = 0; i < data.length; i += 4) {
    const a = solid[luma(cut[i]!, cut[i + 1]!, cut[i + 2]!)]!
    data[i + 3] = 255
    if (a === 0) {
      data[i] = under[i]!
      data[i + 1] = under[i + 1]!
      data[i + 2] = under[i + 2]!
      continue
    }
    const rest = 1 - a
    data[i] = (a * over[i]! + rest * under[i]! + 0.5) | 0
    data[i + 1] = (a * over[i + 1]! + rest * under[i + 1]! + 0.5) | 0
    data[i + 2] = (a * over[i + 2]! + rest * under[i + 2]! + 0.5) | 0
  }
  return { ...back, data }
}

/** Two pictures of one size mixed: share of the new one 0 .. 1, rounded half up. */
export function mixed(old: Pixels, next: Pixels, share: number): Pixels {
  const [before, after] = [old.data, next.data]
  const data = new Uint8ClampedArray(before.length)
  const rest = 1 - share
  for (let i = 0; i < data.length; i++) data[i] = (share * after[i]! + rest * before[i]! + 0.5) | 0
  return { ...old, data }
}
