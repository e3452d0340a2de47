import { collection, number, object, ref, said } from '#core/kernel'

/** One protected circuit of the house, and what hangs on it. */
export interface Circuit {
  readonly title: string
  readonly order: number
  /** Rated current of its protection, A. */
  readonly amps: number
  /** Ids of devices. A device may be gone from the plan: then it draws nothing. */
  readonly loads?: Readonly<Record<string, true>>
}

export const circuits = collection<Circuit>({
  name: 'circuits',
  entry: 'circuit',
  about:
    'Protected circuits of the house, each with the rated current of its protection and the devices that hang on it.',
  most: 200,
  schema: object(['title', 'order', 'amps'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    amps: number(0.1, 1000),
    loads: {
      type: 'object',
      propertyNames: ref('slug'),
      additionalProperties: said,
      minProperties: 1,
      maxProperties: 5000,
    },
  }),
  words: ({ title, amps }) => `${title}, ${amps} A`,
})
