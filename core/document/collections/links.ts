import type { LeadModel } from '#core/cable'
import { collection, listOf, number, object, ref, said, whole, type Misfit } from '#core/kernel'
import { idsOf, misfit, own, show } from '../problem'

export interface LinkEnd {
  readonly device: string
  readonly port: string
}

export interface Link {
  /** The output end; absent while it is loose. */
  readonly from?: LinkEnd
  /** The input end; absent while it is loose. */
  readonly to?: LinkEnd
  /** Lead of kind `cable`. */
  readonly cable: string
  /** Leads of kind `adapter` at the ends. */
  readonly adapters?: { readonly from?: string; readonly to?: string }
  /** Measured way that the cable takes, metres, rises included; absent until it is measured. */
  readonly routeM?: number
  /** Stock lengths chosen, metres; absent, the next ones for the route. */
  readonly pieces?: readonly number[]
  /** Couplers besides those between the pieces (e.g. a wall plate). */
  readonly couplers?: number
  /** A cable that works one way only lies with its source end at the input. */
  readonly turned?: true
  /** Something holds the plug so that a pull cannot unplug it. */
  readonly relief?: true
  /** Stays as it is: no remedy and no proposal touches it. */
  readonly pinned?: true
  readonly note?: string
}

export const linkEnd = object(['device', 'port'], { device: ref('slug'), port: ref('slug') })

interface Ends {
  readonly devices: Readonly<Record<string, unknown>>
  readonly leads: Readonly<Record<string, LeadModel>>
}

export const links = collection<Link, Ends>({
  name: 'links',
  entry: 'link',
  about: 'Every connection from a port to a port, with its cable.',
  most: 10_000,
  schema: object(['cable'], {
    from: ref('linkEnd'),
    to: ref('linkEnd'),
    cable: ref('slug'),
    adapters: object([], { from: ref('slug'), to: ref('slug') }, { minProperties: 1 }),
    routeM: number(0, 20_000),
    pieces: listOf(number(0.001, 20_000), 200, 1),
    couplers: whole(0, 200),
    turned: said,
    relief: said,
    pinned: said,
    note: ref('note'),
  }),
  misfit: (links, base, { devices, leads }) => {
    const leadOf = (leadId: string, kind: LeadModel['kind'], path: string): Misfit | undefined =>
      own(leads, leadId)?.kind === kind
        ? undefined
        : misfit(
            path,
            show(leadId),
            `a key of leads of kind ${kind}: ${idsOf(Object.fromEntries(Object.entries(leads).filter(([, lead]) => lead.kind === kind)))}`,
          )
    for (const [id, link] of Object.entries(links)) {
      const at = `${base}/${id}`
      for (const end of ['from', 'to'] as const) {
        const device = link[end]?.device
        if (device !== undefined && !own(devices, device))
          return misfit(`${at}/${end}/device`, show(device), `a key of devices: ${idsOf(devices)}`)
        const adapter = link.adapters?.[end]
        const bad = adapter !== undefined && leadOf(adapter, 'adapter', `${at}/adapters/${end}`)
        if (bad) return bad
      }
      const bad = leadOf(link.cable, 'cable', `${at}/cable`)
      if (bad) return bad
      if (!link.from && !link.to) return misfit(at, 'a link without either end', 'from, to, or both')
    }
    return undefined
  },
  words: ({ from, to }) => `${from?.device ?? 'loose'} to ${to?.device ?? 'loose'}`,
})
