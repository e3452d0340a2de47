import type { Brief } from './brief'
import { COLLECTIONS, type Collections } from './collections'
import type { Link, LinkEnd } from './collections/links'
import { own } from './problem'

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
  return saidBetween(distances, a, b) ?? (a === b ? WITHIN_PLACE_M : undefined)
}

/** How far a cable goes, and how that is known: measured along its way, or said of the two places, or taken for two things at one place. */
export interface Route {
  readonly m: number
  readonly by: 'measured' | 'said' | 'assumed'
}

type Placed = Pick<Plan, 'devices' | 'distances'>

/** The receiver that has an output of a radio link, where it is a device of the plan. */
export function receiverAt({ devices }: Pick<Plan, 'devices'>, { device, port }: LinkEnd): string | undefined {
  const id = own(own(devices, device)?.ports, port)?.receiver
  return own(devices, id) && id
}

/** Where a socket is: where its device stands, or the receiver that has it. */
export const placeAt = (plan: Pick<Plan, 'devices'>, end: LinkEnd): string | undefined =>
  own(plan.devices, receiverAt(plan, end) ?? end.device)?.place

/** The way of a link; measured beats said, and said beats assumed. */
export function routeOf(
  { devices, distances }: Placed,
  { from, to, routeM }: Pick<Link, 'from' | 'to' | 'routeM'>,
): Route | undefined {
  if (routeM !== undefined) return { m: routeM, by: 'measured' }
  const [a, b] = [from && placeAt({ devices }, from), to && placeAt({ devices }, to)]
  if (a === undefined || b === undefined) return undefined
  const m = saidBetween(distances, a, b)
  return m !== undefined ? { m, by: 'said' } : a === b ? { m: WITHIN_PLACE_M, by: 'assumed' } : undefined
}

/** A link with its way written to it, where that follows from the places of its ends. Chosen pieces are only held against what somebody said. */
export function withRoute<L extends Pick<Link, 'from' | 'to' | 'routeM' | 'pieces'>>(plan: Placed, link: L): L {
  const route = link.routeM === undefined ? routeOf(plan, link) : undefined
  return route && (route.by === 'said' || !link.pieces) ? { ...link, routeM: route.m } : link
}

const SAID = new WeakMap<Plan['distances'], ReadonlyMap<string, number>>()

function saidBetween(distances: Plan['distances'], a: string, b: string): number | undefined {
  let said = SAID.get(distances)
  if (!said) {
    said = new Map(
      Object.values(distances).flatMap(({ between: [x, y], m }) => [
        [JSON.stringify([x, y]), m],
        [JSON.stringify([y, x]), m],
      ]),
    )
    SAID.set(distances, said)
  }
  return said.get(JSON.stringify([a, b]))
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
