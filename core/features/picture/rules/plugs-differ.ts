import { LEADS } from '#core/cable'
import { type Traced, type WireTrace, leadOf, runWith, socketName, stoppedBy, wireAt } from '#core/chain'
import { text } from '#core/kernel'
import { adaptersFor, joinControl, joinSound, offerWays, rule, waysReaching } from '#core/propose'
import { CONNECTOR_TITLES, SIGNAL_TITLES } from '#core/signal'
import { isOtherCount } from './division'
import { byAdapter } from './wrong-converter'

export const plugsDiffer = rule({
  code: 'C01',
  about: 'Connectors differ and nothing in the run adapts them.',
  messages: {
    shape: {
      severity: 'D',
      says: '{out} is {outShape}, {input} is {inShape}, and the cable is {cable}: the plugs do not fit without {missing}.',
    },
    kind: {
      severity: 'D',
      says: '{out} gives {outKind}, {input} takes {inKind}, and the cable carries {cableKind}: no passive lead joins them, {missing}.',
    },
  },
  find: (traced, say) =>
    plugsThatDiffer(traced).map(at => {
      const {
        wire,
        stop: { mismatch },
      } = at
      const { cable } = leadOf(traced.plan, wire.link)
      const common = { out: text(socketName(wire.from!)), input: text(socketName(wire.to!)) }
      return mismatch.by === 'shape'
        ? say(
            'shape',
            { on: 'link', link: wire.id, part: 'cable' },
            {
              ...common,
              outShape: text(CONNECTOR_TITLES[mismatch.from.connector]),
              inShape: text(CONNECTOR_TITLES[mismatch.to.connector]),
              cable: text(cable.title),
              missing: text(missingAdapter(traced, at)),
            },
            runWith(traced, wire.id)?.id,
          )
        : say(
            'kind',
            { on: 'link', link: wire.id, part: 'cable' },
            {
              ...common,
              outKind: text(SIGNAL_TITLES[mismatch.from.carries]),
              inKind: text(SIGNAL_TITLES[mismatch.to.carries]),
              cableKind: text(SIGNAL_TITLES[cable.carries]),
              missing: text(
                mismatch.from.carries === mismatch.to.carries
                  ? `only ${SIGNAL_TITLES[mismatch.from.carries]} cable does`
                  : `only a converter from ${SIGNAL_TITLES[mismatch.from.carries]} to ${SIGNAL_TITLES[mismatch.to.carries]} does`,
              ),
            },
            runWith(traced, wire.id)?.id,
          )
    }),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    if (!at) return []
    if (at.beside === 'sound') return joinSound(traced, at)
    if (at.beside === 'control') return joinControl(traced, at)
    const { cable } = at.wire.link
    const own = (way: ReturnType<typeof waysReaching>[number]) =>
      way.devices.length === 0 && way.cables[0]!.lead === cable
    return offerWays(
      traced,
      at,
      waysReaching(traced, at).sort((a, b) => Number(own(b)) - Number(own(a))),
      5,
    )
  },
})

/** Those that have no finding of their own: an adapter in a converter's place, another number of SDI links. */
function plugsThatDiffer(traced: Traced) {
  const others = new Set(byAdapter(traced).map(({ wire }) => wire.id))
  return stoppedBy(traced, 'connector').filter(at => !others.has(at.wire.id) && !isOtherCount(at))
}

function missingAdapter({ plan }: Traced, { wire }: WireTrace): string {
  const { cable } = leadOf(plan, wire.link)
  const adapters = adaptersFor(LEADS, wire.from!.port!, cable, wire.to!.port!)
  const names = [adapters?.from, adapters?.to].flatMap(adapter => (adapter ? [adapter.row.title] : []))
  return names.length ? `an adapter (${names.join(' and ')})` : 'another cable or a converter'
}
