import type { Brief } from './brief'
import { COLLECTIONS, type Collections } from './collections'

/** The version of the open file that this program writes. */
export const FORMAT_VERSION = 3

/** A show owns its plans; one file holds one show. */
export interface ShowFile {
  readonly format: typeof FORMAT_VERSION
  readonly show: Show
  readonly plans: Readonly<Record<string, Plan>>
}

export interface Show {
  readonly title: string
}

export interface Plan extends Collections {
  readonly title: string
  /** The plan that this one was made from, and its revision then. */
  readonly basedOn?: { readonly plan: string; readonly revision: number }
  readonly brief: Brief
}

/** What is taken for a cable between two things that stand at one place, metres, until it is measured. */
export const WITHIN_PLACE_M = 3

/** The measured way between two places, metres; undefined until somebody has measured it. Either order of the two. */
export function distanceM(
  { distances }: Pick<Plan, 'distances'>,
  a: string | undefined,
  b: string | undefined,
): number | undefined {
  if (a === undefined || b === undefined) return undefined
  const found = Object.values(distances).find(({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a))
  return found?.m ?? (a === b ? WITHIN_PLACE_M : undefined)
}

export function emptyPlan(title: string): Plan {
  const empty = Object.fromEntries(COLLECTIONS.map(name => [name, {}])) as unknown as Collections
  return { title, brief: {}, ...empty }
}

export function emptyShow(title: string): ShowFile {
  return { format: FORMAT_VERSION, show: { title }, plans: { main: emptyPlan('Main plan') } }
}

/** A plan with every collection, also where it was written before one of them existed. */
export const completePlan = (plan: Plan): Plan => ({ ...emptyPlan(plan.title), ...plan })
