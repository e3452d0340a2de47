import { deleteCookie, getCookie, setCookie, type H3Event } from 'h3'

const COOKIE = 'interlumen-name'
const YEAR_S = 31_536_000

export function setName(event: H3Event, name: string): void {
  if (name === '') deleteCookie(event, COOKIE, { path: '/' })
  else setCookie(event, COOKIE, name, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: YEAR_S })
}

/** Who writes, as this browser said; undefined where nobody said. */
export const nameOf = (event: H3Event): string | undefined => getCookie(event, COOKIE)?.slice(0, 40) || undefined
