import type { CableModel } from '#core/cable'
import { distanceM } from '#core/document'
import { lengthOf } from './carry'
import { type Chain, type Wire, gathers, placeOf } from './resolve'
import type { Stop } from './stop'

/**
 * Cables that follow one another through devices that stand nowhere, from a device with a place to one with another,
 * and are together shorter than the two places are apart. Told at the last of them; undefined where a length is not
 * known, where all ways are measured, or where they reach. `before` gives the link that a device passes on.
 */
export function shortStretch(chain: Chain, wire: Wire, before: (wire: Wire) => Wire | undefined): Stop | undefined {
  const place = wire.to && placeOf(chain, wire.to)
  if (place === undefined) return undefined
  const stretch = [wire]
  for (let first: Wire | undefined = wire; ; stretch.unshift(first)) {
    const node = first.from?.node
    if (!node || gathers(node)) return undefined
    if (placeOf(chain, first.from!) !== undefined) break
    // What goes through the air is no length of cable.
    if (node.model.kind === 'radio') return undefined
    first = before(first)
    if (!first || stretch.includes(first)) return undefined
  }
  if (stretch.length === 1 || stretch.every(({ link }) => link.routeM !== undefined)) return undefined
  const from = placeOf(chain, stretch[0]!.from!)!
  const routeM = from === place ? undefined : distanceM(chain, from, place)
  if (routeM === undefined) return undefined
  let lengthM = 0
  for (const { link } of stretch) {
    const cable = chain.leads[link.cable] as CableModel
    // What is installed lies its own way, and may be longer than anybody measured.
    if (cable.installed) return undefined
    const known = lengthOf(cable, link).lengthM
    if (known === undefined) return undefined
    lengthM += known
  }
  return lengthM < routeM
    ? { why: 'too-short', lengthM, routeM, stretch: { links: stretch.map(({ id }) => id), places: [from, place] } }
    : undefined
}
