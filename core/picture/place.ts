import { type Pixels, plain } from './pixels'

/** For each pixel of a scaled row: the first source pixel that counts, and the weights from it on. */
interface Tap {
  readonly first: number
  readonly weights: Float64Array
}

/** Tent filter of radius max(1, 1/scale) source pixels, normalised; at the edges the outermost sample is repeated. */
function taps(from: number, to: number): Tap[] {
  const scale = to / from
  const radius = Math.max(1, 1 / scale)
  return Array.from({ length: to }, (_, i): Tap => {
    const centre = (i + 0.5) / scale - 0.5
    const first = Math.ceil(centre - radius)
    const last = Math.floor(centre + radius)
    const weights = new Float64Array(last - first + 1)
    let sum = 0
    for (let j = first; j <= last; j++) {
      const w = Math.max(0, 1 - Math.abs(j - centre) / radius)
      weights[j - first] = w
      sum += w
    }
    for (let j = 0; j < weights.length; j++) weights[j]! /= sum
    return { first, weights }
  })
}

/** A picture in another size. Rows first, kept real; rounded half up once. */
export function scaled(from: Pixels, width: number, height: number): Pixels {
  if (width === from.width && height === from.height) return from
  const across = taps(from.width, width)
  const down = taps(from.height, height)
  const rows = new Float64Array(width * from.height * 3)
  for (let y = 0; y < from.height; y++)
    for (let x = 0; x < width; x++) {
      const { first, weights } = across[x]!
      const to = (y * width + x) * 3
      for (let j = 0; j < weights.length; j++) {
        const column = Math.min(from.width - 1, Math.max(0, first + j))
        const at = (y * from.width + column) * 4
        const w = weights[j]!
        rows[to]! += w * from.data[at]!
        rows[to + 1]! += w * from.data[at + 1]!
        rows[to + 2]! += w * from.data[at + 2]!
      }
    }
  const out = plain(width, height)
  for (let y = 0; y < height; y++) {
    const { first, weights } = down[y]!
    for (let x = 0; x < width; x++)
      for (let c = 0; c < 3; c++) {
        let sum = 0
        for (let j = 0; j < weights.length; j++) {
          const row = Math.min(from.height - 1, Math.max(0, first + j))
          sum += weights[j]! * rows[(row * width + x) * 3 + c]!
        }
        out.data[(y * width + x) * 4 + c] = Math.floor(sum + 0.5)
      }
  }
  return out
}

/** A part of a picture, in shares of it. */
export interface Part {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}

const sixteenth = (value: number): number => Math.round(value * 16) / 16

/** A picture laid into a box of another; the box stands to 1/16 pixel, and its edge pixels count by the area covered. */
export function boxed(back: Pixels, inner: Pixels, { x, y, w, h }: Part): Pixels {
  const [left, top] = [sixteenth(x * back.width), sixteenth(y * back.height)]
  const [right, bottom] = [sixteenth((x + w) * back.width), sixteenth((y + h) * back.height)]
  const [firstX, lastX] = [Math.max(0, Math.floor(left)), Math.min(back.width, Math.ceil(right))]
  const [firstY, lastY] = [Math.max(0, Math.floor(top)), Math.min(back.height, Math.ceil(bottom))]
  const data = back.data.slice()
  if (lastX <= firstX || lastY <= firstY) return back
  const fitted = scaled(inner, lastX - firstX, lastY - firstY)
  const cover = (i: number, low: number, high: number) => Math.max(0, Math.min(i + 1, high) - Math.max(i, low))
  for (let row = firstY; row < lastY; row++)
    for (let column = firstX; column < lastX; column++) {
      const a = cover(column, left, right) * cover(row, top, bottom)
      const to = (row * back.width + column) * 4
      const from = ((row - firstY) * fitted.width + column - firstX) * 4
      for (let c = 0; c < 3; c++)
        data[to + c] = Math.floor(a * fitted.data[from + c]! + (1 - a) * back.data[to + c]! + 0.5)
    }
  return { ...back, data }
}

/** A wipe from the left with an edge of one pixel: the share of the new picture at x is clamp((s (1 + w) - d) / w, 0, 1), w one pixel. */
export function wiped(old: Pixels, next: Pixels, share: number): Pixels {
  const { width, height } = old
  const w = 1 / width
  const data = old.data.slice()
  for (let x = 0; x < width; x++) {
    const a = Math.min(1, Math.max(0, (share * (1 + w) - (x + 0.5) / width) / w))
    if (a === 0) continue
    for (let y = 0; y < height; y++) {
      const at = (y * width + x) * 4
      for (let c = 0; c < 3; c++) data[at + c] = Math.floor(a * next.data[at + c]! + (1 - a) * old.data[at + c]! + 0.5)
    }
  }
  return { ...old, data }
}

/**
 * A picture laid over another of its size inside a part of the frame alone: a pixel whose centre lies in it is of the one
 * above, every other of the one below. An ellipse is the largest in that part.
 */
export function masked(under: Pixels, above: Pixels, part: Part, shape: 'rectangle' | 'ellipse' = 'rectangle'): Pixels {
  const { width, height } = under
  const data = under.data.slice()
  const [left, right] = [part.x * width, (part.x + part.w) * width]
  const first = Math.max(0, Math.ceil(part.y * height - 0.5))
  const end = Math.min(height, Math.ceil((part.y + part.h) * height - 0.5))
  for (let y = first; y < end; y++) {
    // Half the width of the ellipse at this row's centre, as a share of the whole half.
    const off = (y + 0.5 - (part.y + part.h / 2) * height) / ((part.h / 2) * height)
    const half = shape === 'ellipse' ? Math.sqrt(Math.max(0, 1 - off * off)) : 1
    const [middle, reach] = [(left + right) / 2, ((right - left) / 2) * half]
    const from = Math.max(0, Math.ceil(middle - reach - 0.5))
    const to = Math.min(width, Math.ceil(middle + reach - 0.5))
    if (to > from) {
      const row = y * width
      data.set(above.data.subarray((row + from) * 4, (row + to) * 4), (row + from) * 4)
    }
  }
  return { ...under, data }
}
