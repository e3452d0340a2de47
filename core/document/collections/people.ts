import { collection, number, object, oneOf, ref, said, whole } from '#core/kernel'

/** By what somebody is paid. */
export const PAID_BY = ['hour', 'show'] as const

/** Somebody who works the show. Segments say what each of them does when. */
export interface Person {
  readonly name: string
  readonly order: number
  /** Hears whoever switches: by intercom, by phone, or because they stand beside them. */
  readonly hears?: true
  /** What they are paid, minor units, by the hour or for the show; absent, nothing is said. */
  readonly payMinor?: number
  readonly paidBy?: (typeof PAID_BY)[number]
}

export const people = collection<Person>({
  name: 'people',
  entry: 'person',
  about: 'Who works the show, and whether they hear whoever switches.',
  most: 500,
  schema: object(['name', 'order'], {
    name: ref('title'),
    order: number(-1e9, 1e9),
    hears: said,
    payMinor: whole(0, 1e9),
    paidBy: oneOf(PAID_BY),
  }),
  words: ({ name }) => name,
})
