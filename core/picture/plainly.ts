import { type Chroma, chromaNumbers } from './chroma'
import { LUMA, type Matte } from './key'
import { BLACK_COLOUR, type Colour, type Pixels, type Size } from './pixels'
import { type Laid, type Part, spansOf, touched } from './place'
import type { Easel } from './seen'

/** Bits in which a bus holds each colour. */
export type Bits = 8 | 10

/** A picture of whole values from 0 to 2^bits - 1, three a pixel (red, green, blue), rows from the top; full range, gamma-coded. */
export interface Held extends Size {
  readonly values: Uint16Array
}

const clamp = (x: number, low: number, high: number): number => Math.min(high, Math.max(low, x))
const halfUp = (x: number): number => Math.floor(x + 0.5)

/**
 * Draws with the formulas as the reference has them: worked out for each pixel in real numbers, rounded half up once at the
 * output of each keyer, mixer and scaler, to the bits of its bus. Slow, and what every faster way is held to.
 */
export class Plainly implements Easel<Held> {
  /** What white is. */
  private readonly most: number

  constructor(readonly bits: Bits) {
    this.most = 2 ** bits - 1
  }

  shown({ width, height, data }: Pixels): Held {
    return this.each({ width, height }, (p, c) => (data[p * 4 + c]! * this.most) / 255)
  }

  plain(width: number, height: number, colour: Colour = BLACK_COLOUR): Held {
    return this.each({ width, height }, (_, c) => (colour[c]! * this.most) / 255)
  }

  mixed(old: Held, next: Held, share: number): Held {
    return this.each(old, (p, c) => share * next.values[p * 3 + c]! + (1 - share) * old.values[p * 3 + c]!)
  }

  wiped(old: Held, next: Held, share: number, soft = 0): Held {
    const w = Math.max(soft, 1 / old.width)
    return this.each(old, (p, c) => {
      const d = ((p % old.width) + 0.5) / old.width
      const a = clamp((share * (1 + w) - d) / w, 0, 1)
      return a * next.values[p * 3 + c]! + (1 - a) * old.values[p * 3 + c]!
    })
  }

  masked(under: Held, above: Held, part: Part, shape?: 'rectangle' | 'ellipse'): Held {
    const spans = spansOf(under, part, shape)
    return this.each(under, (p, c) => {
      const [x, y] = [p % under.width, Math.floor(p / under.width)]
      return (x >= spans[y * 2]! && x < spans[y * 2 + 1]! ? above : under).values[p * 3 + c]!
    })
  }

  boxed(back: Held, inner: readonly Laid<Held>[]): Held {
    return inner.reduce((under, { picture, part }) => {
      const { left, top, right, bottom, firstX, lastX, firstY, lastY } = touched(under, part)
      if (lastX <= firstX || lastY <= firstY) return under
      const fitted = this.scaled(picture, lastX - firstX, lastY - firstY)
      const cover = (i: number, low: number, high: number) => Math.max(0, Math.min(i + 1, high) - Math.max(i, low))
      return this.each(under, (p, c) => {
        const [x, y] = [p % under.width, Math.floor(p / under.width)]
        const a = cover(x, left, right) * cover(y, top, bottom)
        if (a === 0) return under.values[p * 3 + c]!
        const at = (y - firstY) * fitted.width + x - firstX
        return a * fitted.values[at * 3 + c]! + (1 - a) * under.values[p * 3 + c]!
      })
    }, back)
  }

  keyed(back: Held, fill: Held, { table, key = fill, weights = 709, premultiplied }: Matte<Held>, share: number): Held {
    return this.each(back, (p, c) => {
      const a = share * table[this.luma(key, p, weights)]!
      return (premultiplied ? share : a) * fill.values[p * 3 + c]! + (1 - a) * back.values[p * 3 + c]!
    })
  }

  chromaKeyed(back: Held, fill: Held, chroma: Chroma, share: number): Held {
    const [kb, kr, tolerance, edge, spill] = chromaNumbers(chroma)
    const paired = this.inPairs(fill)
    const made = new Float64Array(paired.values.length)
    for (let i = 0; i < made.length; i += 3) {
      const [y, cb, cr] = this.differences(paired, i)
      const shine = cb * kb + cr * kr - Math.abs(cb * kr - cr * kb)
      const a = share * (1 - clamp((shine - tolerance) / edge, 0, 1))
      const less = spill * Math.max(0, shine)
      this.colourOf(y, cb - less * kb, cr - less * kr).forEach((value, c) => {
        made[i + c] = a * clamp(value, 0, 1) * this.most + (1 - a) * back.values[i + c]!
      })
    }
    return this.each(back, (p, c) => made[p * 3 + c]!)
  }

