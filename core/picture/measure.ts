import type { Cut } from '#core/document'
import type { Cells } from './cells'
import { HOLE } from './graphic'
import { type Misread, matteTable, readAs } from './key'

/** What makes the matte: the picture's own brightness over black, or a key signal beside it. */
export type Way = 'luma' | 'linear'

/** What the bench and the rules hold a key against. Shares 0 .. 1. */
export const LIMITS = {
  /** Of what is meant to be seen, so much may be gone: of all of it, and of words. */
  lost: 0.02,
  wordsLost: 0.01,
  /** Of what is meant to be clear, so much may stay: by a ground that is not black, and by clip or range. */
  groundStays: 0.001,
  haze: 0.01,
  /** Of the soft edge, so much must stay; and is good. */
  soft: 0.5,
  softGood: 0.9,
  /** Brightness of words against what lies behind, (L1 + 0.05) / (L2 + 0.05). */
  contrast: 3,
  contrastGood: 4.5,
  /** Height of capital letters as a share of the picture's. */
  letters: 0.04,
  /** Part of the picture within which words are safe (EBU R 95). */
  safe: 0.9,
} as const

/** How a key came out. Shares 0 .. 1; undefined: it cannot be judged. */
export interface Measured {
  /** Of the pixels that are meant to be solid by more than half, those that become less than half as solid as meant. */
  readonly lost?: number
  /** The same where what is like the ground but enclosed counts as meant to be solid; opaque pictures alone. */
  readonly lostWithHoles?: number
  /** Of the pixels that are meant to be clear, those more solid than 2 %. */
  readonly haze?: number
  /** Of the soft edge, what is as soft as meant. */
  readonly soft?: number
}

/** Solid by more than this is seen. */
const SEEN_FROM = 0.02
const [SOFT_FROM, SOFT_TO] = [0.05, 0.95]
/** By so many codes the ground may wobble after a change of range and an 8 bit link; a proposal leaves room for it. */
export const WOBBLE = 3

/** The table of a way: of a key signal the brightness is how solid it is meant to be. */
const tableOf = ({ clip, gain, invert }: Cut, misread?: Misread) => matteTable(clip, gain, invert, misread)

/** How a key comes out, pixel by pixel of what was counted. */
export function measured(cells: Cells, way: Way, cut: Cut, misread?: Misread): Measured {
  const table = tableOf(cut, misread)
  const { counts, opaque } = cells
  let [solid, lost, holes, holesLost, clear, hazy, span, off] = [0, 0, 0, 0, 0, 0, 0, 0]
  for (let i = 0; i < counts.length; i += 3) {
    const [y, truth, n] = [counts[i]!, counts[i + 1]!, counts[i + 2]!]
    const a = table[way === 'luma' ? y : truth]!
    const alpha = truth / 255
    if (opaque && truth === HOLE) {
      holes += n
      if (a < 0.5) holesLost += n
      continue
    }
    if (truth === 0) {
      clear += n
      if (a > SEEN_FROM) hazy += n
    }
    if (alpha > 0.5) {
      solid += n
      if (a < alpha / 2) lost += n
    }
    if (alpha > SOFT_FROM && alpha < SOFT_TO) {
      span += n * Math.min(alpha, 1 - alpha)
      off += n * Math.abs(a - alpha)
    }
  }
  return {
    ...(solid ? { lost: lost / solid } : {}),
    ...(opaque && holes ? { lostWithHoles: (lost + holesLost) / (solid + holes) } : {}),
    ...(clear ? { haze: hazy / clear } : {}),
    ...(!opaque && span ? { soft: Math.max(0, 1 - off / span) } : {}),
  }
}

/** Counted so that a setting is measured in some hundred steps, whatever the graphic. */
interface Sums {
  /** By brightness: pixels meant to be clear, where any are. */
  readonly clear: { readonly y: readonly number[]; readonly n: readonly number[] }
  /** Brightnesses of pixels meant to be solid by more than half. */
  readonly solidAt: readonly number[]
  /** By brightness and by least solidity: such pixels that are meant to be at least so solid. */
  readonly solidFrom: Float64Array
  readonly solid: number
  /** Cells of the soft edge. */
  readonly soft: { readonly y: Uint8Array; readonly alpha: Float64Array; readonly n: Float64Array }
  readonly span: number
}

function sums({ counts, opaque }: Cells): Sums {
  const clear = new Float64Array(256)
  const solidFrom = new Float64Array(256 * 257)
  const soft: [number, number, number][] = []
  let [solid, span] = [0, 0]
  for (let i = 0; i < counts.length; i += 3) {
    const [y, truth, n] = [counts[i]!, counts[i + 1]!, counts[i + 2]!]
    if (opaque && truth === HOLE) continue
    const alpha = truth / 255
    if (truth === 0) clear[y]! += n
    if (alpha > 0.5) {
      solid += n
      solidFrom[y * 257 + truth]! += n
    }
    if (!opaque && alpha > SOFT_FROM && alpha < SOFT_TO) {
      soft.push([y, alpha, n])
      span += n * Math.min(alpha, 1 - alpha)
    }
  }
  for (let y = 0; y < 256; y++)
    for (let from = 255; from >= 0; from--) solidFrom[y * 257 + from]! += solidFrom[y * 257 + from + 1]!
  const codes = Array.from({ length: 256 }, (_, y) => y)
  const clearAt = codes.filter(y => clear[y]! > 0)
  return {
    clear: { y: clearAt, n: clearAt.map(y => clear[y]!) },
    solidAt: codes.filter(y => solidFrom[y * 257]! > 0),
    solidFrom,
    solid,
    soft: {
      y: Uint8Array.from(soft, ([y]) => y),
      alpha: Float64Array.from(soft, ([, alpha]) => alpha),
      n: Float64Array.from(soft, ([, , n]) => n),
    },
    span,
  }
}

