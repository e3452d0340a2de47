import type { EntryOf } from '#core/kernel'
import { goods, jobs, services } from '../features/cost/collection'
import { graphics, photographs } from '../features/keys/collection'
import { lenses } from '../features/lens/collection'
import { destinations, uplinks } from '../features/line/collection'
import { media } from '../features/media/collection'
import { batteries, circuits, distributions, strips } from '../features/power/collection'
import { measured } from '../features/time/collection'
import { accepted } from './collections/accepted'
import { clips } from './collections/clips'
import { cues } from './collections/cues'
import { devices } from './collections/devices'
import { distances } from './collections/distances'
import { kit } from './collections/kit'
import { leads } from './collections/leads'
import { links } from './collections/links'
import { looks } from './collections/looks'
import { macros } from './collections/macros'
import { models } from './collections/models'
import { overlays } from './collections/overlays'
import { people } from './collections/people'
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
  people,
  looks,
  cues,
  overlays,
  graphics,
  clips,
  macros,
  kit,
  accepted,
  distances,
  circuits,
  batteries,
  media,
  destinations,
  uplinks,
  measured,
  goods,
  services,
  jobs,
  strips,
  distributions,
  photographs,
  lenses,
} as const

export type Collection = keyof typeof DEFINITIONS
export type Entry<K extends Collection> = EntryOf<(typeof DEFINITIONS)[K]>
export type Collections = { readonly [K in Collection]: Readonly<Record<string, Entry<K>>> }

export const COLLECTIONS = Object.keys(DEFINITIONS) as Collection[]

export const isCollection = (name: string | undefined): name is Collection =>
  name !== undefined && Object.hasOwn(DEFINITIONS, name)
