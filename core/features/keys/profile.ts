import type { GraphicEntry, WordBox } from '#core/document'
import { type Graphic, type Region, cellsOf, cellsText, huesOf, lettering, meant, straightPixels } from '#core/picture'

/** A box in shares as whole pixels of a graphic. */
export const regionOf = (
  { width, height }: Pick<Graphic, 'width' | 'height'>,
  { x, y, w, h }: Pick<WordBox, 'x' | 'y' | 'w' | 'h'>,
): Region => ({
  left: Math.round(x * width),
  top: Math.round(y * height),
  right: Math.round((x + w) * width),
  bottom: Math.round((y + h) * height),
})

/** What is found of the words in a box; a height of letters that is known stays. */
export function wordFound(graphic: Graphic, { x, y, w, h, letters, exact }: WordBox): WordBox {
  const found = lettering(graphic, regionOf(graphic, { x, y, w, h }))
  const known = exact && letters !== undefined
  return {
    x,
    y,
    w,
    h,
    ...(known ? { letters, exact } : found ? { letters: Number((found.height / graphic.height).toFixed(6)) } : {}),
    ...(found ? { ink: found.ink, plate: found.plate } : {}),
  }
}

/** An opaque graphic with what somebody drew around: all in it is meant to be seen. Others say so themselves. */
export const withSolid = (graphic: Graphic, solid: GraphicEntry['solid'] = {}): Graphic =>
  graphic.opaque && Object.keys(solid).length
    ? { ...graphic, sure: Object.values(solid).map(box => regionOf(graphic, box)) }
    : graphic

/** What the plan keeps of a graphic: its file's hash, and all that was counted on its pixels. */
export function graphicEntry(
  picture: Graphic,
  { title, order, file }: Pick<GraphicEntry, 'title' | 'order' | 'file'>,
  words: GraphicEntry['words'] = {},
  solid: GraphicEntry['solid'] = {},
): GraphicEntry {
  const graphic = withSolid(picture, solid)
  const found = Object.fromEntries(Object.entries(words).map(([id, box]) => [id, wordFound(graphic, box)]))
  const regions = Object.values(found).map(box => regionOf(graphic, box))
  const hues = huesOf(graphic)
  return {
    title,
    order,
    file,
    width: graphic.width,
    height: graphic.height,
    ...(graphic.opaque ? { opaque: true, ground: meant(graphic).ground } : {}),
    ...(graphic.sure ? { solid } : {}),
    ...(straightPixels(graphic) > 0 ? { straight: true } : {}),
    cells: cellsText(cellsOf(graphic)),
    cells601: cellsText(cellsOf(graphic, undefined, 601)),
    ...(hues ? { hues: cellsText(hues) } : {}),
    ...(regions.length
      ? {
          wordCells: cellsText(cellsOf(graphic, regions)),
          wordCells601: cellsText(cellsOf(graphic, regions, 601)),
          words: found,
        }
      : {}),
    ...(hues && regions.length ? { wordHues: cellsText(huesOf(graphic, regions)!) } : {}),
  }
}
