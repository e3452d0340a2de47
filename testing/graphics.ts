import type { GraphicEntry, PhotographEntry } from '../core/document'
import { graphicEntry } from '../core/features/keys/profile'
import { type Graphic, lightOf, lightText } from '../core/picture'

/** A rectangle in whole pixels and its colour; later ones lie over earlier ones and replace them. */
export type Patch = readonly [x: number, y: number, w: number, h: number, colour: readonly number[]]

/** A graphic of rectangles on a ground: with four numbers a colour it says how solid it is, with three it is opaque. */
export function patches(width: number, height: number, ground: readonly number[], list: readonly Patch[]): Graphic {
  const data = new Uint8ClampedArray(width * height * 4)
  const fill = ([x, y, w, h, [r = 0, g = 0, b = 0, a = 255]]: Patch) => {
    for (let row = y; row < y + h; row++)
      for (let column = x; column < x + w; column++) data.set([r, g, b, a], (row * width + column) * 4)
  }
  fill([0, 0, width, height, ground])
  list.forEach(fill)
  return { width, height, data, opaque: ground.length < 4 }
}

export const CLEAR = [0, 0, 0, 0]
const NO_FILE = '0'.repeat(64)

/** The same as a plan keeps it. */
export const kept = (graphic: Graphic, words?: GraphicEntry['words']): GraphicEntry =>
  graphicEntry(graphic, { title: 'Picture', order: 1, file: NO_FILE }, words)

/** A photograph of one grey, as a plan keeps it. */
export const photograph = (title: string, source: string, grey: number): PhotographEntry => ({
  title,
  order: 1,
  source,
  file: NO_FILE,
  light: lightText(lightOf(patches(64, 36, [grey, grey, grey], []))),
})
