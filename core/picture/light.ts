import { type Ink, contrast, luminance } from './contrast'
import type { Pixels } from './pixels'

/**
 * How light a picture is, part by part: of each of 32 x 18 parts, rows from the top, the 5th and the 95th percentile of
 * the relative luminance of its pixels, 0 .. 1. That is all that contrast over it is judged on.
 */
export interface Light {
  readonly low: readonly number[]
  readonly high: readonly number[]
}

export const LIGHT_COLUMNS = 32
export const LIGHT_ROWS = 18
/** Of a part's pixels so many may be darker, and so many lighter. */
const BEYOND = 0.05

/** Steps in which light is kept. */
const STEPS = 4095
/** Luminance of each code 0 .. 255 of red, green and blue, in those steps. */
const BY_CODE = [0, 1, 2].map(channel =>
  Float64Array.from(
    { length: 256 },
    (_, code) => STEPS * luminance([0, 1, 2].map(c => (c === channel ? code / 255 : 0)) as [number, number, number]),
  ),
) as [Float64Array, Float64Array, Float64Array]

/** From the start of a part to its end, in whole pixels, at least one. */
const span = (at: number, parts: number, size: number): [number, number] => {
  const from = Math.min(size - 1, Math.floor((at * size) / parts))
  return [from, Math.max(from + 1, Math.floor(((at + 1) * size) / parts))]
}

/** Counts a picture's light, in steps of 1/4095. A picture narrower or lower than the parts gives each part its nearest pixel. */
export function lightOf({ width, height, data }: Pixels): Light {
  const [low, high]: [number[], number[]] = [[], []]
  const counts = new Uint32Array(STEPS + 1)
  const [red, green, blue] = BY_CODE
  for (let row = 0; row < LIGHT_ROWS; row++)
    for (let column = 0; column < LIGHT_COLUMNS; column++) {
      const [left, right] = span(column, LIGHT_COLUMNS, width)
      const [top, bottom] = span(row, LIGHT_ROWS, height)
      counts.fill(0)
      for (let y = top; y < bottom; y++)
        for (let x = left; x < right; x++) {
          const i = (y * width + x) * 4
          counts[(red[data[i]!]! + green[data[i + 1]!]! + blue[data[i + 2]!]! + 0.5) | 0]!++
        }
      const last = (right - left) * (bottom - top) - 1
      low.push(ranked(counts, Math.round(last * BEYOND)) / STEPS)
      high.push(ranked(counts, Math.round(last * (1 - BEYOND))) / STEPS)
    }
  return { low, high }
}

/** The step of the pixel of that rank, from 0 on. */
function ranked(counts: Uint32Array, rank: number): number {
  let before = 0
  let step = 0
  while ((before += counts[step]!) <= rank) step++
  return step
}

const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'

/** Light as text: two letters for each value, the low one of a part before its high one. */
export const lightText = ({ low, high }: Light): string =>
  low
    .flatMap((value, i) => [value, high[i]!])
    .map(value => {
      const code = Math.round(Math.min(1, Math.max(0, value)) * STEPS)
      return DIGITS[code >> 6]! + DIGITS[code & 63]!
    })
    .join('')

/** Reads the text of a picture's light; undefined where it is none. */
export function readLight(text: string): Light | undefined {
  if (text.length !== LIGHT_COLUMNS * LIGHT_ROWS * 4) return undefined
  const values: number[] = []
  for (let i = 0; i < text.length; i += 2) {
    const [a, b] = [DIGITS.indexOf(text[i]!), DIGITS.indexOf(text[i + 1]!)]
    if (a < 0 || b < 0) return undefined
    values.push((a * 64 + b) / STEPS)
  }
  return { low: values.filter((_, i) => i % 2 === 0), high: values.filter((_, i) => i % 2 === 1) }
}

/** The grey 0 .. 1, gamma-coded, of a luminance (IEC 61966-2-1). */
const greyOf = (light: number): number => (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055)

/** Between the darkest and the lightest grey of a part contrast is looked at in so many steps. */
const GREYS = 8

/**
 * The least contrast of ink on what lies behind it over a picture, within a box of shares of it: both as solid as the key
 * makes them, over every grey that a part of the picture under the box has.
 */
export function contrastOver(
  light: Light,
  { x, y, w, h }: { readonly x: number; readonly y: number; readonly w: number; readonly h: number },
  ink: Ink,
  plate: Ink,
  inkSolid = ink[3] / 255,
  plateSolid = plate[3] / 255,
): number {
  const over = ([r, g, b]: Ink, solid: number, grey: number): number =>
    luminance([r, g, b].map(v => (solid * v) / 255 + (1 - solid) * grey) as [number, number, number])
  const [left, right] = [Math.floor(x * LIGHT_COLUMNS), Math.ceil((x + w) * LIGHT_COLUMNS)]
  const [top, bottom] = [Math.floor(y * LIGHT_ROWS), Math.ceil((y + h) * LIGHT_ROWS)]
  let least = Infinity
  for (let row = Math.max(0, top); row < Math.min(LIGHT_ROWS, bottom); row++)
    for (let column = Math.max(0, left); column < Math.min(LIGHT_COLUMNS, right); column++) {
      const part = row * LIGHT_COLUMNS + column
      const [from, to] = [greyOf(light.low[part]!), greyOf(light.high[part]!)]
      for (let step = 0; step <= GREYS; step++) {
        const grey = from + ((to - from) * step) / GREYS
        const found = contrast(over(ink, inkSolid, grey), over(plate, plateSolid, grey))
        if (found < least) least = found
      }
    }
  return least === Infinity ? 1 : least
}
