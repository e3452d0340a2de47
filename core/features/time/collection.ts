import { collection, listOf, number, object, ref } from '#core/kernel'

/** A clap that was seen and heard at a sink: how early the sound was, with the conditions under which it holds. */
export interface Measured {
  readonly order: number
  readonly sink: string
  /** The source whose picture was seen, and the device whose sound was heard. Any of the three may be gone. */
  readonly source: string
  readonly sound: string
  /** Each clap, ms: positive, the sound came early. */
  readonly earlyMs: readonly number[]
  /** What the sound was held back by then, ms. */
  readonly heldMs: number
  /** Mark of the way, the models and the formats that it was measured with: with another it no longer holds. */
  readonly on: string
}

export const measured = collection<Measured>({
  name: 'measured',
  entry: 'measured delay',
  about: 'Claps that were measured at a sink: how early the sound was against a picture, and on what way that holds.',
  most: 2000,
  schema: object(['order', 'sink', 'source', 'sound', 'earlyMs', 'heldMs', 'on'], {
    order: number(-1e9, 1e9),
    sink: ref('slug'),
    source: ref('slug'),
    sound: ref('slug'),
    earlyMs: listOf(number(-10_000, 10_000), 50, 1),
    heldMs: number(0, 2000),
    on: { type: 'string', pattern: '^[0-9a-f]{8}$' },
  }),
  words: ({ source, sound }) => `${sound} against ${source}`,
})
