import { sendRedirect, setCookie } from 'h3'
import { COOKIE, codeBrought, gateOf, refusalOf } from '../utils/door'
import { fail } from '../utils/refusal'

/** Says why a request is refused, and lets in who brings the code. */
export default defineEventHandler(event => {
  const door = gateOf()
  const brought = door && codeBrought(event)
  if (door && brought) {
    const { ok, wait } = door.try(brought.code, brought.address)
    if (!ok)
      throw wait > 0
        ? fail(429, `Too many wrong codes came from here. Try again in ${Math.ceil(wait / 1000)} s.`, { code: 'wait' })
        : fail(403, 'That is not the join code of this server.')
    setCookie(event, COOKIE, door.pass, { httpOnly: true, sameSite: 'strict', path: '/' })
    return sendRedirect(event, '/')
  }
  const why = (event.context.refusal as string | undefined) ?? refusalOf(event)
  if (why !== undefined) throw fail(403, why)
})