  lettered(under: Held, _key: string, draw: (to: Pixels) => void): Held {
    const { width, height } = under
    const sheet: Pixels = { width, height, data: new Uint8ClampedArray(width * height * 4) }
    draw(sheet)
    return this.each(under, (p, c) =>
      sheet.data[p * 4 + 3] ? (sheet.data[p * 4 + c]! * this.most) / 255 : under.values[p * 3 + c]!,
    )
  }

  /** In 8 bit, for who shows it. */
  pixels({ width, height, values }: Held): Pixels {
    const data = new Uint8ClampedArray(width * height * 4).fill(255)
    for (let p = 0; p < width * height; p++)
      for (let c = 0; c < 3; c++) data[p * 4 + c] = halfUp((values[p * 3 + c]! * 255) / this.most)
    return { width, height, data }
  }

  private each({ width, height }: Size, value: (pixel: number, channel: number) => number): Held {
    const values = new Uint16Array(width * height * 3)
    for (let i = 0; i < values.length; i++) values[i] = clamp(halfUp(value(Math.floor(i / 3), i % 3)), 0, this.most)
    return { width, height, values }
  }

  /** A code of the bus, of weights that are 1/65536 each. */
  private luma({ values }: Held, p: number, weights: keyof typeof LUMA): number {
    const [red, green, blue] = LUMA[weights]
    return halfUp((red * values[p * 3]! + green * values[p * 3 + 1]! + blue * values[p * 3 + 2]!) / 65_536)
  }

  /** Y' and the colour differences of BT.709, of 1. */
  private differences({ values }: Held, i: number): readonly [y: number, cb: number, cr: number] {
    const [r, g, b] = [values[i]! / this.most, values[i + 1]! / this.most, values[i + 2]! / this.most]
    const y = 0.2126 * r + 0.7152 * g + 0.0722 * b
    return [y, (b - y) / 1.8556, (r - y) / 1.5748]
  }

  private colourOf(y: number, cb: number, cr: number): readonly [number, number, number] {
    const [r, b] = [y + 1.5748 * cr, y + 1.8556 * cb]
    return [r, (y - 0.2126 * r - 0.0722 * b) / 0.7152, b]
  }

  /** Two neighbours of a row with the mean of their colour differences, each with its own brightness; worked out in 1/256 of a code. */
  private inPairs(of: Held): Held {
    const { width, values } = of
    const [red, green, blue] = LUMA[709]
    const made = new Float64Array(values.length)
    for (let i = 0; i < made.length; i += 3) {
      const x = (i / 3) % width
      const beside = (x ^ 1) < width ? i + ((x ^ 1) - x) * 3 : i
      const y = (at: number) => (red * values[at]! + green * values[at + 1]! + blue * values[at + 2]!) / 65_536
      // Half of what the neighbour's difference has more.
      const more = (c: number) => Math.floor(128 * (values[beside + c]! - y(beside) - values[i + c]! + y(i)))
      const [dr, db] = [more(0), more(2)]
      const dg = -Math.floor(
        (Math.round((65_536 * red) / green) * dr + Math.round((65_536 * blue) / green) * db) / 65_536,
      )
      ;[dr, dg, db].forEach((part, c) => (made[i + c] = values[i + c]! + part / 256))
    }
    return this.each(of, (p, c) => made[p * 3 + c]!)
  }

  /** Tent of radius max(1, 1/scale) source pixels, normalised, the edge sample repeated. */
  private scaled(from: Held, width: number, height: number): Held {
    if (width === from.width && height === from.height) return from
    const across = Array.from({ length: width }, (_, x) => tent(x, from.width, width))
    const down = Array.from({ length: height }, (_, y) => tent(y, from.height, height))
    return this.each({ width, height }, (p, c) => {
      let sum = 0
      for (const [y, more] of down[Math.floor(p / width)]!)
        for (const [x, weight] of across[p % width]!) sum += more * weight * from.values[(y * from.width + x) * 3 + c]!
      return sum
    })
  }
}

/** Source samples and their weights for one sample of a row or column that is scaled. */
function tent(at: number, size: number, to: number): (readonly [sample: number, weight: number])[] {
  const scale = to / size
  const centre = (at + 0.5) / scale - 0.5
  const radius = Math.max(1, 1 / scale)
  const near: [number, number][] = []
  for (let j = Math.ceil(centre - radius); j <= centre + radius; j++)
    near.push([clamp(j, 0, size - 1), 1 - Math.abs(j - centre) / radius])
  const sum = near.reduce((all, [, weight]) => all + weight, 0)
  return near.map(([j, weight]) => [j, weight / sum] as const)
}
