import { collection, listOf, number, object, oneOf, ref } from '#core/kernel'
import { misfit, show } from '../problem'

/** What cables may lie across between two places. */
export const CROSSES = { walkway: 'a way that people walk', escape: 'an escape way' } as const

/** What keeps cables from underfoot where they cross: what is done, and how they lie then. */
export const CROSSINGS = {
  tape: 'Tape the cables down',
  ramp: 'Lay a ramp over the cables',
  overhead: 'Lead the cables overhead',
} as const
export const KEPT_WORDS: Readonly<Record<keyof typeof CROSSINGS, string>> = {
  tape: 'taped down',
  ramp: 'under a ramp',
  overhead: 'overhead, on rated hardware with a second bond',
}
/** What is enough: an escape way stays clear. */
export const keptFrom = (crosses: keyof typeof CROSSES): readonly (keyof typeof CROSSINGS)[] =>
  crosses === 'escape' ? ['overhead'] : ['tape', 'ramp', 'overhead']

/** How far a cable goes from the one place to the other. */
export interface Distance {
  readonly between: readonly [string, string]
  /** Along the way that the cable takes, rises included. */
  readonly m: number
  /** What the way crosses; absent, nothing where people walk. */
  readonly crosses?: keyof typeof CROSSES
  /** What is over the cables there; absent, nothing. */
  readonly kept?: keyof typeof CROSSINGS
}

export const distances = collection<Distance>({
  name: 'distances',
  entry: 'distance',
  about: 'Measured ways between two places.',
  most: 2000,
  schema: object(['between', 'm'], {
    between: listOf(ref('title'), 2, 2),
    m: number(0, 20_000),
    crosses: oneOf(Object.keys(CROSSES)),
    kept: oneOf(Object.keys(CROSSINGS)),
  }),
  misfit: (entries, at) => {
    const measured = new Map<string, string>()
    for (const [id, { between }] of Object.entries(entries)) {
      const pair = JSON.stringify([...between].sort())
      const other = measured.get(pair)
      if (other !== undefined)
        return misfit(
          `${at}/${id}/between`,
          `${between.map(show).join(' and ')}, as in ${other}`,
          'two places that no other distance is between',
        )
      measured.set(pair, id)
    }
    return undefined
  },
  words: ({ between }) => between.join(' to '),
})
