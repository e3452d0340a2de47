import { type CableModel, LEADS, choosePieces, cutLengthM, isAir, lengthStep } from '#core/cable'
import { type Traced, type WireTrace, leadOf, lengthOf, runWith, socketName, wireAt } from '#core/chain'
import { length, text } from '#core/kernel'
import { Draft, type Proposal, rule, shorterPieces } from '#core/propose'

export const unbalancedTooLong = rule({
  code: 'L05',
  about: 'A sound lead too long, above all an unbalanced one.',
  messages: {
    long: {
      severity: 'Q',
      says: '{cable} from {from} to {to} is {length} long; unbalanced sound is good for about {reach}, and beyond that it hums and loses its highs.',
    },
    far: {
      severity: 'Q',
      says: '{cable} from {from} to {to} is {length} long; balanced sound is good for about {reach} of it, and beyond that it loses its highs.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()].flatMap(at => {
      const over = tooLong(traced, at)
      return over
        ? [
            say(
              over.unbalanced ? 'long' : 'far',
              { on: 'link', link: at.wire.id, part: 'cable' },
              {
                cable: text(leadOf(traced.plan, at.wire.link).cable.title),
                from: text(socketName(at.wire.from!)),
                to: text(socketName(at.wire.to!)),
                length: length(over.lengthM),
                reach: length(over.reachM),
              },
              runWith(traced, at.wire.id)?.id,
            ),
          ]
        : []
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at ? [...shorterPieces(traced, at), ...(found.says === 'long' ? balanced(traced, at) : [])] : []
  },
})

/** The 3.5 mm jack has no second wire for the signal: every lead with one is unbalanced. */
const unbalanced = ({ ends }: CableModel): boolean => ends.includes('mini-jack')

function tooLong(
  { plan }: Traced,
  { wire, beside, arrives }: WireTrace,
): { readonly lengthM: number; readonly reachM: number; readonly unbalanced: boolean } | undefined {
  const { cable } = leadOf(plan, wire.link)
  if (beside !== 'sound' || !arrives || isAir(cable) || cable.reach.kind !== 'length') return undefined
  const { lengthM } = lengthOf(cable, wire.link)
  const reachM = lengthStep(cable.reach.steps, 1).faultM
  return lengthM !== undefined && lengthM > reachM ? { lengthM, reachM, unbalanced: unbalanced(cable) } : undefined
}

/** A transformer box at each end, and a balanced lead between them. */
function balanced({ plan }: Traced, { wire }: WireTrace): Proposal[] {
  const { link } = wire
  const lead = LEADS.get('xlr-lead') as CableModel
  const long = lengthOf(plan.leads[link.cable] as CableModel, link).lengthM
  const between =
    link.routeM === undefined ? choosePieces(lead, long!)?.pieces : choosePieces(lead, cutLengthM(link.routeM))?.pieces
  if (!link.from || !link.to || !between) return []
  const draft = new Draft(plan)
  const place = (model: string, name: string) =>
    draft.device({ model: draft.model(model), name: name.slice(0, 120), order: draft.lastOrder })
  const near = place('balance-box', `Transformer box, ${wire.from!.node.device.name}`)
  const far = place('unbalance-box', `Transformer box, ${wire.to!.node.device.name}`)
  draft.disconnect(wire.id)
  draft.connect({ from: link.from, to: { device: near, port: 'in' }, cable: draft.lead(link.cable), pieces: [0.5] })
  draft.connect({
    from: { device: near, port: 'out' },
    to: { device: far, port: 'in' },
    cable: draft.lead('xlr-lead'),
    ...(link.routeM === undefined ? { pieces: between } : { routeM: link.routeM }),
  })
  draft.connect(
    { from: { device: far, port: 'out' }, to: link.to, cable: draft.lead(link.cable), pieces: [0.5] },
    wire.id,
  )
  return [
    {
      title: `Balance it: a transformer box at each end and ${between.join(' + ')} m of balanced lead`,
      edits: draft.edits,
    },
  ]
}
