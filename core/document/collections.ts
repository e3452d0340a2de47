import type { EntryOf } from '#core/kernel'
import { circuits } from '../features/power/collection'
import { accepted } from './collections/accepted'
import { devices } from './collections/devices'
import { distances } from './collections/distances'
import { kit } from './collections/kit'
import { leads } from './collections/leads'
import { links } from './collections/links'
import { models } from './collections/models'
import { segments } from './collections/segments'
import { wants } from './collections/wants'

/** Every collection of a plan, in the order in which a person reads a file. */
export const DEFINITIONS = {
  wants,
  models,
  leads,
  devices,
  links,
  segments,
  kit,
  accepted,
  distances,
  circuits,
} as const

export type Collection = keyof typeof DEFINITIONS
export type Entry<K extends Collection> = EntryOf<(typeof DEFINITIONS)[K]>
export type Collections = { readonly [K in Collection]: Readonly<Record<string, Entry<K>>> }

export const COLLECTIONS = Object.keys(DEFINITIONS) as Collection[]

export const isCollection = (name: string | undefined): name is Collection =>
  name !== undefined && Object.hasOwn(DEFINITIONS, name)
