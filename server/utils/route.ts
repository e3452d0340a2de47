import { getQuery, getRouterParam, type H3Event } from 'h3'
import { fail, refused } from './refusal'

/** A router parameter that is an id; anything else is not found. */
export function idParam(event: H3Event, name: string): string {
  const value = getRouterParam(event, name) ?? ''
  if (!/^[a-z0-9-]{1,64}$/.test(value)) throw fail(404, `There is no such ${name}.`)
  return value
}

export const noShow = () => fail(404, 'There is no such show.')
export const noPlan = () => fail(404, 'There is no such plan.')

/** As far as the database counts. */
export const MOST_REVISION = 2 ** 31 - 1

/** The revision that a request asks to go on from. */
export function afterQuery(event: H3Event): number {
  const { after = 0 } = getQuery(event)
  const revision = Number(after)
  if (Number.isInteger(revision) && revision >= 0 && revision <= MOST_REVISION) return revision
  throw refused({
    path: '/after',
    found: String(after),
    allowed: `a revision: a whole number from 0 to ${MOST_REVISION}`,
  })
}
