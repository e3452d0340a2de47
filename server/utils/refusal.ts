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
export function refused(problem: Problem): H3Error {
  return fail(422, problemText(problem), { ...problem })
}
