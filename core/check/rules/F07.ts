import { LEVELS } from '#core/signal'
import { text } from '../finding'
import { offerWays, setTrait, throughDevices, waysFor } from '../offers'
import { finding, runWith, socketName, stoppedBy, wireAt, type Rule } from '../rule'

export const F07: Rule = {
  id: 'F07',
  about: 'The receiver does not take this level of 3G-SDI.',
  says: { stopped: '{sender} sends 3G-SDI at level {sends}, and {input} takes level {takes} alone: the input shows black.' },
  find: traced => stoppedBy(traced, 'level').map(({ wire, signal, stop }) => finding('F07', 'D', { on: 'link', link: wire.id, part: 'to' }, 'stopped', {
    sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name), sends: text(stop.sends), takes: text(stop.takes.join(' and ')), input: text(socketName(wire.to!)),
  }, runWith(traced, wire.id)?.id)),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (at?.stop?.why !== 'level') return []
    const { takes } = at.stop
    return [...LEVELS.filter(level => takes.includes(level)).flatMap(level => setTrait(traced, at.signal!, 'levels', level, `level ${level}`)), ...offerWays(traced, at, throughDevices(waysFor(traced, at)))]
  },
}
