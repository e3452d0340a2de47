import { portsOf } from '#core/catalog'
import { type Socket, type Traced, deviceName, isSwitcher } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { type Heard, heardIn } from '../ways'

export const hearsOneself = rule({
  code: 'A11',
  about: 'A guest from afar hears themselves: what goes back to them has their own sound in it.',
  messages: {
    back: {
      severity: 'Q',
      says: '{guest} hears themselves, later, at {back}: what {switcher} sends there has their own sound in it.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    returns(traced).map(({ heard, guest, output }) =>
      say(
        'back',
        { on: 'device', device: heard.node.id },
        {
          guest: text(deviceName(traced, guest)),
          back: text(heard.node.device.name),
          switcher: text(output.node.device.name),
        },
        traced.runs.find(({ end }) => end?.device === heard.node.id)?.id,
      ),
    ),
  remedies: (traced, { at }) => {
    const one = returns(traced).find(({ heard }) => at.on === 'device' && heard.node.id === at.device)
    return one ? without(traced, one) : []
  },
})

interface Return {
  readonly heard: Heard
  readonly guest: string
  /** The output that sends it. */
  readonly output: Socket
  /** The input by which the guest comes in there. */
  readonly input: string
}

/** Where a device hears the one that houses it: the far end of a call. */
function returns(traced: Traced): Return[] {
  const found = new Map<string, Return>()
  for (const heard of heardIn(traced)) {
    const guest = heard.node.device.in
    const way = guest === undefined ? undefined : heard.ways.find(({ origin, open }) => open && origin === guest)
    const last = way?.gates.at(-1)
    const origin = traced.runs.find(({ end, beside }) => !beside && end?.device === heard.node.id)?.origin
    const node = origin && traced.chain.nodes.get(origin.device)
    if (guest === undefined || !last || !node || !isSwitcher(node) || found.has(heard.node.id)) continue
    const output = { node, portId: origin.port, port: own(node.model.ports, origin.port) }
    found.set(heard.node.id, { heard, guest, output, input: last.port })
  }
  return [...found.values()]
}

/** The mix without them, from this output or from one that can send it; else their sound shut, or the return silent. */
function without(traced: Traced, { heard, output, input }: Return): Proposal[] {
  const { plan, chain } = traced
  const { node, portId, port } = output
  const offers: Proposal[] = []
  if (port?.minus) {
    const draft = new Draft(plan)
    draft.set(['devices', node.id, 'ports', portId, 'minus'], input)
    offers.push({
      title: `Send it without the sound of ${node.model.ports[input]!.title}`.slice(0, 120),
      edits: draft.edits,
    })
  }
  const last = traced.runs.find(({ end }) => end?.device === heard.node.id)?.links[0]
  for (const [otherId, other] of portsOf(node.model, 'out')) {
    if (!other.minus || otherId === portId || chain.leaving.has(`${node.id}/${otherId}`) || !last) continue
    if (other.connector !== port?.connector) continue
    const draft = new Draft(plan)
    draft.move(last.wire.id, 'from', { device: node.id, port: otherId }, last.wire.link.adapters?.from)
    draft.set(['devices', node.id, 'ports', otherId, 'minus'], input)
    offers.push({ title: `Send it by ${other.title}, without their sound`.slice(0, 120), edits: draft.edits })
  }
  const shut = new Draft(plan)
  shut.set(['devices', node.id, 'ports', input, 'sound'], 'shut')
  return [...offers, { title: `Shut the sound of ${node.model.ports[input]!.title}`.slice(0, 120), edits: shut.edits }]
}
