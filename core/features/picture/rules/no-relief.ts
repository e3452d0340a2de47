import type { AdapterModel } from '#core/cable'
import { type Socket, type Traced, type WireTrace, leadOf, runWith, socketName, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, adaptersFor, allLeads, rule } from '#core/propose'
import { CONNECTOR_TITLES, type ConnectorId } from '#core/signal'

export const noRelief = rule({
  code: 'C16',
  about: 'A small plug or a stiff adapter without strain relief.',
  messages: {
    bare: {
      severity: 'R',
      says: '{lead} hangs in the {shape} socket {socket} by its plug alone: a pull on the cable unplugs it or breaks the socket.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()].flatMap(at => {
      const weak = weakEnd(traced, at)
      return weak
        ? [
            say(
              'bare',
              { on: 'link', link: at.wire.id, part: weak.part },
              {
                lead: text(weak.lead),
                shape: text(CONNECTOR_TITLES[weak.socket.port!.connector]),
                socket: text(socketName(weak.socket)),
              },
              runWith(traced, at.wire.id)?.id,
            ),
          ]
        : []
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const draft = new Draft(traced.plan)
    draft.set(['links', at.wire.id, 'relief'], true)
    return [
      { title: 'Hold the plug: strap the cable to the tripod or the device', edits: draft.edits },
      ...shortAdapter(traced, at),
    ]
  },
})

const SMALL: readonly ConnectorId[] = ['hdmi-c', 'hdmi-d']

interface WeakEnd {
  readonly part: 'from' | 'to'
  readonly socket: Socket
  readonly lead: string
}

/** The end of a link at which something bare stands in a small socket. */
function weakEnd({ plan }: Traced, { wire, arrives }: WireTrace): WeakEnd | undefined {
  if (!arrives || wire.link.relief) return undefined
  const { cable, fromAdapter, toAdapter } = leadOf(plan, wire.link)
  for (const [part, socket, adapter] of [
    ['from', wire.from, fromAdapter],
    ['to', wire.to, toAdapter],
  ] as const) {
    if (!socket?.port || !SMALL.includes(socket.port.connector)) continue
    if ((adapter ?? cable).bare) return { part, socket, lead: (adapter ?? cable).title }
  }
  return undefined
}

/** The same run by a lead with full-size plugs and a short adapter that has a relief of its own. */
function shortAdapter({ plan }: Traced, { wire, figures }: WireTrace): Proposal[] {
  const { from, to } = wire
  if (!from?.port || !to?.port) return []
  const sound = new Map([...allLeads(plan)].filter(([, lead]) => !lead.bare))
  for (const [id, lead] of sound) {
    if (lead.kind !== 'cable' || lead.carries !== from.port.carries || lead.oneWay) continue
    const ends = adaptersFor(sound, from.port, lead, to.port)
    if (!ends) continue
    const draft = new Draft(plan)
    const keep = (adapter: { id: string; row: AdapterModel } | undefined) => adapter && draft.lead(adapter.id)
    const adapters = { ...(ends.from ? { from: keep(ends.from)! } : {}), ...(ends.to ? { to: keep(ends.to)! } : {}) }
    const { pieces: _, adapters: _old, ...rest } = wire.link
    const piece =
      wire.link.routeM === undefined && figures?.lengthM !== undefined
        ? lead.stock.find(({ m }) => m >= figures.lengthM!)?.m
        : undefined
    draft.disconnect(wire.id)
    draft.connect(
      {
        ...rest,
        cable: draft.lead(id),
        ...(Object.keys(adapters).length ? { adapters } : {}),
        ...(piece === undefined ? {} : { pieces: [piece] }),
      },
      wire.id,
    )
    return [{ title: `Take ${lead.title} with ${(ends.from ?? ends.to)!.row.title}`.slice(0, 120), edits: draft.edits }]
  }
  return []
}
