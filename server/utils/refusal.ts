import { createError, type H3Error } from 'h3'
import { type Problem, problemText } from '#core/document'

/** An error of the documented shape; `data` is added to it. */
export function fail(statusCode: number, message: string, data: Record<string, unknown> = {}): H3Error {
  return createError({
    statusCode,
    statusMessage: message.replace(/[^\x20-\x7E]/g, '?').slice(0, 300),
    message,
    data: { message, ...data },
  })
}

/** Input that was refused: where, what was found, what is allowed. */
export function refused({ path, found, allowed }: Problem): H3Error {
  const told = { path: shortened(path), found: shortened(found), allowed }
  return fail(422, problemText(told), told)
}

/** Of what somebody sent at most so much comes back. */
const MOST_ECHOED = 200
const shortened = (text: string): string =>
  text.length > MOST_ECHOED ? `${text.slice(0, MOST_ECHOED - 1)}\u2026` : text
