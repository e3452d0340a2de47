import type { Feed } from '#core/catalog'
import { type Schema, collection, mapOf, number, object, oneOf, ref } from '#core/kernel'
import { OPENINGS, type Opening } from './devices'

/** What a computer shows on an output; `operator` is what its own person works with, and nobody else is to see. */
export const CONTENTS = ['full', 'caption', 'blank', 'countdown', 'operator'] as const
export type Content = (typeof CONTENTS)[number]

/** What an output is pointed at in a moment: a feed, or the input that it carries. */
export type Pointed = Feed | (string & {})

type ByDevice<T> = Readonly<Record<string, T>>
type ByPort<T> = Readonly<Record<string, Readonly<Record<string, T>>>>

/**
 * How the whole chain stands at a moment of the show, as a patch: what it does not name stays as it was. All devices,
 * ports and overlays that it names may be gone from the plan.
 */
export interface Look {
  readonly title: string
  readonly order: number
  /** By switcher: the input on its program, or `black`. */
  readonly program?: ByDevice<string>
  /** By switcher: the input that is next. */
  readonly preview?: ByDevice<string>
  /** By switcher and keyer (1, 2 ...): the overlay in it, or `off`. */
  readonly keys?: ByPort<string>
  /** By switcher: faded to black, or not. */
  readonly faded?: ByDevice<boolean>
  /** By switcher and output: what it is pointed at: a feed, or one of the inputs. */
  readonly outputs?: ByPort<Pointed>
  /** By switcher and input: how its sound is opened. */
  readonly sound?: ByPort<Opening>
  /** By source: what it shows, at all of its outputs. */
  readonly contents?: ByDevice<Content>
  /** By source and output: what it shows there, where that is not the same at all of them. */
  readonly layouts?: ByPort<Content>
  /** By camera: the name of the position that it stands in. */
  readonly presets?: ByDevice<string>
}

/** What a look says of a program that shows no input; no port has this name. */
export const BLACK = 'black'

const some = (values: Schema): Schema => ({ ...mapOf(values, 200), minProperties: 1 })

export const looks = collection<Look>({
  name: 'looks',
  entry: 'look',
  about: 'How the chain stands at a moment of the show: buses, keys, outputs, sound and contents that it changes.',
  most: 1000,
  schema: object(['title', 'order'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    program: some(ref('slug')),
    preview: some(ref('slug')),
    keys: some(some(ref('slug'))),
    faded: some({ type: 'boolean' }),
    outputs: some(some(ref('slug'))),
    sound: some(some(oneOf(OPENINGS))),
    contents: some(oneOf(CONTENTS)),
    layouts: some(some(oneOf(CONTENTS))),
    presets: some(ref('title')),
  }),
  words: ({ title }) => title,
})
