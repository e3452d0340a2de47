import type { Region } from './cells'
import { type Graphic, meant } from './graphic'
import { luma } from './key'

/** A colour and how solid it is, 0 .. 255 each. */
export type Ink = readonly [red: number, green: number, blue: number, solid: number]

/** Linear light of a gamma-coded value 0 .. 1 (IEC 61966-2-1). */
const linear = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)

/** Relative luminance of gamma-coded values 0 .. 1, BT.709 primaries. */
export const luminance = ([r, g, b]: readonly [number, number, number]): number =>
  0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b)

/** Contrast of two luminances: (L1 + 0.05) / (L2 + 0.05), the lighter first; 1 is none. */
export const contrast = (a: number, b: number): number => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)

/** Luminance of what is seen of a colour over any picture, the least and the most: solidity a, [a p, a p + 1 - a]. */
function span([r, g, b, solid]: Ink, a = solid / 255): readonly [number, number] {
  const low = [r, g, b].map(v => (a * v) / 255) as [number, number, number]
  return [luminance(low), luminance(low.map(v => v + 1 - a) as [number, number, number])]
}

/**
 * The contrast of ink on what lies behind it that holds over any picture: 1 where the picture can make both alike.
 * Solidities 0 .. 1 are those that the key makes of them; absent, those of the file.
 */
export function guaranteed(ink: Ink, plate: Ink, inkSolid?: number, plateSolid?: number): number {
  const [inkLow, inkHigh] = span(ink, inkSolid)
  const [low, high] = span(plate, plateSolid)
  if (inkLow <= high && low <= inkHigh) return 1
  return inkLow > high ? contrast(inkLow, high) : contrast(low, inkHigh)
}

/** What is found in a box of words. */
export interface Lettering {
  readonly ink: Ink
  readonly plate: Ink
  /** Height of the letters, pixels. */
  readonly height: number
}

/** Of the pairs along the edge, so many have less contrast. */
const LEAST_SHARE = 0.05

/**
 * Words in a box: the pair of ink and plate at the 5th percentile of contrast along their edge, and how high the letters
 * are. Undefined where nothing in the box stands out.
 */
export function lettering(graphic: Graphic, region: Region): Lettering | undefined {
  const { y, truth } = meant(graphic)
  const inside = inBox(graphic, region)
  const solid = inside.filter(p => truth[p]! > 127)
  if (solid.length === 0) return undefined
  const split = threshold(solid.map(p => y[p]!))
  const dark = solid.filter(p => y[p]! <= split)
  const light = solid.filter(p => y[p]! > split)
  // Where the box is clear around its words, all that is solid is ink; else what covers less of it.
  const clear = inside.length - solid.length
  const inkPixels =
    split === 255 || clear > solid.length ? solid : light.length === 0 || dark.length === 0 ? solid : fewer(light, dark)
  const isInk = new Set(inkPixels)
  const core = inkPixels.filter(p => around(graphic, region, p, 1).every(q => isInk.has(q)))
  const edge = (of: readonly number[], beyond: number) =>
    of.flatMap(p => around(graphic, region, p, beyond).flatMap(q => (isInk.has(q) ? [] : [[p, q] as const])))
  // The softened pixels between both are neither; letters of one stroke have nothing else.
  const firm = edge(core, 3)
  const pairs = firm.length ? firm : edge(inkPixels, 2)
  if (pairs.length === 0) return undefined
  const colour = (p: number): Ink => {
    const [r, g, b] = [0, 1, 2].map(c => graphic.data[p * 4 + c]!) as [number, number, number]
    return [r, g, b, graphic.opaque ? (truth[p]! > 0 ? 255 : 0) : truth[p]!]
  }
  const known = new Map<string, { ink: Ink; plate: Ink; contrast: number; count: number }>()
  for (const [p, q] of pairs) {
    const [ink, plate] = [colour(p), colour(q)]
    const key = `${ink.join()}/${plate.join()}`
    const one = known.get(key) ?? { ink, plate, contrast: guaranteed(ink, plate), count: 0 }
    one.count++
    known.set(key, one)
  }
  const sorted = [...known.values()].sort((a, b) => a.contrast - b.contrast)
  let before = 0
  const at = sorted.find(({ count }) => (before += count) >= LEAST_SHARE * pairs.length)!
  const rows = inkPixels.map(p => Math.floor(p / graphic.width))
  return {
    ink: at.ink,
    plate: at.plate,
    height:
      rows.reduce((most, row) => Math.max(most, row), 0) - rows.reduce((least, row) => Math.min(least, row), 1e9) + 1,
  }
}

const fewer = (a: readonly number[], b: readonly number[]) => (a.length <= b.length ? a : b)

function inBox({ width, height }: Graphic, { left, top, right, bottom }: Region): number[] {
  const found: number[] = []
  for (let row = Math.max(0, top); row < Math.min(height, bottom); row++)
    for (let column = Math.max(0, left); column < Math.min(width, right); column++) found.push(row * width + column)
  return found
}

/** The pixels so far to the left, right, above and below, as far as they lie in the box and in the picture. */
function around({ width, height }: Graphic, { left, top, right, bottom }: Region, p: number, beyond: number): number[] {
  const [x, y] = [p % width, Math.floor(p / width)]
  return [
    ...(x - beyond >= Math.max(0, left) ? [p - beyond] : []),
    ...(x + beyond < Math.min(width, right) ? [p + beyond] : []),
    ...(y - beyond >= Math.max(0, top) ? [p - beyond * width] : []),
    ...(y + beyond < Math.min(height, bottom) ? [p + beyond * width] : []),
  ]
}

/** The brightness that parts values into two groups with the least spread within them (between-class variance). */
function threshold(values: readonly number[]): number {
  const counts = new Float64Array(256)
  for (const value of values) counts[value]!++
  const sum = values.reduce((total, value) => total + value, 0)
  let [below, belowSum, best, at] = [0, 0, 0, 255]
  for (let code = 0; code < 255; code++) {
    below += counts[code]!
    belowSum += code * counts[code]!
    const above = values.length - below
    if (below === 0 || above === 0) continue
    const apart = belowSum / below - (sum - belowSum) / above
    const between = below * above * apart * apart
    if (between > best) [best, at] = [between, code]
  }
  return at
}

/** Brightness of an ink as it is sent over black, 0 .. 255. */
export const sentLuma = ([r, g, b, solid]: Ink): number =>
  luma(Math.floor((r * solid) / 255 + 0.5), Math.floor((g * solid) / 255 + 0.5), Math.floor((b * solid) / 255 + 0.5))
