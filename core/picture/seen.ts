import type { Cut } from '#core/document'
import type { Layer, Picture, Tile } from '#core/run'
import { chromaKeyed } from './chroma'
import { keyed, matteTable, mixed } from './key'
import { write } from './letters'
import { type Pixels, plain, rect } from './pixels'
import { type Part, boxed, masked, scaled, wiped } from './place'

/** Gives the picture of a source in a size; called once for each that is seen. */
export type Sources = (picture: Extract<Picture, { of: 'source' }>, width: number, height: number) => Pixels

/** A key of which nothing is said: as solid as it is bright. */
const PLAIN: Cut = { clip: 0, gain: 0 }
/** Where a box stands whose place nobody has said. */
const CORNER: Part = { x: 0.68, y: 0.06, w: 0.27, h: 0.27 }

/** A picture drawn, layer by layer, as the chain makes it. Width and height in pixels. */
export function seen(picture: Picture, sources: Sources, width: number, height: number): Pixels {
  if (picture.of === 'source') return sources(picture, width, height)
  if (picture.of === 'mix')
    return (
      picture.layers.reduce<Pixels | undefined>((under, layer) => {
        const { picture: inner, as, share = 1, wipe } = layer
        if (as !== 'key') {
          const next = seen(inner, sources, width, height)
          if (share === 1) return next
          const old = under ?? plain(width, height)
          return wipe ? wiped(old, next, share) : mixed(old, next, share)
        }
        const back = under ?? plain(width, height)
        if (inner.of === 'none' || share === 0) return back
        const laid = laidOver(back, layer, sources)
        return layer.mask ? masked(back, laid, layer.mask) : laid
      }, undefined) ?? plain(width, height)
    )
  if (picture.of === 'tiles') return tiled(picture.tiles, sources, width, height)
  if (picture.of === 'none')
    return picture.lost === 'colour' ? plain(width, height, [24, 40, 96]) : noSignal(width, height)
  if (picture.of === 'held') {
    const still: Sources = (source, ...size) => sources({ ...source, atS: picture.sinceS }, ...size)
    return seen(picture.picture, still, width, height)
  }
  return plain(width, height)
}

/** One key over what lies below it. */
function laidOver(back: Pixels, layer: Layer, sources: Sources): Pixels {
  const { picture, kind, box, shape, key, share = 1, cut = PLAIN, screen } = layer
  const { width, height } = back
  if (kind === 'box') {
    const part = box ?? CORNER
    const w = Math.max(1, Math.round(part.w * width))
    const h = Math.max(1, Math.round(part.h * height))
    const laid = boxed(back, seen(picture, sources, w, h), part)
    return share === 1 ? laid : mixed(back, laid, share)
  }
  // A shape cuts its part out of the whole picture, as large as that is.
  if (kind === 'pattern') {
    const laid = masked(back, seen(picture, sources, width, height), box ?? CORNER, shape)
    return share === 1 ? laid : mixed(back, laid, share)
  }
  const fill = placed(seen(asCaption(picture), sources, width, height), box)
  if (screen) {
    const laid = chromaKeyed(back, fill, screen, share)
    return box ? masked(back, laid, box) : laid
  }
  const laid = keyed(
    back,
    fill,
    {
      table: matteTable(cut.clip, cut.gain, cut.invert),
      ...(kind === 'linear' && key ? { key: placed(seen(asCaption(key), sources, width, height), box) } : {}),
      ...(cut.premultiplied ? { premultiplied: true } : {}),
    },
    share,
  )
  // Beside its box there is no key, also where it is turned round.
  return box && cut.invert ? masked(back, laid, box) : laid
}

/** What is made to be keyed is drawn as that, where nobody has said what the source shows. */
const asCaption = (picture: Picture): Picture =>
  picture.of === 'source' && picture.content === undefined ? { ...picture, content: 'caption' } : picture

/** The fill cropped to its box: what lies outside is black, and cut out by nothing. */
function placed(fill: Pixels, box: Part | undefined): Pixels {
  if (!box) return fill
  const to = plain(fill.width, fill.height)
  return boxed(
    to,
    scaled(fill, Math.max(1, Math.round(box.w * fill.width)), Math.max(1, Math.round(box.h * fill.height))),
    box,
  )
}

/** Nothing comes: dark, with stripes, so that it is told from black on purpose. */
function noSignal(width: number, height: number): Pixels {
  const to = plain(width, height, [22, 23, 28])
  const step = Math.max(6, Math.round(width / 20))
  for (let y = 0; y < height; y++)
    for (let x = -((y + step) % step) - step; x < width; x += step)
      rect(to, x, y, Math.max(1, step / 4), 1, [52, 54, 62])
  return to
}

/** Buses large above, inputs small below; of inputs alone a plain grid. */
function tiled(tiles: readonly Tile[], sources: Sources, width: number, height: number): Pixels {
  const to = plain(width, height, [12, 13, 16])
  const buses = tiles.filter(({ port }) => port === 'preview' || port === 'program')
  const inputs = tiles.filter(tile => !buses.includes(tile))
  const columns = Math.ceil(Math.sqrt(inputs.length)) || 1
  const above = buses.length ? 0.5 : 0
  const across = buses.length ? Math.max(columns, Math.ceil(inputs.length / 2)) : columns
  const cells = [
    ...buses.map((tile, i) => ({ tile, part: { x: i * 0.5, y: 0, w: 0.5, h: above } })),
    ...inputs.map((tile, i) => {
      const rows = Math.ceil(inputs.length / across)
      const h = (1 - above) / rows
      return { tile, part: { x: (i % across) / across, y: above + Math.floor(i / across) * h, w: 1 / across, h } }
    }),
  ]
  let now: Pixels = to
  for (const { tile, part } of cells) {
    // Each tile keeps the shape of its picture.
    const w = Math.min(part.w, part.h)
    const inner = { x: part.x + (part.w - w * 0.96) / 2, y: part.y + (part.h - w * 0.96) / 2, w: w * 0.96, h: w * 0.96 }
    const size = [Math.max(1, Math.round(inner.w * width)), Math.max(1, Math.round(inner.h * height))] as const
    now = boxed(now, seen(tile.picture, sources, ...size), inner)
    const letters = Math.max(7, height * 0.035 * (part.w > 0.4 ? 1.2 : 1))
    if (letters * 1.2 < part.h * height * 0.4)
      write(
        now,
        tile.label,
        (part.x + part.w * 0.05) * width,
        (part.y + part.h * 0.08) * height,
        letters,
        [255, 246, 224],
      )
  }
  return now
}
