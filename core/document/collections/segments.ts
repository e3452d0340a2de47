import { collection, listOf, number, object, ref } from '#core/kernel'

/** A stretch of the show. */
export interface Segment {
  readonly title: string
  readonly order: number
  /** The sources in use; absent, all. */
  readonly sources?: readonly string[]
  /** How long it lasts. */
  readonly minutes?: number
}

/** The sources that a segment names may be gone from the plan: that is found, not refused. */
export const segments = collection<Segment>({
  name: 'segments',
  entry: 'segment',
  about: 'Stretches of the show, each with the sources that it uses.',
  most: 1000,
  schema: object(['title', 'order'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    sources: listOf(ref('slug'), 5000),
    minutes: number(0.5, 1440),
  }),
  words: ({ title }) => title,
})
