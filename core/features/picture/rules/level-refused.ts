import { runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { offerWays, rule, setTrait, throughDevices, waysFor } from '#core/propose'
import { LEVELS } from '#core/signal'

export const levelRefused = rule({
  code: 'F07',
  about: 'The receiver does not take this level of 3G-SDI.',
  messages: {
    stopped: {
      severity: 'D',
      says: '{sender} sends 3G-SDI at level {sends}, and {input} takes level {takes} alone: the input shows black.',
    },
  },
  find: (traced, say) =>
    stoppedBy(traced, 'level').map(({ wire, signal, stop }) =>
      say(
        'stopped',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name),
          sends: text(stop.sends),
          takes: text(stop.takes.join(' and ')),
          input: text(socketName(wire.to!)),
        },
        runWith(traced, wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'level') return []
    const { takes } = at.stop
    return [
      ...LEVELS.filter(level => takes.includes(level)).flatMap(level =>
        setTrait(traced, at.signal!, 'levels', level, `level ${level}`),
      ),
      ...offerWays(traced, at, throughDevices(waysFor(traced, at))),
    ]
  },
})
