import { type Traced, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, freeSockets, rule } from '#core/propose'
import { swappedPairs } from './cable-turned'
import { backwards } from './wrong-converter'

export const endsAlike = rule({
  code: 'C03',
  about: 'An output is wired to an output, or an input to an input.',
  messages: {
    outputs: { severity: 'D', says: '{from} and {to} are both outputs: nothing takes the picture.' },
    inputs: { severity: 'D', says: '{from} and {to} are both inputs: nothing gives a picture.' },
    turned: {
      severity: 'D',
      says: 'The link is laid from the input {from} to the output {to}: it runs the wrong way round.',
    },
  },
  find: (traced, say) =>
    laidWrong(traced).map(({ wire, stop }) => {
      const says = stop.ends.length === 2 ? 'turned' : stop.ends[0] === 'to' ? 'outputs' : 'inputs'
      return say(
        says,
        { on: 'link', link: wire.id, part: stop.ends[0] === 'to' ? 'to' : 'from' },
        {
          from: text(wire.from ? socketName(wire.from) : 'a loose end'),
          to: text(wire.to ? socketName(wire.to) : 'a loose end'),
        },
        runWith(traced, wire.id)?.id,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at || at.stop?.why !== 'direction') return []
    const { wire, stop } = at
    const offers: Proposal[] = []
    if (stop.ends.length === 2 && wire.link.from && wire.link.to) {
      const draft = new Draft(traced.plan)
      draft.move(wire.id, 'from', wire.link.to, wire.link.adapters?.to)
      draft.move(wire.id, 'to', wire.link.from, wire.link.adapters?.from)
      offers.push({ title: 'Turn the link round', edits: draft.edits })
    }
    for (const end of stop.ends) {
      const socket = wire[end]!
      const right = freeSockets(traced, socket.node, end === 'from' ? 'out' : 'in').sort(
        (a, b) => Number(b.port?.carries === socket.port?.carries) - Number(a.port?.carries === socket.port?.carries),
      )
      for (const free of right.slice(0, 4)) {
        const draft = new Draft(traced.plan)
        draft.move(wire.id, end, { device: free.node.id, port: free.portId }, wire.link.adapters?.[end])
        offers.push({ title: `Move the end to ${socketName(free)}`, edits: draft.edits })
      }
    }
    const other = stop.ends[0] === 'to' ? 'in' : 'out'
    const elsewhere = [...traced.chain.nodes.values()]
      .flatMap(node => freeSockets(traced, node, other))
      .filter(
        ({ node, port }) =>
          node.id !== wire[stop.ends[0]!]!.node.id && port?.carries === wire[stop.ends[0]!]!.port?.carries,
      )
    for (const free of elsewhere.slice(0, 6)) {
      const draft = new Draft(traced.plan)
      draft.move(
        wire.id,
        stop.ends[0]!,
        { device: free.node.id, port: free.portId },
        wire.link.adapters?.[stop.ends[0]!],
      )
      offers.push({ title: `Move the end to ${socketName(free)}`, edits: draft.edits })
    }
    const draft = new Draft(traced.plan)
    draft.disconnect(wire.id)
    offers.push({ title: 'Take the cable out', edits: draft.edits })
    return offers
  },
})

/** A device turned round is told once, not at each of its two ends. */
function laidWrong(traced: Traced) {
  const turned = new Set([
    ...backwards(traced).flatMap(({ into, outOf }) => [into.id, outOf.id]),
    ...swappedPairs(traced).flatMap(({ into, between, outOf }) => [into.id, between.id, outOf.id]),
  ])
  return stoppedBy(traced, 'direction').filter(({ wire }) => !turned.has(wire.id))
}
