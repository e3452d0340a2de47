import { collection, number, object, ref } from '#core/kernel'

/** A lens of the kit, for cameras that take one. */
export interface Lens {
  readonly title: string
  readonly order: number
  /** Shortest and longest focal length, mm; of one that does not zoom, both are the same. */
  readonly fromMm: number
  readonly toMm: number
}

export const lenses = collection<Lens>({
  name: 'lenses',
  entry: 'lens',
  about: 'Lenses of the kit: between which focal lengths each zooms.',
  most: 200,
  schema: object(['title', 'order', 'fromMm', 'toMm'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    fromMm: number(0.5, 5000),
    toMm: number(0.5, 5000),
  }),
  misfit: (all, base) => {
    for (const [id, { fromMm, toMm }] of Object.entries(all))
      if (toMm < fromMm)
        return { path: `${base}/${id}/toMm`, found: String(toMm), allowed: `at least ${fromMm}, where it begins` }
    return undefined
  },
  words: ({ title }) => title,
})
