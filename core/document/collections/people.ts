import { collection, number, object, ref, said } from '#core/kernel'

/** Somebody who works the show. Segments say what each of them does when. */
export interface Person {
  readonly name: string
  readonly order: number
  /** Hears whoever switches: by intercom, by phone, or because they stand beside them. */
  readonly hears?: true
}

export const people = collection<Person>({
  name: 'people',
  entry: 'person',
  about: 'Who works the show, and whether they hear whoever switches.',
  most: 500,
  schema: object(['name', 'order'], { name: ref('title'), order: number(-1e9, 1e9), hears: said }),
  words: ({ name }) => name,
})
