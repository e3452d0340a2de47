import { collection, listOf, number, object, ref } from '#core/kernel'
import { misfit, show } from '../problem'

/** How far a cable goes from the one place to the other. */
export interface Distance {
  readonly between: readonly [string, string]
  /** Along the way that the cable takes, rises included. */
  readonly m: number
}

export const distances = collection<Distance>({
  name: 'distances',
  entry: 'distance',
  about: 'Measured ways between two places.',
  most: 2000,
  schema: object(['between', 'm'], { between: listOf(ref('title'), 2, 2), m: number(0, 20_000) }),
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
