import { getRouterParam, type H3Event } from 'h3'
import { fail } from './refusal'

/** A router parameter that is an id; anything else is not found. */
export function idParam(event: H3Event, name: string): string {
  const value = getRouterParam(event, name) ?? ''
  if (!/^[a-z0-9-]{1,64}$/.test(value)) throw fail(404, `There is no such ${name}.`)
  return value
}

export const noShow = () => fail(404, 'There is no such show.')
export const noPlan = () => fail(404, 'There is no such plan.')
