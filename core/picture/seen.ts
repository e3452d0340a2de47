import type { Cut } from '#core/document'
import type { Layer, Picture, Tile } from '#core/run'
import { type Chroma, chromaKeyed } from './chroma'
import { room } from './fast'
import { type Matte, keyed, matteTable, mixed } from './key'
import { write } from './letters'
import { BLACK_COLOUR, type Colour, type Pixels, type Size, plain, rect } from './pixels'
import { type Laid, type Part, boxed, masked, onItsWay, sizeIn, wiped } from './place'

/** Gives the picture of a source in a size; called once for each that is seen. */
export type Sources = (picture: Extract<Picture, { of: 'source' }>, width: number, height: number) => Pixels

/**
 * What a picture is drawn with: each step takes pictures of one size and makes a new one of it, by the formulas of this
 * room. P is how a picture is held.
 */
export interface Easel<P extends Size> {
  /** In which it holds each colour; 8 where nothing is said. */
  readonly bits?: number
  /** A picture that was drawn by others. */
  shown(pixels: Pixels): P
  plain(width: number, height: number, colour?: Colour): P
  /** Share of the new one, 0 .. 1. */
  mixed(old: P, next: P, share: number): P
  wiped(old: P, next: P, share: number, soft?: number): P
  masked(under: P, above: P, part: Part, shape?: 'rectangle' | 'ellipse'): P
  /** An inner picture of any size, laid into a part; several at once are laid in their order. `mine`: nobody else needs the one below. */
  boxed(back: P, inner: readonly Laid<P>[], mine?: boolean): P
  keyed(back: P, fill: P, matte: Matte<P>, share: number): P
  chromaKeyed(back: P, fill: P, chroma: Chroma, share: number): P
  /** What `draw` draws into one that nobody else needs, with whole colours; the same for the same `key`. */
  lettered(under: P, key: string, draw: (to: Pixels) => void): P
}

/** Pictures as plain data, made by the kernels. */
const BY_HAND: Easel<Pixels> = {
  shown: pixels => pixels,
  plain: (width, height, colour = BLACK_COLOUR) => plain(width, height, colour, room(width * height * 4)),
  mixed,
  wiped,
  masked,
  boxed,
  keyed,
  chromaKeyed,
  lettered: (under, _key, draw) => {
    draw(under)
    return under
  },
}

/** A key of which nothing is said: as solid as it is bright. */
const PLAIN: Cut = { clip: 0, gain: 0 }
/** Where a box stands whose place nobody has said. */
const CORNER: Part = { x: 0.68, y: 0.06, w: 0.27, h: 0.27 }

/** A picture drawn, layer by layer, as the chain makes it. Width and height in pixels. */
export const seen = (picture: Picture, sources: Sources, width: number, height: number): Pixels =>
  new Drawing(BY_HAND, sources).seen(picture, width, height)

/** The same with another easel. */
export const seenWith = <P extends Size>(
  easel: Easel<P>,
  picture: Picture,
  sources: Sources,
  width: number,
  height: number,
): P => new Drawing(easel, sources).seen(picture, width, height)

class Drawing<P extends Size> {
  constructor(
    private readonly easel: Easel<P>,
    private readonly sources: Sources,
  ) {}

  seen(picture: Picture, width: number, height: number): P {
    const { easel } = this
    if (picture.of === 'source') {
      const shown = this.sources(picture, width, height)
      return easel.shown(picture.comes ? onItsWay(shown, picture.comes) : shown)
    }
    if (picture.of === 'mix')
      return (
        picture.layers.reduce<P | undefined>((under, layer) => this.over(under, layer, width, height), undefined) ??
        easel.plain(width, height)
      )
    if (picture.of === 'tiles') return this.tiled(picture.tiles, width, height)
    if (picture.of === 'none')
      return picture.lost === 'colour' ? easel.plain(width, height, [24, 40, 96]) : this.noSignal(width, height)
    if (picture.of === 'held') {
      const still: Sources = (source, ...size) => this.sources({ ...source, atS: picture.sinceS }, ...size)
      return new Drawing(easel, still).seen(picture.picture, width, height)
    }
    return easel.plain(width, height)
  }

  private over(under: P | undefined, layer: Layer, width: number, height: number): P {
    const { easel } = this
    const { picture, as, share = 1, wipe, soft } = layer
    if (as !== 'key') {
      const next = this.seen(picture, width, height)
      if (share === 1) return next
      const old = under ?? easel.plain(width, height)
      return wipe ? easel.wiped(old, next, share, soft) : easel.mixed(old, next, share)
    }
    const back = under ?? easel.plain(width, height)
    if (picture.of === 'none' || share === 0) return back
    const laid = this.laidOver(back, layer)
    return layer.mask ? easel.masked(back, laid, layer.mask) : laid
  }

