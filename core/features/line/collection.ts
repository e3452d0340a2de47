import { collection, idSet, listOf, number, object, oneOf, ref } from '#core/kernel'

/** How a line leaves the house. */
export const LINE_KINDS = ['wire', 'mobile', 'radio', 'dish'] as const

/** A way out of the house: what was measured on it, and what it may carry. */
export interface Uplink {
  readonly title: string
  readonly order: number
  readonly by: (typeof LINE_KINDS)[number]
  /** Upward, at the time of day of the show, Mb/s; the order does not count. */
  readonly samples?: readonly number[]
  /** Day of the measurement, ISO 8601. */
  readonly measured?: string
  /** What the contract allows for the show, GB of 10^9 byte; absent, it is not counted. */
  readonly allowanceGB?: number
  /** Ids of the encoders that send over it; they may be gone. */
  readonly encoders?: Readonly<Record<string, true>>
}

export const uplinks = collection<Uplink>({
  name: 'uplinks',
  entry: 'uplink',
  about: 'Ways out of the house: how they leave it, what was measured on them, and which encoders send over them.',
  most: 100,
  schema: object(['title', 'order', 'by'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    by: oneOf(LINE_KINDS),
    samples: listOf(number(0, 100_000), 500, 1),
    measured: ref('date'),
    allowanceGB: number(0, 1_000_000),
    encoders: idSet(5000),
  }),
  words: ({ title }) => title,
})

/** Somewhere that an encoder sends the show to. Its key is kept elsewhere. */
export interface Destination {
  readonly title: string
  readonly order: number
  /** The encoder; it may be gone. */
  readonly encoder: string
  readonly videoMbps: number
  readonly audioMbps?: number
  /** Another destination that passes the stream on to this one: the encoder sends nothing for it. It may be gone. */
  readonly by?: string
}

export const destinations = collection<Destination>({
  name: 'destinations',
  entry: 'destination',
  about: 'Where encoders send the show, and with how much; stream keys are never kept here.',
  most: 200,
  schema: object(['title', 'order', 'encoder', 'videoMbps'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    encoder: ref('slug'),
    videoMbps: number(0.05, 1000),
    audioMbps: number(0, 10),
    by: ref('slug'),
  }),
  words: ({ title }) => title,
})
