import { isIP } from 'node:net'

export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || host === '[::1]' || /^127(\.\d{1,3}){3}$/.test(host)
}

/** The host of a Host header or an origin, without its port. */
export function hostName(hostHeader: string): string {
  return hostHeader.replace(/:\d+$/, '').toLowerCase()
}

/**
 * Whether a Host header may be answered: loopback names always; on other interfaces also addresses and the names in
 * INTERLUMEN_HOSTS. A name that someone else points at this machine is not answered.
 */
export function mayServe(hostHeader: string | undefined, bound: string, names: readonly string[]): boolean {
  if (!hostHeader) return false
  const host = hostName(hostHeader)
  if (isLoopback(host) || names.includes(host)) return true
  return !isLoopback(bound) && isIP(host.replace(/^\[|\]$/g, '')) !== 0
}

/** Whether a request that changes something may come from this origin: none (not a page), or the very host it asks. */
export function mayWrite(
  origin: string | undefined,
  fetchSite: string | undefined,
  hostHeader: string | undefined,
): boolean {
  if (fetchSite !== undefined && fetchSite !== 'same-origin' && fetchSite !== 'none') return false
  if (origin === undefined) return true
  try {
    return new URL(origin).host === hostHeader?.toLowerCase()
  } catch {
    return false
  }
}
