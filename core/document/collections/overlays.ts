import { KEY_KINDS, type KeyKind } from '#core/catalog'
import { collection, listOf, number, object, oneOf, ref, said, whole } from '#core/kernel'
import { misfit, own, show } from '../problem'

/** Something that is laid over a picture, and how it is cut out. */
export interface Overlay {
  readonly title: string
  readonly order: number
  readonly kind: KeyKind
  /** The source whose picture is laid over; it may be gone. */
  readonly fill: string
  /** The output of that source by which it comes; absent, the first that is led there. */
  readonly output?: string
  /** The source of the key signal of a linear key; absent, the fill's own second output. */
  readonly key?: string
  /** The display on whose screen its marks are drawn by pen; absent, nobody draws. It may be gone. */
  readonly drawnOn?: string
  /** Where it lies, in shares of the picture; absent, over all of it. */
  readonly box?: Box
  /** The edge of the picture from which its graphic moves to its place, and back; absent, it does not move. */
  readonly comesFrom?: (typeof EDGES)[number]
  /** Cameras under it are framed so that its place stays free. */
  readonly keepsFree?: true
  /** What a mask lets through of it, in shares of the picture; absent, all. */
  readonly mask?: Box
  /** Of a key by shape: which; absent, a rectangle. */
  readonly shape?: (typeof SHAPES)[number]
  /** The switcher over whose pictures it lies; absent, over everything: at the last one. */
  readonly over?: string
  /** The segments in which it is used; absent, all. */
  readonly segments?: readonly string[]
  /** What is shown: one of the plan's graphics; it may be gone. */
  readonly graphic?: string
  /** The other pictures of a set that come by the same key, one after the other; they may be gone. */
  readonly slides?: readonly string[]
  /** How the keyer is set, 0 .. 1, black-referenced: clear up to the clip, solid from clip + (1 - gain). */
  readonly clip?: number
  readonly gain?: number
  readonly invert?: true
  /** The keyer adds the fill instead of weighting it. */
  readonly premultiplied?: true
  /** What the source sends beside a key signal; absent, what the graphic's colours show. */
  readonly sends?: FillKind
  /** Of a key by colour: the screen, how far from it nothing is cut, its soft edge, and how much of its shine is taken. */
  readonly screen?: readonly number[]
  readonly tolerance?: number
  readonly edge?: number
  readonly spill?: number
}

/** Edges of a picture. */
export const EDGES = ['left', 'right', 'above', 'below'] as const

/** What a key by shape cuts out: all of its box, or the largest ellipse in it. */
export const SHAPES = ['rectangle', 'ellipse'] as const

/** A fill with its colours as they are, or weighted by how solid they are. */
export const FILLS = ['straight', 'premultiplied'] as const
export type FillKind = (typeof FILLS)[number]

/** How a keyer stands: clip and gain 0 .. 1. */
export interface Cut {
  readonly clip: number
  readonly gain: number
  readonly invert?: boolean
  readonly premultiplied?: boolean
}

/** Values that a key by brightness stands at until somebody has set them: clear up to 4 %, solid from 8 %. */
const BY_BRIGHTNESS = { clip: 0.04, gain: 0.96 } as const
const BY_SIGNAL = { clip: 0, gain: 0 } as const

/** How the keyer of an overlay is set. */
export const cutOf = ({ kind, clip, gain, invert, premultiplied }: Overlay): Cut => {
  const usual = kind === 'linear' ? BY_SIGNAL : BY_BRIGHTNESS
  return {
    clip: clip ?? usual.clip,
    gain: gain ?? usual.gain,
    ...(invert ? { invert } : {}),
    ...(premultiplied ? { premultiplied } : {}),
  }
}

/** A painted screen and how a key by colour lets go of it; typical values until somebody has set them. */
export const screenOf = ({ screen, tolerance, edge, spill }: Overlay) => ({
  screen: (screen ?? [0, 177, 64]) as readonly [number, number, number],
  tolerance: tolerance ?? 0.08,
  edge: edge ?? 0.12,
  spill: spill ?? 1,
})

/** Ids of an overlay's pictures: what it shows first, then the others of its set; they may be gone. */
export const slidesOf = ({ graphic, slides = [] }: Pick<Overlay, 'graphic' | 'slides'>): string[] => [
  ...new Set([...(graphic === undefined ? [] : [graphic]), ...slides]),
]

/** Those of them that are in the plan. */
export const graphicsOf = <T>(
  { graphics }: { readonly graphics: Readonly<Record<string, T>> },
  overlay: Pick<Overlay, 'graphic' | 'slides'>,
): T[] => slidesOf(overlay).flatMap(id => own(graphics, id) ?? [])

/** A part of a picture: left and top edge, width and height, each a share of the whole, 0 .. 1. */
export interface Box {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}

const PART = object(['x', 'y', 'w', 'h'], { x: number(0, 1), y: number(0, 1), w: number(0.01, 1), h: number(0.01, 1) })

/** What a look says of a key that is off; no overlay has this name. */
export const OFF = 'off'

export const overlays = collection<Overlay>({
  name: 'overlays',
  entry: 'overlay',
  about: 'What is laid over pictures: its source, how it is cut out, where it lies and in which segments.',
  most: 500,
  schema: object(['title', 'order', 'kind', 'fill'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    kind: oneOf(KEY_KINDS),
    fill: ref('slug'),
    output: ref('slug'),
    key: ref('slug'),
    drawnOn: ref('slug'),
    box: PART,
    mask: PART,
    comesFrom: oneOf(EDGES),
    keepsFree: said,
    shape: oneOf(SHAPES),
    over: ref('slug'),
    segments: listOf(ref('slug'), 1000),
    graphic: ref('slug'),
    slides: listOf(ref('slug'), 200, 1),
    clip: number(0, 1),
    gain: number(0, 1),
    invert: said,
    premultiplied: said,
    sends: oneOf(FILLS),
    screen: listOf(whole(0, 255), 3, 3),
    tolerance: number(0, 1),
    edge: number(0, 1),
    spill: number(0, 1),
  }),
  misfit: (entries, at) => {
    for (const [id, { box, mask }] of Object.entries(entries)) {
      if (id === OFF)
        return misfit(`${at}/${id}`, `key ${show(id)}`, `any id but ${show(OFF)}, which says that a key is off`)
      for (const [field, part] of Object.entries({ box, mask }))
        if (part && (part.x + part.w > 1.000_001 || part.y + part.h > 1.000_001))
          return misfit(`${at}/${id}/${field}`, show(part), 'a box within the picture: x + w and y + h at most 1')
    }
    return undefined
  },
  words: ({ title }) => title,
})
