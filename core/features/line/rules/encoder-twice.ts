import { type Addressed, addressed, readdressed } from '../../control/facts'
import { addressText, areTogether } from '#core/document'
import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { listWords } from '#core/words'
import { idle, lost, named, regained } from '../destinations'
import { type EncoderLoad, linesOf } from '../load'

export const encoderTwice = rule({
  code: 'O11',
  about:
    'An encoder that makes one stream is to send to several destinations, or to none; or a destination waits for an encoder that is gone.',
  messages: {
    twice: {
      severity: 'D',
      says: '{encoder} makes one stream, and is to send it to {destinations}: only one of them gets it.',
    },
    apart: {
      severity: 'D',
      says: '{decoder} has {address} and {encoder}, whose picture it is to show, {other}: they lie on two subnets, and the picture does not get there.',
    },
    nowhere: {
      severity: 'D',
      says: '{encoder} is fed and sends nowhere: the plan names destinations, and none of them is its.',
    },
    gone: {
      severity: 'D',
      says: '{destination} is to get the show from an encoder that is not in the plan any more: it gets nothing.',
    },
  },
  find: (traced, say) => [
    ...twice(traced).map(({ load, straight }) =>
      say(
        'twice',
        { on: 'device', device: load.device },
        { encoder: text(load.name), destinations: text(listWords(straight.map(({ title }) => title))) },
        runAt(traced, load.device),
      ),
    ),
    // Where one has too many, that is said, and another that has none is its remedy.
    ...(twice(traced).length ? [] : idle(traced)).map(({ device, name }) =>
      say('nowhere', { on: 'device', device }, { encoder: text(name) }, runAt(traced, device)),
    ),
    ...apart(traced).map(({ from, to }) =>
      say(
        'apart',
        { on: 'device', device: to.node.id },
        {
          decoder: text(to.node.device.name),
          address: text(addressText(to.address)),
          encoder: text(from.node.device.name),
          other: text(addressText(from.address)),
        },
        runAt(traced, to.node.id),
      ),
    ),
    ...lost(traced).map(([id, { title }]) =>
      say('gone', { on: 'destination', destination: id }, { destination: text(title) }),
    ),
  ],
  remedies: (traced, { at, says }): Proposal[] => {
    if (says === 'apart') {
      const pair = apart(traced).find(({ to }) => at.on === 'device' && to.node.id === at.device)
      return pair
        ? [...readdressed(traced, pair.to, pair.from.address), ...readdressed(traced, pair.from, pair.to.address)]
        : []
    }
    if (at.on === 'destination') return regained(traced, at.destination)
    const one = at.on === 'device' ? twice(traced).find(({ load }) => load.device === at.device) : undefined
    if (!one) return at.on === 'device' ? named(traced, at.device) : []
    const [first, ...others] = one.straight
    const relay = new Draft(traced.plan)
    for (const { destination } of others) relay.set(['destinations', destination!, 'by'], first!.destination)
    const idle = linesOf(traced).encoders.filter(
      ({ device, sending }) =>
        device !== one.load.device && sending.every(({ destination }) => destination === undefined),
    )
    return [
      { title: `Let ${first!.title} pass it on`.slice(0, 120), edits: relay.edits },
      ...(others.length === 1 ? idle : []).slice(0, 2).map((load): Proposal => {
        const draft = new Draft(traced.plan)
        draft.set(['destinations', others[0]!.destination!, 'encoder'], load.device)
        return { title: `Send to ${others[0]!.title} from ${load.name}`.slice(0, 120), edits: draft.edits }
      }),
    ]
  },
})

/** Ends of a picture that goes over the network of the house, of which neither is in the other's subnet. */
function apart(traced: Traced): { readonly from: Addressed; readonly to: Addressed }[] {
  const known = new Map(addressed(traced).map(one => [one.node.id, one]))
  const found = new Map<string, { from: Addressed; to: Addressed }>()
  for (const { links } of traced.runs) {
    const first = links.find(({ wire }) => wire.from?.port?.carries === 'network')?.wire.from?.node.id
    const last = links.findLast(({ wire }) => wire.to?.port?.carries === 'network')?.wire.to?.node.id
    const [from, to] = [first, last].map(id => (id === undefined ? undefined : known.get(id)))
    if (from && to && !areTogether(from.address, to.address)) found.set(to.node.id, { from, to })
  }
  return [...found.values()]
}

/** A box that takes a picture makes one stream; a computer that sends makes as many as it can bear. */
const isBox = ({ model }: DeviceNode): boolean =>
  Object.values(model.ports).some(({ dir, carries }) => dir === 'in' && (carries === 'hdmi' || carries === 'sdi'))

const twice = (traced: Traced): { load: EncoderLoad; straight: EncoderLoad['sending'] }[] =>
  linesOf(traced).encoders.flatMap(load => {
    const straight = load.sending.filter(({ destination, by }) => destination !== undefined && by === undefined)
    return straight.length > 1 && isBox(traced.chain.nodes.get(load.device)!) ? [{ load, straight }] : []
  })
