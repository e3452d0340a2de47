import { type Graphic, meant } from './graphic'
import type { Weights } from './key'
import type { Region } from './pixels'

/**
 * Pixels of a graphic counted by brightness and by how solid they are meant to be: all that a key by brightness or by a
 * key signal can be judged on. Immutable; three numbers a cell, in order of brightness, then of solidity.
 */
export interface Cells {
  /** The file does not say how solid its pixels are: 0 is ground, 255 differs from it, 127 is like it but enclosed. */
  readonly opaque: boolean
  /** [brightness 0 .. 255, solid 0 .. 255, pixels] after each other. */
  readonly counts: readonly number[]
}

/** Above so many cells how solid a pixel is, is told in steps of 16 codes; 0 and 255 stay by themselves. */
const MOST_CELLS = 6000
const STEP = 16

/** Counts a graphic, or parts of it, by BT.709 or the given weights; a pixel in two parts counts once. */
export function cellsOf(graphic: Graphic, regions?: readonly Region[], weights?: Weights): Cells {
  const { y, truth } = meant(graphic, weights)
  const counted = regions && new Uint8Array(y.length)
  for (const { left, top, right, bottom } of regions ?? [])
    for (let row = Math.max(0, top); row < Math.min(graphic.height, bottom); row++)
      counted!.fill(
        1,
        row * graphic.width + Math.max(0, left),
        row * graphic.width + Math.max(0, left, Math.min(graphic.width, right)),
      )
  const all = new Uint32Array(65_536)
  for (let p = 0; p < y.length; p++) if (!counted || counted[p]) all[y[p]! * 256 + truth[p]!]!++
  const counts = listed(all)
  if (counts.length <= MOST_CELLS * 3) return { opaque: graphic.opaque, counts }
  const coarse = new Uint32Array(65_536)
  for (let i = 0; i < all.length; i++) {
    const solid = i & 255
    const kept = solid === 0 || solid === 255 ? solid : Math.min(254, Math.max(1, Math.round(solid / STEP) * STEP))
    coarse[(i & ~255) | kept]! += all[i]!
  }
  return { opaque: graphic.opaque, counts: listed(coarse) }
}

function listed(all: Uint32Array): number[] {
  const counts: number[] = []
  for (let i = 0; i < all.length; i++) if (all[i]) counts.push(i >> 8, i & 255, all[i]!)
  return counts
}

const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'

/** Cells as text: the distance to the cell before and the count, each in groups of five bits, the lowest first. */
export function cellsText({ counts }: Cells): string {
  let text = ''
  const put = (value: number) => {
    let left = value
    do {
      const digit = left % 32
      left = Math.floor(left / 32)
      text += DIGITS[digit + (left > 0 ? 32 : 0)]
    } while (left > 0)
  }
  let before = -1
  for (let i = 0; i < counts.length; i += 3) {
    const at = counts[i]! * 256 + counts[i + 1]!
    put(at - before - 1)
    put(counts[i + 2]!)
    before = at
  }
  return text
}

/** Reads the text of cells; undefined where it is none. */
export function readCells(text: string, opaque: boolean): Cells | undefined {
  const values: number[] = []
  let value = 0
  let weight = 1
  for (const letter of text) {
    const digit = DIGITS.indexOf(letter)
    if (digit < 0) return undefined
    value += (digit % 32) * weight
    weight *= 32
    if (weight > 2 ** 40) return undefined
    if (digit < 32) {
      values.push(value)
      value = 0
      weight = 1
    }
  }
  if (weight > 1 || values.length % 2 === 1) return undefined
  const counts: number[] = []
  let at = -1
  for (let i = 0; i < values.length; i += 2) {
    at += values[i]! + 1
    if (at > 65_535 || values[i + 1]! < 1) return undefined
    counts.push(at >> 8, at & 255, values[i + 1]!)
  }
  return { opaque, counts }
}

/** Pixels that were counted. */
export function pixelsIn({ counts }: Cells): number {
  let sum = 0
  for (let i = 2; i < counts.length; i += 3) sum += counts[i]!
  return sum
}

/** Counts of several as one; all of one kind. */
export function summed(all: readonly Cells[]): Cells {
  const counts = new Map<number, number>()
  for (const { counts: one } of all)
    for (let i = 0; i < one.length; i += 3) {
      const at = one[i]! * 256 + one[i + 1]!
      counts.set(at, (counts.get(at) ?? 0) + one[i + 2]!)
    }
  const sorted = [...counts].sort(([a], [b]) => a - b)
  return { opaque: all[0]?.opaque === true, counts: sorted.flatMap(([at, n]) => [at >> 8, at & 255, n]) }
}
