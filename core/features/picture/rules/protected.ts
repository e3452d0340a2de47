import { runWith, socketKey, socketName, stoppedBy, wireAt } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeSockets, rule, spanOf, swapSource } from '#core/propose'

export const protectedPicture = rule({
  code: 'F10',
  about: 'Content-protected picture into an input that does not decode it.',
  messages: {
    stopped: {
      severity: 'D',
      says: '{sender} sends content-protected pictures, and {input} does not decode them: it shows black.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'protected').map(({ wire, signal }) =>
      say(
        'stopped',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.origin.device)!.device.name),
          input: text(socketName(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  // Protection is never taken off on the way: only its owner's setting, another output or another player help.
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at?.wire.to) return []
    const { origin } = at.signal!
    const source = traced.chain.nodes.get(origin.device)!
    const offers: Proposal[] = []
    if (own(source.model.ports, origin.port)?.protection === 'switchable') {
      const draft = new Draft(traced.plan)
      draft.set(['devices', source.id, 'ports', origin.port, 'unprotected'], true)
      offers.push({ title: `Set ${source.device.name} to send what is not protected openly`, edits: draft.edits })
    }
    for (const other of freeSockets(traced, source, 'out').filter(({ port }) => !port?.protection)) {
      offers.push(
        ...connectTo(traced, other, [at.wire.to], `Take it from ${socketName(other)} to`, spanOf(traced, at))
          .slice(0, 1)
          .map(({ title, edits }) => ({ title, edits: [{ do: 'disconnect' as const, id: at.wire.id }, ...edits] })),
      )
    }
    const alone = (traced.chain.leaving.get(socketKey(origin.device, origin.port)) ?? []).length === 1
    return [...offers, ...(alone ? swapSource(traced, at, 4) : [])]
  },
})
