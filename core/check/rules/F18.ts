import { rate } from '#core/signal'
import { format, text } from '../finding'
import { offerWays, setSender, throughDevices, waysFor } from '../offers'
import { finding, runWith, socketName, wireAt, type Rule } from '../rule'

export const F18: Rule = {
  id: 'F18',
  about: 'A computer\u2019s output is left to the desktop\u2019s choice.',
  says: { open: 'Nobody has fixed the output of {sender}: its desktop may choose {other} as well as {standard}, which is all that {input} takes.' },
  find: traced => [...traced.trace.wires.values()].filter(({ chosen }) => chosen).map(({ wire, signal }) => finding('F18', 'R', { on: 'link', link: wire.id, part: 'to' }, 'open', {
    sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name), other: text(rate(signal!.format.rate).label), standard: format(wire.to!.node.standard!), input: text(socketName(wire.to!)),
  }, runWith(traced, wire.id)?.id)),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at?.wire.to ? [...setSender(traced, at, [at.wire.to.node.standard!]), ...offerWays(traced, at, throughDevices(waysFor(traced, at)), 2)] : []
  },
}
