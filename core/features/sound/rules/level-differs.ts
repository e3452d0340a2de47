import { runWith, socketName, wireAt, type Traced, type WireTrace } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, adaptersFor, allLeads, freeSockets, rule } from '#core/propose'
import { boxBefore } from '../between'
import { quietLinks } from '../facts'

export const levelDiffers = rule({
  code: 'A06',
  about: 'A microphone enters an input for line level.',
  messages: {
    weak: {
      severity: 'Q',
      says: '{from} sends microphone level into {to}, which takes line level alone: it is some 50 dB too quiet, and noise comes up with it.',
    },
  },
  find: (traced, say) =>
    quietLinks(traced).map(({ wire }) =>
      say(
        'weak',
        { on: 'link', link: wire.id, part: 'to' },
        { from: text(socketName(wire.from!)), to: text(socketName(wire.to!)) },
        runWith(traced, wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at ? [...elsewhere(traced, at), ...lifted(traced, at)] : []
  },
})

/** Free inputs that take microphones: of the same device, then of desks that lead on. */
function elsewhere(traced: Traced, { wire }: WireTrace): Proposal[] {
  const { plan, chain } = traced
  const near = freeSockets(traced, wire.to!.node, 'in')
  const desks = [...chain.nodes.values()]
    .filter(({ model }) => model.kind === 'desk')
    .flatMap(node => freeSockets(traced, node, 'in'))
  return [...near, ...desks]
    .filter(({ port }) => port?.carries === 'sound' && port.soundLevel !== 'line')
    .flatMap(to => {
      const draft = new Draft(plan)
      for (const [id, lead] of allLeads(plan)) {
        if (
          lead.kind !== 'cable' ||
          lead.carries !== 'sound' ||
          !adaptersFor(allLeads(plan), wire.from!.port!, lead, to.port!)
        )
          continue
        const { pieces: _, adapters: __, cable: ___, ...rest } = wire.link
        const keep = id === wire.link.cable
        draft.disconnect(wire.id)
        draft.connect(
          { ...(keep ? wire.link : { ...rest, cable: draft.lead(id) }), to: { device: to.node.id, port: to.portId } },
          wire.id,
        )
        return [{ title: `Move it to ${socketName(to)}`, edits: draft.edits }]
      }
      return []
    })
    .slice(0, 2)
}

/** An amplifier right before the input; the lead that is there goes to it. */
function lifted({ plan }: Traced, { wire }: WireTrace): Proposal[] {
  if (wire.to!.port!.connector !== 'xlr') return throughDesk(plan, wire)
  return [
    boxBefore(
      plan,
      wire,
      {
        model: 'amplifier-microphone',
        name: `Microphone amplifier, ${wire.from!.node.device.name}`,
        lead: 'xlr-lead',
      },
      `Put in a microphone amplifier before ${socketName(wire.to!)}`,
    ),
  ]
}

function throughDesk(plan: Traced['plan'], wire: WireTrace['wire']): Proposal[] {
  const draft = new Draft(plan)
  const desk = draft.device({ model: draft.model('desk-8'), name: 'Sound desk', order: draft.lastOrder })
  const { cable: _, pieces: __, adapters: ___, ...rest } = wire.link
  draft.disconnect(wire.id)
  draft.connect({ ...rest, to: { device: desk, port: 'in-1' }, cable: draft.lead('xlr-lead') }, wire.id)
  draft.connect({
    from: { device: desk, port: 'main' },
    to: wire.link.to!,
    cable: draft.lead('jack-lead'),
    pieces: [3],
  })
  return [{ title: `Put in a sound desk before ${socketName(wire.to!)}`.slice(0, 120), edits: draft.edits }]
}
