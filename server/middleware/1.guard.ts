import { timingSafeEqual } from 'node:crypto'
import { getCookie, getQuery, getRequestHeader, sendRedirect, setCookie, setResponseHeaders } from 'h3'
import { isLoopback, mayServe, mayWrite } from '../utils/host'
import { fail } from '../utils/refusal'

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])

// Nothing of a page comes from elsewhere; the framework's own start script is inline, and the solver is compiled machine code.
const POLICY =
  "default-src 'self'; script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self' blob:; frame-ancestors 'none'; base-uri 'self'; form-action 'self'"

export default defineEventHandler(event => {
  setResponseHeaders(event, {
    'content-security-policy': POLICY,
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    'x-frame-options': 'DENY',
  })
  const host = getRequestHeader(event, 'host')
  const bound = process.env.NITRO_HOST ?? '127.0.0.1'
  const names = (process.env.INTERLUMEN_HOSTS ?? '')
    .split(',')
    .map(name => name.trim().toLowerCase())
    .filter(Boolean)
  if (!mayServe(host, bound, names)) throw fail(403, 'This host name is not served.')
  if (
    !SAFE.has(event.method) &&
    !mayWrite(getRequestHeader(event, 'origin'), getRequestHeader(event, 'sec-fetch-site'), host)
  )
    throw fail(403, 'Writes come from the page itself only.')
  const code = process.env.INTERLUMEN_JOIN_CODE
  if (!code || isLoopback(bound)) return
  const asked = getQuery(event).join
  if (event.path.startsWith('/?') && typeof asked === 'string' && same(asked, code)) {
    setCookie(event, 'interlumen-join', code, { httpOnly: true, sameSite: 'strict', path: '/' })
    return sendRedirect(event, '/')
  }
  if (!same(getCookie(event, 'interlumen-join') ?? '', code))
    throw fail(403, 'Open /?join=CODE with the join code of this server first.')
})

function same(a: string, b: string): boolean {
  const [x, y] = [Buffer.from(a), Buffer.from(b)]
  return x.length === y.length && timingSafeEqual(x, y)
}
