import type { Cells } from './cells'
import type { Region } from './pixels'
import { chromaBytes, sharedBytes } from './fast'
import { type Graphic, HOLE, meant } from './graphic'
import { LIMITS, type Measured, WOBBLE, later } from './measure'
import { type Colour, type Pixels, plain } from './pixels'

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

/** Colour differences of a pixel, BT.709: ((B' - Y') / 1.8556, (R' - Y') / 1.5748), of codes in units of 1; and Y'. */
function difference(r: number, g: number, b: number): readonly [number, number, number] {
  const y = (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255
  return [(b / 255 - y) / 1.8556, (r / 255 - y) / 1.5748, y]
}

/** Unit vector of the screen's colour difference; a screen without a colour has none. */
function hueOf([r, g, b]: Chroma['screen']): readonly [number, number] {
  const [cb, cr] = difference(r, g, b)
  const length = Math.hypot(cb, cr) || 1
  return [cb / length, cr / length]
}

/** How much of the screen is in a colour difference: g = x - z / tan 45 (which is 1), with x = c.k and z = |c x k|. */
const shineOf = (cb: number, cr: number, kb: number, kr: number): number =>
  cb * kb + cr * kr - Math.abs(cb * kr - cr * kb)

/** a = 1 - clamp((g - tolerance) / max(edge, 1/255), 0, 1). */
const solidAt = (shine: number, { tolerance, edge }: Pick<Chroma, 'tolerance' | 'edge'>): number =>
  1 - Math.min(1, Math.max(0, (shine - tolerance) / Math.max(edge, 1 / 255)))

/**
 * What stays of a picture before a painted screen over another of the same size; spill: c := c - s max(0, g) k at the
 * same brightness.
 */
export const chromaKeyed = (back: Pixels, fill: Pixels, chroma: Chroma, share = 1): Pixels => ({
  ...back,
  data: chromaBytes(back.data, inPairs(fill).data, ...chromaNumbers(chroma), share),
})

/** What a key by colour is worked out with: the screen's unit vector, tolerance, edge (above 0), spill. */
export function chromaNumbers({ screen, tolerance, edge, spill }: Chroma) {
  return [...hueOf(screen), tolerance, Math.max(edge, 1 / 255), spill] as const
}

/**
 * A picture as a 4:2:2 link brings it, which is what a key by colour gets: two neighbours of a row share the mean of their
 * colour differences, each keeps its brightness; in whole codes.
 */
export const inPairs = <P extends Pixels>(picture: P): P => ({
  ...picture,
  data: sharedBytes(picture.data, picture.width),
})

/** How solid a plain colour before a screen becomes, 0 .. 1. */
export function chromaSolid([r, g, b]: Colour, chroma: Chroma): number {
  const [cb, cr] = difference(r, g, b)
  const [kb, kr] = hueOf(chroma.screen)
  return solidAt(shineOf(cb, cr, kb, kr), chroma)
}

/** How solid each pixel of a picture before a screen becomes, 0 .. 1. */
function solidities(picture: Pixels, chroma: Chroma): Float64Array {
  const { data } = inPairs(picture)
  const [kb, kr] = hueOf(chroma.screen)
  const found = new Float64Array(data.length / 4)
  for (let p = 0, i = 0; p < found.length; p++, i += 4) {
    const [b, r] = difference(data[i]!, data[i + 1]!, data[i + 2]!)
    found[p] = solidAt(shineOf(b, r, kb, kr), chroma)
  }
  return found
}

/** The same as a picture in greys. */
export function chromaMatte(fill: Pixels, chroma: Chroma): Pixels {
  const to = plain(fill.width, fill.height)
  solidities(fill, chroma).forEach((a, p) => {
    to.data[p * 4] = to.data[p * 4 + 1] = to.data[p * 4 + 2] = Math.floor(a * 255 + 0.5)
  })
  return to
}

/** Where a picture before a screen is lost: 1 a pixel that is none of its ground and becomes less than half solid. */
export function chromaLost(graphic: Graphic, { truth }: Pick<ReturnType<typeof meant>, 'truth'>, chroma: Chroma) {
  const found = new Uint8Array(truth.length)
  solidities(graphic, chroma).forEach((a, p) => {
    if (truth[p]! > 127 && a < 0.5) found[p] = 1
  })
  return found
}

/** Steps of a colour difference in which pixels are counted: 1/128 each. */
const STEPS = 128
/** What a pixel is meant to be: ground, seen to be none, like the ground but enclosed. */
const CLASSES = [0, 255, HOLE] as const

/** A screen that has less colour than this is no screen. */
const LEAST_COLOUR = 0.1
/** So much of the frame's outside may differ from its median colour for the ground to be even. */
const UNEVEN = 0.05

/** How much colour a ground has, as length of its colour difference. */
const colourOf = ([r, g, b]: Colour): number => {
  const [cb, cr] = difference(r, g, b)
  return Math.hypot(cb, cr)
}

/**
 * Pixels of an opaque picture counted by colour difference (1/128 steps) and by what they are meant to be. Undefined
 * where it has a transparency of its own, its ground has no colour, or is so uneven that nobody can say what is ground.
 */
export function huesOf(graphic: Graphic, regions?: readonly Region[]): Cells | undefined {
  if (!graphic.opaque) return undefined
  const { truth, ground } = meant(graphic)
  if (colourOf(ground) < LEAST_COLOUR || unevenness(graphic, truth) > UNEVEN) return undefined
  const counts = new Uint32Array(STEPS * STEPS * CLASSES.length)
  const { width } = graphic
  const { data } = inPairs(graphic)
  const inside = (x: number, y: number) =>
    !regions || regions.some(({ left, top, right, bottom }) => x >= left && x < right && y >= top && y < bottom)
  const step = (value: number) => Math.min(STEPS - 1, Math.max(0, Math.floor((value + 0.5) * STEPS)))
  for (let p = 0, i = 0; p < truth.length; p++, i += 4) {
    const x = p % width
    if (!inside(x, Math.floor(p / width))) continue
    // Ground that shares its colour with what stands beside it is the rim of that: nobody can say how solid it is meant to be.
    const beside = x ^ 1
    if (truth[p] === 0 && beside < width && truth[p - x + beside] !== 0) continue
    const [cb, cr] = difference(data[i]!, data[i + 1]!, data[i + 2]!)
    counts[(step(cb) * STEPS + step(cr)) * CLASSES.length + CLASSES.indexOf(truth[p] as 0)]!++
  }
  const listed: number[] = []
  counts.forEach((n, at) => {
    if (n) listed.push(at >> 8, at & 255, n)
  })
  return { opaque: true, counts: listed }
}

/** Share of the outermost rows and columns that differ from the ground. */
function unevenness({ width }: Pixels, truth: Uint8Array): number {
  let [odd, all] = [0, 0]
  for (let p = 0; p < truth.length; p++) {
    const [x, y] = [p % width, Math.floor(p / width)]
    // What stands at the lower edge, as people do, is no part of the screen.
    if (y > 0 && x > 0 && x < width - 1) continue
    all++
    if (truth[p] === 255) odd++
  }
  return all ? odd / all : 0
}

interface Hue {
  readonly cb: number
  readonly cr: number
  readonly meant: (typeof CLASSES)[number]
  readonly n: number
}

function listed({ counts }: Cells): Hue[] {
  const found: Hue[] = []
  for (let i = 0; i < counts.length; i += 3) {
    const at = counts[i]! * 256 + counts[i + 1]!
    const bin = Math.floor(at / CLASSES.length)
    const middle = (step: number) => (step + 0.5) / STEPS - 0.5
    found.push({
      cb: middle(Math.floor(bin / STEPS)),
      cr: middle(bin % STEPS),
      meant: CLASSES[at % CLASSES.length]!,
      n: counts[i + 2]!,
    })
  }
  return found
}

/** Above this a pixel that is meant to be clear is seen. */
const SEEN_FROM = 0.02

/** How a key by colour comes out over what was counted; right within a step of 1/128 of colour difference. */
export function chromaMeasured(hues: Cells, chroma: Chroma): Measured {
  const [kb, kr] = hueOf(chroma.screen)
  let [solid, lost, holes, holesLost, clear, hazy] = [0, 0, 0, 0, 0, 0]
  for (const { cb, cr, meant: truth, n } of listed(hues)) {
    const a = solidAt(shineOf(cb, cr, kb, kr), chroma)
    if (truth === 255) {
      solid += n
      if (a < 0.5) lost += n
    } else if (truth === HOLE) {
      holes += n
      if (a < 0.5) holesLost += n
    } else {
      clear += n
      if (a > SEEN_FROM) hazy += n
    }
  }
  return {
    ...(solid ? { lost: lost / solid } : {}),
    ...(holes ? { lostWithHoles: (lost + holesLost) / (solid + holes) } : {}),
    ...(clear ? { haze: hazy / clear } : {}),
  }
}

export interface ChromaSetting {
  readonly chroma: Chroma
  readonly measured: Measured
  readonly wordsLost?: number
  /** Colour difference by which the screen may change, beyond what an 8 bit link changes, before it is seen. */
  readonly margin: number
}

/** Tolerance and edge are found in hundredths, up to the largest colour difference that there is. */
const MOST = 60
/** A step of what was counted, and what an 8 bit link may change. */
const SHAKES = 1 / STEPS / 2 + WOBBLE / 255

/** How much of a screen is in pixels that are meant to be one thing, in order, with how many there are up to each. */
class Shines {
  private readonly g: Float64Array
  private readonly sums: Float64Array
  readonly all: number

  constructor(cells: Cells, meantAs: Hue['meant'], [kb, kr]: readonly [number, number]) {
    const sorted = listed(cells)
      .filter(({ meant: one }) => one === meantAs)
      .map(({ cb, cr, n }) => ({ g: shineOf(cb, cr, kb, kr), n }))
      .sort((a, b) => a.g - b.g)
    this.g = Float64Array.from(sorted, ({ g }) => g)
    let sum = 0
    this.sums = Float64Array.from([0, ...sorted.map(({ n }) => (sum += n))])
    this.all = sum
  }

  /** Index of the first that is at least `limit`; with `past`, of the first above it. */
  private at(limit: number, past: boolean): number {
    let [low, high] = [0, this.g.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.g[middle]! < limit || (past && this.g[middle] === limit)) low = middle + 1
      else high = middle
    }
    return low
  }

  below(limit: number): number {
    return this.sums[this.at(limit, false)]!
  }
  upTo(limit: number): number {
    return this.sums[this.at(limit, true)]!
  }
  firstFrom(limit: number): number {
    return this.g[this.at(limit, false)] ?? 1
  }
}

