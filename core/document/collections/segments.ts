import { collection, listOf, mapOf, number, object, ref } from '#core/kernel'

/** A stretch of the show. */
export interface Segment {
  readonly title: string
  readonly order: number
  /** The sources in use; absent, all. */
  readonly sources?: readonly string[]
  /** How long it lasts. */
  readonly minutes?: number
  /** When it begins on the clock, where that is fixed; absent, when what is before it is over. */
  readonly at?: string
  /** The look in which it begins; absent, that in which the one before it ended. */
  readonly opens?: string
  /** By person: the devices that they work. */
  readonly work?: Readonly<Record<string, readonly string[]>>
  /** Somebody who comes with a picture of their own. */
  readonly guest?: string
}

/** The sources, looks and people that a segment names may be gone from the plan: that is found, not refused. */
export const segments = collection<Segment>({
  name: 'segments',
  entry: 'segment',
  about: 'Stretches of the show: their sources, times, first look, and who works what.',
  most: 1000,
  schema: object(['title', 'order'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    sources: listOf(ref('slug'), 5000),
    minutes: number(0.5, 1440),
    at: ref('time'),
    opens: ref('slug'),
    work: { ...mapOf(listOf(ref('slug'), 200, 1), 500), minProperties: 1 },
    guest: ref('title'),
  }),
  words: ({ title }) => title,
})
