import { type Taps, copied, scaleBytes, wipeBytes } from './fast'
import { mixSteps } from './key'
import { type Pixels, type Size, plain } from './pixels'

/** Tent filter of radius max(1, 1/scale) source pixels, normalised; at the edges the outermost sample is repeated. */
function taps(from: number, to: number): Taps {
  const scale = to / from
  const radius = Math.max(1, 1 / scale)
  const each = Math.floor(2 * radius) + 1
  const first = new Int32Array(to)
  const weights = new Float32Array(to * each)
  for (let i = 0; i < to; i++) {
    const centre = (i + 0.5) / scale - 0.5
    first[i] = Math.ceil(centre - radius)
    const mine = Array.from({ length: each }, (_, j) => Math.max(0, 1 - Math.abs(first[i]! + j - centre) / radius))
    const sum = mine.reduce((all, w) => all + w, 0)
    mine.forEach((w, j) => {
      weights[i * each + j] = w / sum
    })
  }
  return { first, weights, each }
}

const KNOWN = new Map<string, Taps>()
const MOST_KNOWN = 64

function tapsOf(from: number, to: number): Taps {
  const key = `${from} ${to}`
  const known = KNOWN.get(key) ?? taps(from, to)
  if (KNOWN.size >= MOST_KNOWN) KNOWN.delete(KNOWN.keys().next().value!)
  KNOWN.set(key, known)
  return known
}

/** A picture in another size. Rows first, kept real; rounded half up once. */
export const scaled = (from: Pixels, width: number, height: number): Pixels =>
  width === from.width && height === from.height
    ? from
    : {
        width,
        height,
        data: scaleBytes(from.data, [from.width, from.height], tapsOf(from.width, width), tapsOf(from.height, height)),
      }

/** A part of a picture, in shares of it. */
export interface Part {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}

/** A picture on its way from beyond an edge of the frame, where it is at 0, to its place, at 1; what it leaves free is black. */
export function onItsWay(
  picture: Pixels,
  { from, share }: { readonly from: 'left' | 'right' | 'above' | 'below'; readonly share: number },
): Pixels {
  const { width, height } = picture
  // It slows down as it comes to its place.
  const off = (1 - share) ** 2
  const [dx, dy] = [Math.round(off * width), Math.round(off * height)]
  const to = plain(width, height)
  const x = from === 'left' ? -dx : from === 'right' ? dx : 0
  const y = from === 'above' ? -dy : from === 'below' ? dy : 0
  for (let row = Math.max(0, y); row < Math.min(height, height + y); row++) {
    const [line, source] = [row * width, (row - y) * width]
    const [first, last] = [Math.max(0, x), Math.min(width, width + x)]
    to.data.set(picture.data.subarray((source + first - x) * 4, (source + last - x) * 4), (line + first) * 4)
  }
  return to
}

const sixteenth = (value: number): number => Math.round(value * 16) / 16

/** The pixels that a box touches, and its edges to 1/16 pixel. */
export function touched({ width, height }: Size, { x, y, w, h }: Part) {
  const [left, top] = [sixteenth(x * width), sixteenth(y * height)]
  const [right, bottom] = [sixteenth((x + w) * width), sixteenth((y + h) * height)]
  const [firstX, lastX] = [Math.max(0, Math.floor(left)), Math.min(width, Math.ceil(right))]
  const [firstY, lastY] = [Math.max(0, Math.floor(top)), Math.min(height, Math.ceil(bottom))]
  return { left, top, right, bottom, firstX, lastX, firstY, lastY }
}

/** Width and height in pixels of what is laid into a box without being scaled. */
export function sizeIn(back: Size, part: Part): readonly [number, number] {
  const { firstX, lastX, firstY, lastY } = touched(back, part)
  return [Math.max(1, lastX - firstX), Math.max(1, lastY - firstY)]
}

/** What is laid into a part of another picture. */
export interface Laid<P> {
  readonly picture: P
  readonly part: Part
}

/**
 * Pictures laid into boxes of another, in their order; a box stands to 1/16 pixel, and its edge pixels count by the area
 * covered. `mine`: nobody else needs the one below, and it is drawn into.
 */
