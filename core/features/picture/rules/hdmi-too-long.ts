import { type Traced, type WireTrace, leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { dataRate, length, text } from '#core/kernel'
import { behind } from './coax-too-long'
import { direct, offerWays, rule, shorterPieces, throughDevices, waysReaching } from '#core/propose'

export const hdmiTooLong = rule({
  code: 'L01',
  about: 'HDMI, or what extends it, beyond the length that its data rate allows.',
  messages: {
    behind: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long; {device} does not renew the picture and {share} of its reach is used before it, which leaves {reach}: it stays black.',
    },
    dark: {
      severity: 'D',
      says: '{cable} from {from} to {to} is {length} long; at {rate} it carries {reach}, so the picture sparkles, drops out or stays black.',
    },
    noPiece: {
      severity: 'D',
      says: '{cable} from {from} to {to} would have to be {length} long, and no piece on sale is: the longest is {reach}.',
    },
    long: {
      severity: 'R',
      says: '{cable} from {from} to {to} is {length} long; at {rate} that is beyond the {warn} that always holds, though short of the {reach} where it fails.',
    },
    usual: {
      severity: 'N',
      says: '{cable} from {from} to {to} is {length} long; at {rate} that is beyond the {warn} that always holds, though short of the {reach} where it fails.',
    },
  },
  find: (traced, say) => {
    const school = traced.plan.brief.cableSchool ?? 'cautious'
    const dark = stoppedBy(traced, 'too-far')
      .filter(at => isHdmi(traced, at))
      .map(at => {
        const where = { on: 'link', link: at.wire.id, part: 'cable' } as const
        const run = runWith(traced, at.wire.id)?.id
        const figures = {
          ...numbers(traced, at),
          length: length(at.stop.lengthM),
          reach: length(at.stop.reachM),
        }
        const spent = behind(at)
        return spent
          ? say('behind', where, { ...figures, ...spent }, run)
          : say(at.stop.noPiece ? 'noPiece' : 'dark', where, figures, run)
      })
    const long = [...traced.trace.wires.values()].flatMap(at => {
      const caution = at.figures?.caution
      if (!at.arrives || caution?.why !== 'long') return []
      return [
        say(
          school === 'usual' ? 'usual' : 'long',
          { on: 'link', link: at.wire.id, part: 'cable' },
          {
            ...numbers(traced, at),
            length: length(at.figures!.lengthM!),
            warn: length(caution.warnM),
            reach: length(caution.faultM),
          },
          runWith(traced, at.wire.id)?.id,
        ),
      ]
    })
    return [...dark, ...long]
  },
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    const ways = waysReaching(traced, at)
    const shorter = shorterPieces(traced, at)
    const others = direct(ways).filter(way => shorter.length === 0 || way.cables[0]!.lead !== at.wire.link.cable)
    return [...shorter, ...offerWays(traced, at, others), ...offerWays(traced, at, throughDevices(ways), 4)]
  },
})

const isHdmi = (traced: Traced, { wire }: WireTrace): boolean =>
  ['hdmi', 'pair'].includes(leadOf(traced.plan, wire.link).cable.carries)

function numbers({ plan }: Traced, { wire, figures }: WireTrace) {
  return {
    cable: text(leadOf(plan, wire.link).cable.title),
    from: text(socketName(wire.from!)),
    to: text(socketName(wire.to!)),
    rate: dataRate(figures!.bitsPerS),
  }
}
