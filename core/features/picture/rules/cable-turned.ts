import { leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, direct, offerWays, rule, waysReaching } from '#core/propose'

export const cableTurned = rule({
  code: 'C08',
  about: 'A cable that works one way only is laid the wrong way round.',
  messages: {
    turned: {
      severity: 'D',
      says: '{cable} works one way only, and between {from} and {to} its source end lies at {to}: no picture passes.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'turned').map(({ wire }) =>
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
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
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
