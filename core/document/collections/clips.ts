import { collection, listOf, number, object, oneOf, ref, said, whole } from '#core/kernel'
import type { VideoFormat } from '#core/signal'
import { CODINGS, type RecordCoding } from '../../features/media/collection'
import { formatMisfit } from '../formats'

/** What a player shows when a clip is over: its last frame, black, the clip again, or what it showed before. */
export const CLIP_ENDS = ['hold', 'black', 'loop', 'back'] as const

export interface Clip {
  readonly title: string
  readonly order: number
  /** The device that plays it; it may be gone. */
  readonly player: string
  readonly lengthS: number
  readonly end: (typeof CLIP_ENDS)[number]
  /** Its place in the player's list, where it is called by number. */
  readonly index?: number
  /** How its pictures are written; absent, nobody looked. */
  readonly format?: VideoFormat
  readonly coding?: RecordCoding
  /** It carries how solid it is beside its colours. */
  readonly alpha?: true
  /** What its pictures were found to do, frame by frame. */
  readonly measured?: {
    readonly frames: number
    /** The most pairs of opposing changes of brightness in a second, over more than a quarter of the picture. */
    readonly pairs: number
    /** Frames, counted from 1, in which it covers the whole picture; only of what is clear elsewhere. */
    readonly covers?: readonly [first: number, last: number]
  }
  /** Size of the file, GB of 10^9 byte, and the medium of the plan that it lies on, which may be gone. */
  readonly gb?: number
  readonly medium?: string
}

export const clips = collection<Clip>({
  name: 'clips',
  entry: 'clip',
  about: 'Recorded pictures that are played in the show: from which device, how long, and what is seen at their end.',
  most: 1000,
  schema: object(['title', 'order', 'player', 'lengthS', 'end'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    player: ref('slug'),
    lengthS: number(0.1, 86_400),
    end: oneOf(CLIP_ENDS),
    index: whole(1, 9999),
    format: ref('format'),
    coding: oneOf(CODINGS),
    alpha: said,
    measured: object(['frames', 'pairs'], {
      frames: whole(1, 100_000),
      pairs: whole(0, 1000),
      covers: listOf(whole(1, 100_000), 2, 2),
    }),
    gb: number(0.001, 100_000),
    medium: ref('slug'),
  }),
  misfit: (entries, at) => {
    for (const [id, { format }] of Object.entries(entries)) {
      const bad = format && formatMisfit(format, `${at}/${id}/format`)
      if (bad) return bad
    }
    return undefined
  },
  words: ({ title }) => title,
})
