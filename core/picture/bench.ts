import type { Cut, FillKind } from '#core/document'
import { type Graphic, sentAs } from './graphic'
import { type Misread, keyed, matteOf, matteTable } from './key'
import type { Way } from './measure'
import { type Pixels, plain } from './pixels'

/** What a graphics computer sends of a graphic, and how the keyer takes it. */
export interface Keying {
  readonly way: Way
  readonly cut: Cut
  /** The fill that is sent beside a key signal; what is keyed by its own brightness lies on black. */
  readonly sends: FillKind
  readonly misread?: Misread
}

/** The picture that comes in as fill. */
export const fillOf = (graphic: Graphic, { way, sends }: Pick<Keying, 'way' | 'sends'>): Pixels =>
  sentAs(graphic, way === 'linear' && sends === 'straight' ? 'straight' : 'on black')

/** The picture whose brightness decides. */
export const cutOf = (graphic: Graphic, way: Way): Pixels => sentAs(graphic, way === 'linear' ? 'key' : 'on black')

/** A graphic over a picture of its size, as the keyer makes it. */
export function laidOver(back: Pixels, graphic: Graphic, keying: Keying): Pixels {
  const { clip, gain, invert, premultiplied } = keying.cut
  return keyed(back, fillOf(graphic, keying), {
    table: matteTable(clip, gain, invert, keying.misread),
    key: cutOf(graphic, keying.way),
    ...(premultiplied ? { premultiplied } : {}),
  })
}

/** How solid each pixel becomes, in greys. */
export const solidityOf = (graphic: Graphic, { way, cut, misread }: Keying): Pixels =>
  matteOf(cutOf(graphic, way), matteTable(cut.clip, cut.gain, cut.invert, misread))

/** Mid grey of the three grounds over which an edge is judged. */
const GREY = 0.4

/**
 * Colour that an edge gains or loses against what is meant, in codes: the mean over soft pixels whose own colour has a
 * channel of 20 codes or more, the channel and ground (black, 40 %, white) where it is worst, with its sign. Undefined
 * where the graphic has no such pixels, or does not say how solid it is.
 */
export function fringe(graphic: Graphic, keying: Keying): number | undefined {
  if (graphic.opaque) return undefined
  const soft: number[] = []
  for (let i = 0; i < graphic.data.length; i += 4) {
    const alpha = graphic.data[i + 3]! / 255
    if (alpha > 0.05 && alpha < 0.95 && Math.max(graphic.data[i]!, graphic.data[i + 1]!, graphic.data[i + 2]!) >= 20)
      soft.push(i)
  }
  if (soft.length === 0) return undefined
  let worst = 0
  for (const ground of [0, GREY, 1].map(share => Math.round(share * 255))) {
    const got = laidOver(plain(graphic.width, graphic.height, [ground, ground, ground]), graphic, keying)
    for (let c = 0; c < 3; c++) {
      let sum = 0
      for (const i of soft) {
        const alpha = graphic.data[i + 3]! / 255
        sum += got.data[i + c]! - (alpha * graphic.data[i + c]! + (1 - alpha) * ground)
      }
      const mean = sum / soft.length
      if (Math.abs(mean) > Math.abs(worst)) worst = mean
    }
  }
  return worst
}

/** Where the graphic is lost: 1 a pixel that is meant to be seen and becomes less than half as solid, else 0. */
export function lostPixels(graphic: Graphic, truth: Uint8Array, keying: Keying): Uint8Array {
  const solid = solidityOf(graphic, keying)
  const found = new Uint8Array(truth.length)
  for (let p = 0; p < found.length; p++) {
    const alpha = truth[p]! / 255
    if (alpha > 0.5 && solid.data[p * 4]! / 255 < alpha / 2) found[p] = 1
  }
  return found
}
