import { runWith, socketName, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { offerWays, rule, setSender, throughDevices, waysFor } from '#core/propose'
import { format, rate } from '#core/signal'

export const openOutput = rule({
  code: 'F18',
  about: 'A computer\u2019s output is left to the desktop\u2019s choice.',
  messages: {
    open: {
      severity: 'R',
      says: 'Nobody has fixed the output of {sender}: its desktop may choose {other} as well as {standard}, which is all that {input} takes.',
    },
  },
  find: (traced, say) =>
    [...traced.trace.wires.values()]
      .filter(({ chosen }) => chosen)
      .map(({ wire, signal }) =>
        say(
          'open',
          { on: 'link', link: wire.id, part: 'to' },
          {
            sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
            other: text(rate(signal!.format.rate).label),
            standard: format(wire.to!.node.standard!),
            input: text(socketName(wire.to!)),
          },
          runWith(traced, wire.id)?.id,
        ),
      ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at?.wire.to
      ? [
          ...setSender(traced, at, [at.wire.to.node.standard!]),
          ...offerWays(traced, at, throughDevices(waysFor(traced, at)), 2),
        ]
      : []
  },
})
