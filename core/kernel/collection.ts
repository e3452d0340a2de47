import type { Schema } from './schema'

/** What does not hold together in a document, and what would. */
export interface Misfit {
  readonly path: string
  readonly found: string
  readonly allowed: string
}

/** One map of the plan, by id: all that the document needs to know of it. */
export interface CollectionDefinition<T, Around = object> {
  readonly name: string
  /** Name of one entry in the schema. */
  readonly entry: string
  /** What it holds, for the page of the format. */
  readonly about: string
  readonly schema: Schema
  /** The most entries that a plan may have. */
  readonly most: number
  /** Rows of the catalogue, which may be written as a reference alone. */
  readonly embeds?: true
  /** The first thing that the shape cannot say: what a hard reference lacks, what contradicts itself. */
  readonly misfit?: (entries: Readonly<Record<string, T>>, at: string, around: Around) => Misfit | undefined
  /** What people call one entry. */
  readonly words: (entry: T) => string
}

export const collection = <T, Around = object>(
  definition: CollectionDefinition<T, Around>,
): CollectionDefinition<T, Around> => definition

export type EntryOf<D> = D extends CollectionDefinition<infer T, never> ? T : never