export function boxed(back: Pixels, inner: readonly Laid<Pixels>[], mine = false): Pixels {
  const to = mine ? back : { ...back, data: copied(back.data) }
  for (const one of inner) layInto(to, one)
  return to
}

function layInto(back: Pixels, { picture, part }: Laid<Pixels>): void {
  const { left, top, right, bottom, firstX, lastX, firstY, lastY } = touched(back, part)
  if (lastX <= firstX || lastY <= firstY) return
  const fitted = scaled(picture, lastX - firstX, lastY - firstY)
  const { data } = back
  const cover = (i: number, low: number, high: number) => Math.max(0, Math.min(i + 1, high) - Math.max(i, low))
  for (let row = firstY; row < lastY; row++) {
    const share = cover(row, top, bottom)
    const line = (row - firstY) * fitted.width
    const blend = (column: number) => {
      const a = cover(column, left, right) * share
      const to = (row * back.width + column) * 4
      const from = (line + column - firstX) * 4
      for (let c = 0; c < 3; c++)
        data[to + c] = Math.floor(a * fitted.data[from + c]! + (1 - a) * back.data[to + c]! + 0.5)
    }
    // Between its edges the picture is there whole.
    const [from, to] = share === 1 ? [Math.max(firstX, Math.ceil(left)), Math.min(lastX, Math.floor(right))] : [0, 0]
    if (to > from)
      data.set(
        fitted.data.subarray((line + from - firstX) * 4, (line + to - firstX) * 4),
        (row * back.width + from) * 4,
      )
    for (let column = firstX; column < lastX; column++)
      if (to > from && column === from) column = to - 1
      else blend(column)
  }
}

/**
 * A wipe from the left: the share of the new picture at d, 0 .. 1 of the width, is clamp((s (1 + w) - d) / w, 0, 1). Its
 * edge w is as wide as is asked, a share of the width, and never narrower than a pixel.
 */
export function wiped(old: Pixels, next: Pixels, share: number, soft = 0): Pixels {
  const { width } = old
  const w = Math.max(soft, 1 / width)
  const shares = Uint16Array.from({ length: width }, (_, x) =>
    mixSteps(Math.min(1, Math.max(0, (share * (1 + w) - (x + 0.5) / width) / w))),
  )
  return { ...old, data: wipeBytes(old.data, next.data, shares) }
}

/**
 * The stretch of each row of a picture (from, to, in pixels; equal where there is none) whose pixel centres lie in a part of
 * it. An ellipse is the largest in that part.
 */
export function spansOf({ width, height }: Size, part: Part, shape: 'rectangle' | 'ellipse' = 'rectangle'): Int32Array {
  const spans = new Int32Array(height * 2)
  const [left, right] = [part.x * width, (part.x + part.w) * width]
  const first = Math.max(0, Math.ceil(part.y * height - 0.5))
  const end = Math.min(height, Math.ceil((part.y + part.h) * height - 0.5))
  for (let y = first; y < end; y++) {
    // Half the width of the ellipse at this row's centre, as a share of the whole half.
    const off = (y + 0.5 - (part.y + part.h / 2) * height) / ((part.h / 2) * height)
    const half = shape === 'ellipse' ? Math.sqrt(Math.max(0, 1 - off * off)) : 1
    const [middle, reach] = [(left + right) / 2, ((right - left) / 2) * half]
    const from = Math.max(0, Math.ceil(middle - reach - 0.5))
    spans.set([from, Math.max(from, Math.min(width, Math.ceil(middle + reach - 0.5)))], y * 2)
  }
  return spans
}

/** A picture laid over another of its size inside a part of the frame alone; every other pixel is of the one below. */
export function masked(under: Pixels, above: Pixels, part: Part, shape?: 'rectangle' | 'ellipse'): Pixels {
  const data = copied(under.data)
  const spans = spansOf(under, part, shape)
  for (let y = 0; y < under.height; y++) {
    const [from, to] = [spans[y * 2]!, spans[y * 2 + 1]!].map(x => (y * under.width + x) * 4)
    data.set(above.data.subarray(from, to), from)
  }
  return { ...under, data }
}
