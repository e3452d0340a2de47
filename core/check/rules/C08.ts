import { leadOf } from '#core/chain'
import { Draft } from '#core/ways'
import { text } from '../finding'
import { direct, offerWays, waysReaching } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'

export const C08: Rule = {
  id: 'C08',
  about: 'A cable that works one way only is laid the wrong way round.',
  says: { turned: '{cable} works one way only, and between {from} and {to} its source end lies at {to}: no picture passes.' },
  find: traced => stoppedBy(traced, 'turned').map(({ wire }) => finding('C08', 'D', { on: 'link', link: wire.id, part: 'cable' }, 'turned', {
    cable: text(leadOf(traced.plan, wire.link).cable.title), from: text(socketName(wire.from!)), to: text(socketName(wire.to!)),
  }, runWith(traced, wire.id)?.id)),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const draft = new Draft(traced.plan)
    draft.set(['links', at.wire.id, 'turned'])
    return [{ title: 'Turn the cable round', edits: draft.edits }, ...offerWays(traced, at, direct(waysReaching(traced, at)).filter(way => !way.cables[0]!.model.oneWay), 2)]
  },
}
