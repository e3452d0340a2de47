export interface Size {
  readonly width: number
  readonly height: number
}

/**
 * A picture as plain data: rows from the top, four bytes a pixel (red, green, blue, 255), gamma-coded in full range,
 * Rec. 709 primaries. Pictures are not changed once they are made.
 */
export interface Pixels extends Size {
  readonly data: Uint8ClampedArray
}

/** A part of the picture in whole pixels. */
export interface Region {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

export type Colour = readonly [red: number, green: number, blue: number]

export const BLACK_COLOUR: Colour = [0, 0, 0]

/** A picture of one colour, which may then be drawn into by whoever made it; `into` are bytes that nobody needs any more. */
export function plain(width: number, height: number, colour: Colour = BLACK_COLOUR, into?: Pixels['data']): Pixels {
  const data = into?.length === width * height * 4 ? into : new Uint8ClampedArray(width * height * 4)
  const to = { width, height, data }
  wordsIn(to).fill(wordOf(colour))
  return to
}

const wordOf = ([r, g, b]: Colour): number => ((255 << 24) | (b << 16) | (g << 8) | r) >>> 0
const wordsIn = ({ width, height, data }: Pixels) => new Uint32Array(data.buffer, data.byteOffset, width * height)

/** Fills a rectangle; what lies outside of the picture is left out. Edges are rounded to whole pixels. */
export function rect(to: Pixels, x: number, y: number, w: number, h: number, colour: Colour): void {
  const { width, height } = to
  const [left, right] = [Math.max(0, Math.round(x)), Math.min(width, Math.round(x + w))]
  const [top, bottom] = [Math.max(0, Math.round(y)), Math.min(height, Math.round(y + h))]
  if (right <= left) return
  const [word, words] = [wordOf(colour), wordsIn(to)]
  for (let row = top; row < bottom; row++) words.fill(word, row * width + left, row * width + right)
}

/** Fills an upright ellipse. */
export function oval(to: Pixels, cx: number, cy: number, rx: number, ry: number, colour: Colour): void {
  const { width, height } = to
  const [word, words] = [wordOf(colour), wordsIn(to)]
  for (let y = Math.floor(cy - ry); y <= cy + ry; y++) {
    const part = 1 - ((y + 0.5 - cy) / ry) ** 2
    if (part <= 0 || y < 0 || y >= height) continue
    const half = rx * Math.sqrt(part)
    const [left, right] = [Math.max(0, Math.round(cx - half)), Math.min(width, Math.round(cx + half))]
    if (right > left) words.fill(word, y * width + left, y * width + right)
  }
}

/** The pixel at a place: x to the right, y down, from 0. */
export const at = ({ width, data }: Pixels, x: number, y: number): Colour => {
  const i = (y * width + x) * 4
  return [data[i]!, data[i + 1]!, data[i + 2]!]
}
