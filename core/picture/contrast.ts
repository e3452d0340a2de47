import type { Region } from './pixels'
import { type Graphic, meant } from './graphic'
import { type Weights, luma } from './key'

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
  /** Height of the letters, pixels; of several lines in the box, of the lowest. */
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
  const letters = within(graphic, region, inkPixels)
  const isInk = new Set(letters)
  const core = letters.filter(p => around(graphic, region, p, 1).every(q => isInk.has(q)))
  const edge = (of: readonly number[], beyond: number) =>
    of.flatMap(p => around(graphic, region, p, beyond).flatMap(q => (isInk.has(q) ? [] : [[p, q] as const])))
  // The softened pixels between both are neither; letters of one stroke have nothing else.
  const firm = edge(core, 4).filter(([, q]) => around(graphic, region, q, 2).every(near => !isInk.has(near)))
  const pairs = firm.length ? firm : edge(letters, 2)
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
  return { ink: at.ink, plate: at.plate, height: lineHeight(letters.map(p => Math.floor(p / graphic.width))) }
}

/** Ink without what runs out of the box, such as a bar beside the words; all of it, where all does. */
function within(graphic: Graphic, region: Region, ink: readonly number[]): readonly number[] {
  const left = new Set(ink)
  const open = ink.filter(p => around(graphic, region, p, 1).length < 4)
  for (const p of open) left.delete(p)
  for (let p = open.pop(); p !== undefined; p = open.pop())
    for (const q of around(graphic, region, p, 1)) if (left.delete(q)) open.push(q)
  return left.size ? [...left] : ink
}

/** A run of rows with ink that is lower than this share of the highest one is a dot or a stroke, and no line. */
const LINE_SHARE = 0.4

/** Of the runs of rows that hold ink, the height of the lowest that is a line of letters. */
function lineHeight(rows: readonly number[]): number {
  const runs: number[] = []
  let last = -Infinity
  for (const row of [...new Set(rows)].sort((a, b) => a - b)) {
    if (row === last + 1) runs[runs.length - 1]! += 1
    else runs.push(1)
    last = row
  }
  const highest = Math.max(...runs)
  return Math.min(...runs.filter(run => run >= LINE_SHARE * highest))
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
export const sentLuma = ([r, g, b, solid]: Ink, weights?: Weights): number => {
  const sent = (code: number) => Math.floor((code * solid) / 255 + 0.5)
  return luma(sent(r), sent(g), sent(b), weights)
}