/** A margin beyond this is worth less than a softer edge. */
const ENOUGH = 0.03

/**
 * The best tolerance and edge for a screen of this colour: nothing of the ground seen, also where it shakes, and no word
 * lost, then least loss above 2 %, then no more than 2 % of what is kept seen through, then a margin of 0.03, then the softest edge.
 * Undefined where nothing is to be kept.
 */
export function findChroma(
  hues: Cells,
  words: Cells | undefined,
  screen: Colour,
  spill: number,
): ChromaSetting | undefined {
  const hue = hueOf(screen)
  const [clear, solid] = [new Shines(hues, 0, hue), new Shines(hues, 255, hue)]
  const inWords = words && new Shines(words, 255, hue)
  if (solid.all === 0) return undefined
  let best: { readonly rank: readonly number[]; readonly chroma: Chroma; readonly margin: number } | undefined
  for (let t = 0; t <= MOST; t++)
    for (let e = 1; t + e <= MOST; e++) {
      const chroma = { screen, tolerance: t / 100, edge: e / 100, spill }
      // a > 2 % below tolerance + 98 % of the edge; a < half above tolerance + half of it.
      const seenBelow = chroma.tolerance + (1 - SEEN_FROM) * chroma.edge + SHAKES
      const lostAbove = chroma.tolerance + chroma.edge / 2
      const hazy = clear.below(seenBelow)
      const wordsLost = inWords ? inWords.all - inWords.upTo(lostAbove) : 0
      // How solid the softened rim of an opaque picture is meant to be cannot be seen: so much of it is no loss.
      const lost = solid.all - solid.upTo(lostAbove)
      const rank = [hazy > 0 ? 1 : 0, wordsLost > 0 ? 1 : 0, hazy, wordsLost, lost > LIMITS.lost * solid.all ? lost : 0]
      if (best && later(rank, best.rank) > 0) continue
      // Softened pixels between figure and screen are rightly seen through; a figure is not.
      const through = solid.all - solid.upTo(chroma.tolerance + SEEN_FROM * chroma.edge)
      const margin = Math.max(0, clear.firstFrom(seenBelow) - seenBelow)
      rank.push(through > LIMITS.lost * solid.all ? through : 0, -Math.min(margin, ENOUGH), -e)
      if (!best || later(rank, best.rank) < 0) best = { rank, chroma, margin }
    }
  if (!best) return undefined
  const wordsLost = words && chromaMeasured(words, best.chroma).lost
  return {
    chroma: best.chroma,
    measured: chromaMeasured(hues, best.chroma),
    ...(wordsLost === undefined ? {} : { wordsLost }),
    margin: best.margin,
  }
}

/** What goes wrong with a key by colour, the first that explains the rest. */
export function chromaFault({ haze, lost }: Measured, wordsLost: number | undefined): 'screen' | 'alike' | undefined {
  if ((haze ?? 0) > LIMITS.groundStays) return 'screen'
  return (lost ?? 0) > LIMITS.lost || (wordsLost ?? 0) > LIMITS.wordsLost ? 'alike' : undefined
}
