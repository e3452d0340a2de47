import { COLLECTIONS } from './collections'
import type { Plan, ShowFile } from './plan'

// Fields stand in the order in which a person reads them; anything not listed follows by name.
const ORDER = [
  'format',
  'show',
  'plans',
  'title',
  'short',
  'name',
  'kind',
  'role',
  'basedOn',
  'place',
  'date',
  'rehearsal',
  'doors',
  'start',
  'end',
  'mains',
  'brief',
  'wants',
  ...COLLECTIONS,
  'of',
  'id',
  'model',
  'order',
  'in',
  'mode',
  'standard',
  'dir',
  'carries',
  'connector',
  'from',
  'to',
  'cable',
  'adapters',
  'routeM',
  'pieces',
  'pieceM',
  'owned',
  'hired',
  'bought',
  'couplers',
  'raster',
  'scan',
  'rate',
  'rates',
  'min',
  'typ',
  'max',
  'unit',
]
const PLACE = new Map(ORDER.map((key, i) => [key, i]))

/**
 * The file as text, the same for equal content: fields in fixed order, ids sorted, two spaces, LF, one final LF.
 * Lists keep their order.
 */
export function canonicalText(file: ShowFile): string {
  return `${JSON.stringify(sortKeys(file, ''), null, 2)}\n`
}

/** A plan on one line with sorted keys: equal plans give equal text. */
export function canonicalPlan(plan: Plan): string {
  return JSON.stringify(sortKeys(plan, ''))
}

/** Any JSON value on one line with sorted keys: equal values give equal text. */
export const canonicalValue = (value: unknown): string => JSON.stringify(sortKeys(value, ''))

/** True when two JSON values are equal, whatever the order of their keys. */
export function sameValue(a: unknown, b: unknown): boolean {
  return canonicalValue(a) === canonicalValue(b)
}

const MAPS = new Set<string>(['plans', 'ports', 'modes', 'makes', ...COLLECTIONS])

function sortKeys(value: unknown, under: string): unknown {
  if (Array.isArray(value)) return value.map(item => sortKeys(item, ''))
  if (value === null || typeof value !== 'object') return value
  const byId = MAPS.has(under)
  const keys = Object.keys(value).sort((a, b) => {
    const order = byId ? 0 : (PLACE.get(a) ?? Infinity) - (PLACE.get(b) ?? Infinity)
    return order || (a < b ? -1 : a > b ? 1 : 0)
  })
  return Object.fromEntries(
    keys
      .filter(key => (value as Record<string, unknown>)[key] !== undefined)
      .map(key => [key, sortKeys((value as Record<string, unknown>)[key], byId ? '' : key)]),
  )
}
