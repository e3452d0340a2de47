import { type Traced, type Wire, leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, direct, offerWays, rule, waysReaching } from '#core/propose'

export const cableTurned = rule({
  code: 'C08',
  about: 'A cable that works one way only is laid the wrong way round.',
  messages: {
    turned: {
      severity: 'D',
      says: '{cable} works one way only, and between {from} and {to} its source end lies at {to}: no picture passes.',
    },
    swapped: {
      severity: 'D',
      says: '{near} and {far} stand in each other\u2019s place: {first} is led into an output, and {last} taken from an input, so nothing passes.',
    },
  },
  find: (traced, say) => [
    ...swappedPairs(traced).map(({ into, between, outOf }) =>
      say(
        'swapped',
        { on: 'link', link: between.id, part: 'cable' },
        {
          near: text(into.to!.node.device.name),
          far: text(outOf.from!.node.device.name),
          first: text(into.from ? socketName(into.from) : 'a loose end'),
          last: text(outOf.to ? socketName(outOf.to) : 'a loose end'),
        },
        runWith(traced, outOf.id)?.id,
      ),
    ),
    ...stoppedBy(traced, 'turned').map(({ wire }) =>
      say(
        'turned',
        { on: 'link', link: wire.id, part: 'cable' },
        {
          cable: text(leadOf(traced.plan, wire.link).cable.title),
          from: text(socketName(wire.from!)),
          to: text(socketName(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    if (found.says === 'swapped') return changePlaces(traced, at.wire.id)
    const draft = new Draft(traced.plan)
    draft.set(['links', at.wire.id, 'turned'])
    return [
      { title: 'Turn the cable round', edits: draft.edits },
      ...offerWays(
        traced,
        at,
        direct(waysReaching(traced, at)).filter(way => !way.cables[0]!.model.oneWay),
        2,
      ),
    ]
  },
})

interface Swapped {
  readonly into: Wire
  readonly between: Wire
  readonly outOf: Wire
}

/** Two boxes that belong together, such as the ends of an extender, each where the other should be. */
export function swappedPairs({ chain }: Traced): Swapped[] {
  const wires = [...chain.wires.values()]
  return wires.flatMap(between => {
    const [near, far] = [between.from, between.to]
    if (near?.node.model.role !== 'way' || far?.node.model.role !== 'way') return []
    if (near.port?.dir !== 'in' || far.port?.dir !== 'out') return []
    const into = wires.find(
      ({ from, to }) => to?.node === near.node && to.port?.dir === 'out' && from?.port?.dir === 'out',
    )
    const outOf = wires.find(
      ({ from, to }) => from?.node === far.node && from.port?.dir === 'in' && to?.port?.dir === 'in',
    )
    return into && outOf ? [{ into, between, outOf }] : []
  })
}

function changePlaces(traced: Traced, id: string): Proposal[] {
  const pair = swappedPairs(traced).find(({ between }) => between.id === id)
  if (!pair) return []
  const { into, between, outOf } = pair
  const [near, far] = [into.to!, outOf.from!]
  const draft = new Draft(traced.plan)
  draft.move(into.id, 'to', { device: far.node.id, port: far.portId }, into.link.adapters?.to)
  draft.move(between.id, 'from', between.link.to!, between.link.adapters?.to)
  draft.move(between.id, 'to', between.link.from!, between.link.adapters?.from)
  draft.move(outOf.id, 'from', { device: near.node.id, port: near.portId }, outOf.link.adapters?.from)
  return [
    {
      title: `Let ${near.node.device.name} and ${far.node.device.name} change places`.slice(0, 120),
      edits: draft.edits,
    },
  ]
}
