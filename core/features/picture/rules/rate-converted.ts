import { type Traced, type WireTrace, gathers, runWith, socketName, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { offerWays, otherStandards, rule, setSender, throughDevices, waysFor } from '#core/propose'
import { format, picturesPerSecond, unevenPerSecond } from '#core/signal'
import { figure } from '#core/words'

/** Fewer frames a second than this are lost or shown twice so seldom that only a slow pan shows it. */
const SELDOM = 0.2

export const rateConverted = rule({
  code: 'F23',
  about: 'A normalising input converts the frame rate: frames are repeated or dropped.',
  messages: {
    motion: {
      severity: 'Q',
      says: '{sender} sends {sends} into {input}, which makes {standard} of it: {n} pictures a second are {what} unevenly, and every movement shows it.',
    },
    seldom: {
      severity: 'Q',
      says: '{sender} sends {sends} into {input}, which makes {standard} of it: a picture is {what} every {every} s, which shows in a slow pan alone.',
    },
  },
  find: (traced, say) =>
    converted(traced).map(({ at, n }) => {
      const { signal, wire } = at
      const [now, standard] = [signal!.format, wire.to!.node.standard!]
      const more = picturesPerSecond(standard) > picturesPerSecond(now)
      return say(
        n < SELDOM ? 'seldom' : 'motion',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
          sends: format(now),
          input: text(socketName(wire.to!)),
          standard: format(standard),
          n: text(figure(n, n < 10 ? 1 : 0)),
          every: text(figure(1 / n, 1)),
          what: text(more ? 'shown once more' : 'left out'),
        },
        runWith(traced, wire.id)?.id,
      )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    const standard = at?.wire.to?.node.standard
    if (!at || !standard) return []
    return [
      ...setSender(traced, at, [standard]),
      ...otherStandards(traced, at.wire.to!.node.id, { only: ({ rate }) => rate === at.signal!.format.rate }).slice(
        0,
        1,
      ),
      ...offerWays(traced, at, throughDevices(waysFor(traced, at)).filter(converts), 1),
    ]
  },
})

const converts = ({ devices }: { devices: readonly { format?: unknown }[] }): boolean =>
  devices.some(device => device.format !== undefined)

/** Links whose picture a switcher's input brings to another rate, in steps that are not whole. */
function converted({ trace }: Traced): { at: WireTrace; n: number }[] {
  return [...trace.wires.values()].flatMap(at => {
    const node = at.wire.to?.node
    // From switcher to switcher it is the two standards that differ, and that is told.
    if (
      !at.arrives ||
      !at.signal ||
      at.signal.feed !== undefined ||
      !node?.standard ||
      !gathers(node) ||
      at.wire.to!.port?.takes === 'standard'
    )
      return []
    const n = unevenPerSecond(picturesPerSecond(at.signal.format), picturesPerSecond(node.standard))
    return n > 0 ? [{ at, n }] : []
  })
}
