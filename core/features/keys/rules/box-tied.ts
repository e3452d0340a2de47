import { type Socket, type Traced, deviceName, endName, runInto } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, followInputs, largerSwitcher, rule } from '#core/propose'
import { type Laid, allLaid } from '../laid'

export const boxTied = rule({
  code: 'K08',
  about: 'A picture in a picture always shows one input, and the picture that is wanted there comes by another.',
  messages: {
    tied: {
      severity: 'D',
      says: 'The box of {switcher} always shows {input}: {overlay} would show {there} and not {source}.',
    },
  },
  find: (traced, say) =>
    tied(traced).map(one =>
      say(
        'tied',
        { on: 'overlay', overlay: one.id },
        {
          switcher: text(one.node!.device.name),
          input: text(endName(traced, { device: one.node!.id, port: one.node!.model.inset! })),
          overlay: text(one.overlay.title),
          there: text(thereOf(traced, one)),
          source: text(own(traced.plan.devices, one.overlay.fill)?.name ?? one.overlay.fill),
        },
      ),
    ),
  remedies: (traced, { at }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (!one?.node || one.input === undefined) return []
    return [
      ...swapped(traced, one),
      ...largerSwitcher(
        traced,
        one.node,
        row => row.inset === undefined && (row.mix?.keyers ?? []).some(({ kinds }) => kinds.includes('box')),
      ),
    ]
  },
})

const originAt = (traced: Traced, { node }: Laid): string | undefined =>
  runInto(traced, { device: node!.id, port: node!.model.inset! })?.origin?.device

const thereOf = (traced: Traced, one: Laid): string => {
  const origin = originAt(traced, one)
  return origin === undefined ? 'nothing' : deviceName(traced, origin)
}

const tied = (traced: Traced): Laid[] =>
  allLaid(traced).filter(
    one =>
      one.overlay.kind === 'box' &&
      one.node?.model.inset !== undefined &&
      one.keyers?.length &&
      one.feeder === undefined &&
      own(traced.plan.devices, one.overlay.fill) &&
      // What no cable brings there is told as that.
      one.input !== one.node.model.inset,
  )

/** The two cables change places; a free socket takes the one alone. */
function swapped(traced: Traced, one: Laid): Proposal[] {
  const { node, input } = one
  const inset: Socket = { node: node!, portId: node!.model.inset!, port: node!.model.ports[node!.model.inset!] }
  const mine = runInto(traced, { device: node!.id, port: input! })?.links.at(-1)
  if (!mine) return []
  const draft = new Draft(traced.plan)
  draft.move(mine.wire.id, 'to', { device: node!.id, port: inset.portId }, mine.wire.link.adapters?.to)
  for (const wire of traced.chain.entering.get(`${node!.id}/${inset.portId}`) ?? [])
    draft.move(wire.id, 'to', { device: node!.id, port: input! }, wire.link.adapters?.to)
  const [to, from] = [
    { device: node!.id, port: inset.portId },
    { device: node!.id, port: input! },
  ]
  followInputs(draft, traced.plan, [
    { from, to },
    { from: to, to: from },
  ])
  const labels = [own(node!.device.ports, inset.portId)?.label, own(node!.device.ports, input!)?.label]
  if (labels[0] !== labels[1]) {
    draft.set(['devices', node!.id, 'ports', inset.portId, 'label'], labels[1])
    draft.set(['devices', node!.id, 'ports', input!, 'label'], labels[0])
  }
  return [
    {
      title: `Lead ${deviceName(traced, one.overlay.fill)} into ${inset.port!.title}`.slice(0, 120),
      edits: draft.edits,
    },
  ]
}
