import { collection, listOf, mapOf, number, object, ref, said, whole } from '#core/kernel'

/** A colour and how solid it is, 0 .. 255 each. */
export type InkValue = readonly number[]

/** Words of a graphic in a box, as shares of it. */
export interface WordBox {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
  /** Height of its capital letters, a share of the graphic's height; absent, nothing stands out there. */
  readonly letters?: number
  /** The height of its letters was known when the graphic was made, not measured. */
  readonly exact?: true
  /** Colour of the letters and of what lies behind them, where their contrast is at its 5th percentile. */
  readonly ink?: InkValue
  readonly plate?: InkValue
}

/**
 * A picture that is laid over others, with what was counted on its pixels when it came in: all that its keys are judged
 * on. The file itself is kept by its hash beside the plans.
 */
export interface Graphic {
  readonly title: string
  readonly order: number
  /** SHA-256 of its PNG file, hexadecimal. */
  readonly file: string
  /** Pixels. */
  readonly width: number
  readonly height: number
  /** The file does not say how solid its pixels are. */
  readonly opaque?: true
  /** Some of its colours are brighter than over black they can be: it is certainly not weighted by how solid it is. */
  readonly straight?: true
  /** Median colour of the outermost 2 % of an opaque one, 0 .. 255. */
  readonly ground?: readonly number[]
  /** Of an opaque one what somebody drew around: all in it is meant to be seen, in shares of the graphic. */
  readonly solid?: Readonly<Record<string, Pick<WordBox, 'x' | 'y' | 'w' | 'h'>>>
  /** Pixels by brightness and solidity; absent, nobody counted them. */
  readonly cells?: string
  /** The same inside the words. */
  readonly wordCells?: string
  /** The same two by the brightness of SD, BT.601; absent, nobody counted them so. */
  readonly cells601?: string
  readonly wordCells601?: string
  /** Of an opaque one before an even screen: pixels by colour difference; and those inside the words. */
  readonly hues?: string
  readonly wordHues?: string
  readonly words?: Readonly<Record<string, WordBox>>
  /**
   * The same of parts that masks let through, by left, top, width and height in ten-thousandths of it; absent, nobody
   * counted them.
   */
  readonly parts?: Readonly<Record<string, Pick<Graphic, 'cells' | 'cells601' | 'hues' | 'ground'>>>
}

const colour = (n: number) => listOf(whole(0, 255), n, n)
const CELLS = { type: 'string', pattern: '^[A-Za-z0-9_-]{2,80000}$' }

const BOX = { x: number(0, 1), y: number(0, 1), w: number(0.001, 1), h: number(0.001, 1) }

export const graphics = collection<Graphic>({
  name: 'graphics',
  entry: 'graphic',
  about:
    'Pictures that are laid over others: their file by its hash, their words, and what was counted on their pixels.',
  most: 500,
  schema: object(['title', 'order', 'file', 'width', 'height'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    file: { type: 'string', pattern: '^[0-9a-f]{64}$' },
    width: whole(1, 8192),
    height: whole(1, 8192),
    opaque: said,
    straight: said,
    ground: colour(3),
    solid: mapOf(object(['x', 'y', 'w', 'h'], BOX), 100),
    cells: CELLS,
    wordCells: CELLS,
    cells601: CELLS,
    wordCells601: CELLS,
    hues: CELLS,
    wordHues: CELLS,
    parts: mapOf(object([], { cells: CELLS, cells601: CELLS, hues: CELLS, ground: colour(3) }), 16),
    words: mapOf(
      object(['x', 'y', 'w', 'h'], {
        ...BOX,
        letters: number(0, 1),
        exact: said,
        ink: colour(4),
        plate: colour(4),
      }),
      100,
    ),
  }),
  words: ({ title, width, height }) => `${title}, ${width}x${height}`,
})

/** A photograph of what a source shows at some moment of the show: overlays are judged over it. */
export interface Photograph {
  readonly title: string
  readonly order: number
  /** The source; it may be gone. */
  readonly source: string
  /** SHA-256 of its PNG file, hexadecimal. */
  readonly file: string
  /** How light it is, part by part. */
  readonly light: string
}

export const photographs = collection<Photograph>({
  name: 'photographs',
  entry: 'photograph',
  about: 'Photographs of what sources show: their file by its hash, and how light their parts are.',
  most: 500,
  schema: object(['title', 'order', 'source', 'file', 'light'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    source: ref('slug'),
    file: { type: 'string', pattern: '^[0-9a-f]{64}$' },
    light: { type: 'string', pattern: '^[A-Za-z0-9_-]{2304}$' },
  }),
  words: ({ title }) => title,
})