  /** One key over what lies below it. */
  private laidOver(back: P, layer: Layer): P {
    const { easel } = this
    const { picture, kind, box, shape, key, share = 1, cut = PLAIN, screen, weights } = layer
    const { width, height } = back
    if (kind === 'box') {
      const part = box ?? CORNER
      const laid = easel.boxed(back, [{ picture: this.seen(picture, ...sizeIn(back, part)), part }])
      return share === 1 ? laid : easel.mixed(back, laid, share)
    }
    // A shape cuts its part out of the whole picture, as large as that is.
    if (kind === 'pattern') {
      const laid = easel.masked(back, this.seen(picture, width, height), box ?? CORNER, shape)
      return share === 1 ? laid : easel.mixed(back, laid, share)
    }
    const fill = this.placed(picture, back, box)
    if (screen) {
      const laid = easel.chromaKeyed(back, fill, screen, share)
      return box ? easel.masked(back, laid, box) : laid
    }
    const laid = easel.keyed(
      back,
      fill,
      {
        table: matteTable(cut.clip, cut.gain, cut.invert, undefined, easel.bits),
        ...(kind === 'linear' && key ? { key: this.placed(key, back, box) } : {}),
        ...(cut.premultiplied ? { premultiplied: true } : {}),
        ...(weights ? { weights } : {}),
      },
      share,
    )
    // Beside its box there is no key, also where it is turned round.
    return box && cut.invert ? easel.masked(back, laid, box) : laid
  }

  /** What is laid over, cropped to its box: what lies outside is black, and cut out by nothing. */
  private placed(picture: Picture, { width, height }: Size, box: Part | undefined): P {
    const whole = this.seen(asCaption(picture), width, height)
    return box ? this.easel.boxed(this.easel.plain(width, height), [{ picture: whole, part: box }], true) : whole
  }

  /** Nothing comes: dark, with stripes, so that it is told from black on purpose. */
  private noSignal(width: number, height: number): P {
    const step = Math.max(6, Math.round(width / 20))
    return this.easel.lettered(this.easel.plain(width, height, [22, 23, 28]), 'none', to => {
      for (let y = 0; y < height; y++)
        for (let x = -((y + step) % step) - step; x < width; x += step)
          rect(to, x, y, Math.max(1, step / 4), 1, [52, 54, 62])
    })
  }

  /** Buses large above, inputs small below; of inputs alone a plain grid. */
  private tiled(tiles: readonly Tile[], width: number, height: number): P {
    const to = this.easel.plain(width, height, [12, 13, 16])
    const cells = cellsOf(tiles)
    const laid = this.easel.boxed(
      to,
      cells.map(({ tile, part }) => {
        // Each tile keeps the shape of its picture.
        const w = Math.min(part.w, part.h) * 0.96
        const inner = { x: part.x + (part.w - w) / 2, y: part.y + (part.h - w) / 2, w, h: w }
        return { picture: this.seen(tile.picture, ...sizeIn(to, inner)), part: inner }
      }),
      true,
    )
    return this.easel.lettered(laid, JSON.stringify(tiles.map(({ port, label }) => [port, label])), sheet => {
      for (const { tile, part } of cells) {
        const letters = Math.max(7, height * 0.035 * (part.w > 0.4 ? 1.2 : 1))
        const [x, y] = [(part.x + part.w * 0.05) * width, (part.y + part.h * 0.08) * height]
        if (letters * 1.2 < part.h * height * 0.4) write(sheet, tile.label, x, y, letters, [255, 246, 224])
      }
    })
  }
}

/** What is made to be keyed is drawn as that, where nobody has said what the source shows. */
const asCaption = (picture: Picture): Picture =>
  picture.of === 'source' && picture.content === undefined ? { ...picture, content: 'caption' } : picture

/** Where each tile stands. */
function cellsOf(tiles: readonly Tile[]): { readonly tile: Tile; readonly part: Part }[] {
  const buses = tiles.filter(({ port }) => port === 'preview' || port === 'program')
  const inputs = tiles.filter(tile => !buses.includes(tile))
  const columns = Math.ceil(Math.sqrt(inputs.length)) || 1
  const above = buses.length ? 0.5 : 0
  const across = buses.length ? Math.max(columns, Math.ceil(inputs.length / 2)) : columns
  const h = (1 - above) / Math.ceil(inputs.length / across)
  return [
    ...buses.map((tile, i) => ({ tile, part: { x: i * 0.5, y: 0, w: 0.5, h: above } })),
    ...inputs.map((tile, i) => ({
      tile,
      part: { x: (i % across) / across, y: above + Math.floor(i / across) * h, w: 1 / across, h },
    })),
  ]
}
