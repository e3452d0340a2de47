import type { NitroErrorHandler } from 'nitropack'
import { NoRoom } from './store/safe/log'
import { send, setResponseHeader, setResponseStatus } from 'h3'

/**
 * Every error of the server has one shape: { "error": { "code", "message", ... } }. `code` is stable; refused input
 * adds path, found and allowed; a write that is behind adds revision and newer. See docs/server.md.
 */
export interface ErrorBody {
  readonly error: { readonly code: string; readonly message: string } & Readonly<Record<string, unknown>>
}

const CODES: Readonly<Record<number, string>> = {
  400: 'bad-request',
  403: 'forbidden',
  404: 'not-found',
  405: 'method-not-allowed',
  409: 'conflict',
  413: 'too-large',
  429: 'wait',
  415: 'wrong-media-type',
  422: 'refused',
  503: 'starting',
  507: 'no-room',
}

const handler: NitroErrorHandler = (error, event) => {
  const full = error.cause instanceof NoRoom ? error.cause : undefined
  const status = full ? 507 : error.statusCode && error.statusCode >= 400 ? error.statusCode : 500
  const known = status < 500 || status === 503 || status === 507
  if (!known) console.error(`[interlumen] ${event.method} ${event.path}`, error.cause ?? error)
  const data =
    known && typeof error.data === 'object' && error.data !== null ? (error.data as Record<string, unknown>) : {}
  const body: ErrorBody = {
    error: {
      code: CODES[status] ?? 'internal',
      message: full
        ? full.message
        : known
          ? error.statusMessage || error.message
          : 'The server failed at this; nothing was changed.',
      ...data,
    },
  }
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  setResponseHeader(event, 'cache-control', 'no-store')
  return send(event, JSON.stringify(body))
}

export default handler
