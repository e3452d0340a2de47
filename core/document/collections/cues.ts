import { collection, number, object, ref } from '#core/kernel'

/** A moment of a segment at which something is said or switched. */
export interface Cue {
  readonly segment: string
  readonly title: string
  readonly order: number
  /** The words that are said to others, and who says them. */
  readonly says?: string
  readonly by?: string
  /** The look that is taken. */
  readonly look?: string
  /** The clip that is played. */
  readonly clip?: string
  /** The macro that is fired. */
  readonly macro?: string
  /** For how long its picture is wanted, until the next cue, s. */
  readonly lastsS?: number
  /** The cue of which this takes back what it did. */
  readonly back?: string
}

/** What a cue names may be gone from the plan: that is found, not refused. */
export const cues = collection<Cue>({
  name: 'cues',
  entry: 'cue',
  about: 'The moments of a segment in their order: what is said, by whom, which look is taken, which clip is played.',
  most: 5000,
  schema: object(['segment', 'title', 'order'], {
    segment: ref('slug'),
    title: ref('title'),
    order: number(-1e9, 1e9),
    says: ref('title'),
    by: ref('slug'),
    look: ref('slug'),
    clip: ref('slug'),
    macro: ref('slug'),
    lastsS: number(0.1, 86_400),
    back: ref('slug'),
  }),
  words: ({ title }) => title,
})
