import { type DeviceNode, type Traced, deviceName, isSwitcher, lastSwitchers } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, addSink, freeSockets, rule } from '#core/propose'

export const operatorBlind = rule({
  code: 'R09',
  about: 'Somebody works a feeder and sees neither its multiview nor its program.',
  messages: {
    blind: {
      severity: 'R',
      says: '{person} works {switcher} and sees neither its multiview nor its program: what is pressed there is not seen before it is on air.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    blind(traced).map(({ node, person }) =>
      say(
        'blind',
        { on: 'device', device: node.id },
        { person: text(own(traced.plan.people, person)!.name), switcher: text(node.device.name) },
        traced.runs.find(({ end, beside }) => !beside && end?.device === node.id)?.id,
      ),
    ),
  remedies: (traced, { at, segments = [] }): Proposal[] => {
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!node) return []
    const screens = freeSockets(traced, node, 'out').flatMap((out): Proposal[] => {
      const feed = out.port?.feeds?.includes('multiview') ? 'multiview' : 'program'
      if (!out.port?.feeds?.includes(feed)) return []
      const model = out.port.carries === 'sdi' ? 'screen-sdi' : 'screen'
      const edits = addSink(traced, out, model, `${node.device.name} operator's screen`.slice(0, 120), feed)
      // It is the feeder's own that whoever works it is to see.
      const mine = edits?.map(edit =>
        edit.do === 'add' && edit.collection === 'wants' ? { ...edit, value: { ...edit.value, of: node.id } } : edit,
      )
      return mine
        ? [
            {
              title:
                `Put a screen at output ${out.port.number ?? out.portId} of ${node.device.name}: its ${feed}`.slice(
                  0,
                  120,
                ),
              edits: mine,
            },
          ]
        : []
    })
    const draft = new Draft(traced.plan)
    for (const segment of segments)
      for (const [person, devices] of Object.entries(own(traced.plan.segments, segment)?.work ?? {}))
        if (devices.includes(node.id)) {
          const left = devices.filter(device => device !== node.id)
          draft.set(['segments', segment, 'work', person], left.length ? left : undefined)
        }
    return [
      ...screens.slice(0, 2),
      { title: `Give up working ${deviceName(traced, node.id)}`.slice(0, 120), edits: draft.edits, givesUp: true },
    ]
  },
})

/** Feeders that somebody works in the segment, and of which no screen shows anything. */
function blind(traced: Traced): { node: DeviceNode; person: string }[] {
  const { segment, chain, runs, plan } = traced
  if (!segment?.work) return []
  const last = new Set(lastSwitchers(traced).map(({ id }) => id))
  return [...chain.nodes.values()].flatMap(node => {
    if (!isSwitcher(node) || last.has(node.id)) return []
    const person = Object.entries(segment.work!).find(
      ([id, devices]) => own(plan.people, id) && devices.includes(node.id),
    )?.[0]
    const seen = runs.some(({ lit, beside, origin, end }) => {
      const kind = end && chain.nodes.get(end.device)!.model.kind
      return lit && !beside && origin?.device === node.id && (kind === 'screen' || kind === 'projector')
    })
    return person === undefined || seen ? [] : [{ node, person }]
  })
}