/** Pixels lost at a table: those whose meant solidity is more than twice what they get. */
function lostAt({ solidAt, solidFrom }: Sums, table: Float64Array): number {
  let lost = 0
  for (let i = 0; i < solidAt.length; i++) {
    const y = solidAt[i]!
    const a = table[y]!
    if (a >= 0.5) continue
    // The first code of which less than half is left; rounding may put it one to either side.
    let from = Math.floor(a * 510)
    while (from <= 255 && !(a < from / 255 / 2)) from++
    lost += solidFrom[y * 257 + from]!
  }
  return lost
}

/** Pixels that are meant to be clear and are seen, also where the ground wobbles. */
function hazyAt({ clear: { y, n } }: Sums, table: Float64Array): number {
  let hazy = 0
  for (let i = 0; i < y.length; i++) {
    const code = y[i]!
    if (
      table[code < 255 - WOBBLE ? code + WOBBLE : 255]! > SEEN_FROM ||
      table[code > WOBBLE ? code - WOBBLE : 0]! > SEEN_FROM
    )
      hazy += n[i]!
  }
  return hazy
}

/** What can be set at a panel: whole steps from 0 to the most; `toCut` gives what a pair of them means. */
export interface Panel {
  readonly steps: number
  readonly toCut: (clip: number, gain: number) => Cut
}

export interface Setting {
  /** Steps of the panel. */
  readonly clip: number
  readonly gain: number
  readonly cut: Cut
  readonly measured: Measured
  readonly wordsLost?: number
  /** Brightness by which the clip may still rise or fall before haze or loss grow, the smaller of both, 0 .. 1. */
  readonly margin: number
}

/**
 * The best setting of a key by brightness among all that the panel can be set to: no haze (also where the ground wobbles
 * by 3 codes) and no word lost, then least loss, then nine tenths of the soft edge or else half, then the widest margin;
 * the softer, then the lower clip, of equals. Undefined where nothing can be judged.
 */
export function findSetting(
  cells: Cells,
  words: Cells | undefined,
  panel: Panel,
  { invert, premultiplied }: Pick<Cut, 'invert' | 'premultiplied'> = {},
  misread?: Misread,
): Setting | undefined {
  const all = sums(cells)
  const inWords = words && sums(words)
  if (all.solid === 0) return undefined
  const read = Float64Array.from({ length: 256 }, (_, code) => readAs(code / 255, misread))
  const table = new Float64Array(256)
  let best: { readonly rank: readonly number[]; readonly clip: number; readonly gain: number } | undefined
  for (let clip = 0; clip <= panel.steps; clip++)
    for (let gain = 0; gain <= panel.steps; gain++) {
      const at = panel.toCut(clip, gain)
      const slope = 1 / Math.max(1 - at.gain, 1 / 255)
      for (let code = 0; code < 256; code++) {
        const a = Math.min(1, Math.max(0, (read[code]! - at.clip) * slope))
        table[code] = invert ? 1 - a : a
      }
      const hazy = hazyAt(all, table)
      if (best?.rank[0] === 0 && hazy > 0) continue
      const wordsLost = inWords ? lostAt(inWords, table) : 0
      const rank = [hazy > 0 ? 1 : 0, wordsLost > 0 ? 1 : 0, hazy, wordsLost, lostAt(all, table)]
      if (best && later(rank, best.rank) > 0) continue
      const soft = softAt(all, table)
      rank.push(soft < LIMITS.soft ? 2 : soft < LIMITS.softGood ? 1 : 0, -marginAt(all, table), -soft, clip)
      if (!best || later(rank, best.rank) < 0) best = { rank, clip, gain }
    }
  if (!best) return undefined
  const cut: Cut = {
    ...panel.toCut(best.clip, best.gain),
    ...(invert ? { invert } : {}),
    ...(premultiplied ? { premultiplied } : {}),
  }
  const wordsLost = words && measured(words, 'luma', cut, misread).lost
  return {
    clip: best.clip,
    gain: best.gain,
    cut,
    measured: measured(cells, 'luma', cut, misread),
    ...(wordsLost === undefined ? {} : { wordsLost }),
    margin: marginAt(all, tableOf(cut, misread)),
  }
}

/** Compares as far as the first goes: above 0 it comes after. */
export const later = (a: readonly number[], b: readonly number[]): number => {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}

function softAt({ soft: { y, alpha, n }, span }: Sums, table: Float64Array): number {
  if (span === 0) return 1
  let off = 0
  for (let i = 0; i < y.length; i++) off += n[i]! * Math.abs(table[y[i]!]! - alpha[i]!)
  return Math.max(0, 1 - off / span)
}

/** How far, in brightness 0 .. 1, the nearest kept pixel is from being lost and the nearest clear one from being seen. */
function marginAt({ clear, solidAt }: Sums, table: Float64Array): number {
  const rising = table[0]! <= table[255]!
  // Codes in order of how solid they become.
  const place = (y: number) => (rising ? y : 255 - y)
  let [half, seen] = [256, 256]
  for (let i = 255; i >= 0; i--) {
    const a = table[place(i)]!
    if (a >= 0.5) half = i
    if (a > SEEN_FROM) seen = i
  }
  let [least, most] = [256, -1]
  for (const y of solidAt) if (place(y) >= half) least = Math.min(least, place(y))
  for (const y of clear.y) if (place(y) < seen) most = Math.max(most, place(y))
  return Math.max(0, Math.min(least - half, seen - 1 - most)) / 255
}
