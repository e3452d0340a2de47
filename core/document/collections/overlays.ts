import { KEY_KINDS, type KeyKind } from '#core/catalog'
import { collection, listOf, number, object, oneOf, ref } from '#core/kernel'
import { misfit, show } from '../problem'

/** Something that is laid over a picture, and how it is cut out. */
export interface Overlay {
  readonly title: string
  readonly order: number
  readonly kind: KeyKind
  /** The source whose picture is laid over; it may be gone. */
  readonly fill: string
  /** The source of the key signal of a linear key; absent, the fill's own second output. */
  readonly key?: string
  /** Where it lies, in shares of the picture; absent, over all of it. */
  readonly box?: Box
  /** The switcher over whose pictures it lies; absent, over everything: at the last one. */
  readonly over?: string
  /** The segments in which it is used; absent, all. */
  readonly segments?: readonly string[]
}

/** A part of a picture: left and top edge, width and height, each a share of the whole, 0 .. 1. */
export interface Box {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}

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
    key: ref('slug'),
    box: object(['x', 'y', 'w', 'h'], { x: number(0, 1), y: number(0, 1), w: number(0.01, 1), h: number(0.01, 1) }),
    over: ref('slug'),
    segments: listOf(ref('slug'), 1000),
  }),
  misfit: (entries, at) => {
    for (const [id, { box }] of Object.entries(entries)) {
      if (id === OFF)
        return misfit(`${at}/${id}`, `key ${show(id)}`, `any id but ${show(OFF)}, which says that a key is off`)
      if (box && (box.x + box.w > 1.000_001 || box.y + box.h > 1.000_001))
        return misfit(`${at}/${id}/box`, show(box), 'a box within the picture: x + w and y + h at most 1')
    }
    return undefined
  },
  words: ({ title }) => title,
})
