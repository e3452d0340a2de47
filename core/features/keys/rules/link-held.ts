import { type Socket, type Traced, deviceName, runInto } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeInputs, freeSockets, moveInput, rule } from '#core/propose'
import { fillInput, linkTo } from '#core/run'
import { listWords } from '#core/words'
import { type Laid, allLaid, laidIn } from '../laid'

export const linkHeld = rule({
  code: 'K15',
  about:
    'What is laid over pictures comes over the link of a feeder: nothing else of that feeder can be shown with it.',
  messages: {
    held: {
      severity: 'D',
      says: '{overlay} comes to {switcher} over the link from {feeder} and holds it: while it is lit, {others} cannot be shown.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    laidIn(traced).flatMap(one => {
      const others = heldBack(traced, one)
      return others.length
        ? [
            say(
              'held',
              { on: 'overlay', overlay: one.id },
              {
                overlay: text(one.overlay.title),
                switcher: text(one.node!.device.name),
                feeder: text(deviceName(traced, one.feeder!)),
                others: text(listWords(others.map(id => deviceName(traced, id)))),
              },
            ),
          ]
        : []
    }),
  remedies: (traced, { at }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    return one?.node && one.feeder !== undefined ? [...straight(traced, one), ...atFeeder(traced, one)] : []
  },
})

/** Sources that the segment uses and that come by the link which the overlay holds, and by no other. */
function heldBack(traced: Traced, { overlay, node, input, feeder }: Laid): string[] {
  if (!node || input === undefined || feeder === undefined) return []
  const used = traced.segment?.sources
  return [...traced.chain.nodes.values()]
    .filter(({ id, model }) => model.role === 'source' && id !== overlay.fill && (!used || used.includes(id)))
    .map(({ id }) => id)
    .filter(
      id => fillInput(traced, node, id) === input && linkTo(traced, { device: node.id, port: input }, id) !== undefined,
    )
}

/** The source led to the last switcher by an input of its own; of a full one, in exchange. */
function straight(traced: Traced, { overlay, node, feeder }: Laid): Proposal[] {
  const inputs = freeInputs(traced, node!.id).filter((input: Socket) => input.node.id === node!.id)
  const source = traced.chain.nodes.get(overlay.fill)!
  const now = traced.runs.find(({ origin, end }) => origin?.device === overlay.fill && end?.device === feeder)
  const moved = now ? moveInput(traced, now.links.at(-1)!, inputs) : []
  const more = freeSockets(traced, source, 'out').flatMap(out =>
    connectTo(traced, out, inputs, `Lead ${source.device.name} straight to`).slice(0, 1),
  )
  return [...moved, ...more, ...exchanged(traced, overlay.fill, node!.id, feeder!)].map(offer => ({
    ...offer,
    title: offer.title.replace('Move it', `Move ${source.device.name}`).slice(0, 120),
  }))
}

/** A source of the last switcher changes places with it, where their sockets are alike. */
function exchanged(traced: Traced, source: string, last: string, feeder: string): Proposal[] {
  const mine = traced.runs.find(({ origin, end }) => origin?.device === source && end?.device === feeder)
  if (!mine) return []
  const { wire } = mine.links.at(-1)!
  return traced.runs
    .filter(
      ({ origin, end, lit }) =>
        lit && end?.device === last && origin && traced.chain.nodes.get(origin.device)?.model.role === 'source',
    )
    .filter(other => other.links.at(-1)!.wire.to!.port!.connector === wire.to!.port!.connector)
    .slice(0, 2)
    .map((other): Proposal => {
      const theirs = other.links.at(-1)!.wire
      const draft = new Draft(traced.plan)
      draft.move(wire.id, 'to', theirs.link.to, wire.link.adapters?.to)
      draft.move(theirs.id, 'to', wire.link.to, theirs.link.adapters?.to)
      return {
        title: `${deviceName(traced, source)} and ${deviceName(traced, other.origin!.device)} change places`.slice(
          0,
          120,
        ),
        edits: draft.edits,
      }
    })
}

/** Keyed where it comes in: it lies over the pictures of that feeder alone. */
function atFeeder(traced: Traced, { id, overlay, feeder }: Laid): Proposal[] {
  const node = traced.chain.nodes.get(feeder!)!
  if (
    runInto(traced, { device: feeder!, port: fillInput(traced, node, overlay.fill, overlay.output) ?? '' }) ===
    undefined
  )
    return []
  const draft = new Draft(traced.plan)
  draft.set(['overlays', id, 'over'], feeder)
  for (const [look, { keys }] of Object.entries(traced.plan.looks))
    for (const [device, numbers] of Object.entries(keys ?? {}))
      for (const [number, there] of Object.entries(numbers))
        if (there === id && device !== feeder && !own(own(keys, feeder), number)) {
          draft.set(['looks', look, 'keys', device, number])
          draft.set(['looks', look, 'keys', feeder!, number], id)
        }
  return [
    { title: `Key ${overlay.title} at ${node.device.name}, over its pictures alone`.slice(0, 120), edits: draft.edits },
  ]
}
