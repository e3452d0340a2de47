import { leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { length, text } from '#core/kernel'
import { betterControl, offerWays, otherControl, rule, shorterPieces, waysReaching } from '#core/propose'

export const usbTooLong = rule({
  code: 'L04',
  about: 'USB beyond its class.',
  messages: {
    dark: {
      severity: 'D',
      says: '{cable} from {from} to {to} would be {length} long and carries {reach}: nothing passes.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'too-far')
      .filter(at => leadOf(traced.plan, at.wire.link).cable.ends.some(end => end.startsWith('usb-')))
      .map(({ wire, stop }) =>
        say(
          'dark',
          { on: 'link', link: wire.id, part: 'cable' },
          {
            cable: text(leadOf(traced.plan, wire.link).cable.title),
            from: text(socketName(wire.from!)),
            to: text(socketName(wire.to!)),
            length: length(stop.lengthM),
            reach: length(stop.reachM),
          },
          runWith(traced, wire.id)?.id,
        ),
      ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.beside) return [...shorterPieces(traced, at), ...betterControl(traced, at), ...otherControl(traced, at)]
    return at ? [...shorterPieces(traced, at), ...offerWays(traced, at, waysReaching(traced, at))] : []
  },
})
