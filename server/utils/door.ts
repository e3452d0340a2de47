import { type H3Event, getCookie, getQuery, getRequestHeader, getRequestIP } from 'h3'
import { Gate } from './gate'
import { isLoopback, mayServe, mayWrite } from './host'

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])
export const COOKIE = 'interlumen-join'

let gate: Gate | undefined
/** The gate of a server that listens beyond this machine. */
export function gateOf(): Gate | undefined {
  const code = process.env.INTERLUMEN_JOIN_CODE
  if (!code || isLoopback(process.env.NITRO_HOST ?? '127.0.0.1')) return undefined
  return (gate ??= new Gate(code))
}

const names = (): string[] =>
  (process.env.INTERLUMEN_HOSTS ?? '')
    .split(',')
    .map(name => name.trim().toLowerCase())
    .filter(Boolean)

const served = (event: H3Event): boolean =>
  mayServe(getRequestHeader(event, 'host'), process.env.NITRO_HOST ?? '127.0.0.1', names())

/** Why a request is refused, whatever it asks for; undefined where it is not. */
export function refusalOf(event: H3Event): string | undefined {
  const host = getRequestHeader(event, 'host')
  if (!served(event)) return 'This host name is not served.'
  if (
    !SAFE.has(event.method) &&
    !mayWrite(getRequestHeader(event, 'origin'), getRequestHeader(event, 'sec-fetch-site'), host)
  )
    return 'Writes come from the page itself only.'
  const door = gateOf()
  if (door && !door.knows(getCookie(event, COOKIE))) return 'Open /?join=CODE with the join code of this server first.'
  return undefined
}

/** The code that a request to a served host brings to be let in, and from where. */
export function codeBrought(event: H3Event): { readonly code: string; readonly address: string } | undefined {
  const { join } = getQuery(event)
  if (!gateOf() || !served(event) || !event.path.startsWith('/?') || typeof join !== 'string') return undefined
  return { code: join, address: getRequestIP(event) ?? '' }
}
