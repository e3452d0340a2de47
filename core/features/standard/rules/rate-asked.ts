import { deviceName, isSwitcher } from '#core/chain'
import { type Want, own } from '#core/document'
import { duration, text } from '#core/kernel'
import { offerWays, otherStandards, rule, spanOf, throughDevices, waysBetween } from '#core/propose'
import { formatExists, rate, slipSeconds } from '#core/signal'
import { giveUp, madeFor } from './raster-lost'

export const rateAsked = rule({
  code: 'F15',
  about: 'A deliverable is asked for in another frame rate than it gets.',
  messages: {
    other: {
      severity: 'Q',
      says: '{sink} is asked for {asked} frames/s and gets {made}: converted later, a frame is dropped or repeated every {slip}.',
    },
  },
  find: (traced, say) =>
    Object.entries(traced.plan.wants).flatMap(([id, want]) => {
      const made = madeFor(traced, want)
      const asked = want.asks?.rate
      return asked && made && asked !== made.rate
        ? [
            say(
              'other',
              { on: 'sink', want: id, device: want.sink },
              {
                sink: text(deviceName(traced, want.sink)),
                asked: text(`${rate(asked).label} (${asked})`),
                made: text(`${rate(made.rate).label} (${made.rate})`),
                slip: duration(slipSeconds(asked, made.rate)),
              },
              made.run.id,
            ),
          ]
        : []
    }),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const asked = want?.asks?.rate
    const run = want && madeFor(traced, want)?.run
    if (!asked || !run || found.at.on !== 'sink') return []
    const at = run.links.at(-1)!
    const { wire, signal } = at
    const switcher = traced.chain.nodes.get(signal!.setBy.device)!
    const format = { ...signal!.format, rate: asked }
    // A scaler before the sink that makes just this: the sink is asked as if it took nothing else.
    const only =
      wire.to?.port && formatExists(format)
        ? { ...wire.to.port, takes: [{ raster: format.raster, scan: format.scan, rates: [asked] }] }
        : undefined
    const ways =
      only && wire.from?.port
        ? throughDevices(
            waysBetween(
              traced.plan,
              { port: wire.from.port, signal: signal! },
              { node: wire.to!.node, portId: wire.to!.portId, port: only },
              spanOf(traced, at),
            ),
          )
        : []
    return [
      ...(isSwitcher(switcher)
        ? otherStandards(traced, switcher.id, { only: candidate => candidate.rate === asked })
        : []),
      ...offerWays(traced, at, ways, 2),
      giveUp(
        traced.plan,
        found.at.want,
        want,
        'rate',
        `${rate(asked).label} frames/s at ${deviceName(traced, want.sink)}`,
      ),
    ]
  },
})
