import { isStage } from '#core/chain'
import { own, type Want } from '#core/plan'
import { formatExists, rate, slipSeconds } from '#core/signal'
import { waysBetween } from '#core/ways'
import { duration, text } from '../finding'
import { offerWays, otherStandards, spanOf, throughDevices } from '../offers'
import { deviceName, finding, type Rule } from '../rule'
import { giveUp, madeFor } from './F13'

export const F15: Rule = {
  id: 'F15',
  about: 'A deliverable is asked for in another frame rate than it gets.',
  says: { other: '{sink} is asked for {asked} frames/s and gets {made}: converted later, a frame is dropped or repeated every {slip}.' },
  find: traced => Object.entries(traced.plan.wants).flatMap(([id, want]) => {
    const made = madeFor(traced, want)
    const asked = want.asks?.rate
    return asked && made && asked !== made.rate
      ? [finding('F15', 'Q', { on: 'sink', want: id, device: want.sink }, 'other', { sink: text(deviceName(traced, want.sink)), asked: text(`${rate(asked).label} (${asked})`), made: text(`${rate(made.rate).label} (${made.rate})`), slip: duration(slipSeconds(asked, made.rate)) }, made.run.id)]
      : []
  }),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const asked = want?.asks?.rate
    const run = want && madeFor(traced, want)?.run
    if (!asked || !run || found.at.on !== 'sink') return []
    const at = run.links.at(-1)!
    const { wire, signal } = at
    const stage = traced.chain.nodes.get(signal!.setBy.device)!
    const format = { ...signal!.format, rate: asked }
    // A scaler before the sink that makes just this: the sink is asked as if it took nothing else.
    const only = wire.to?.port && formatExists(format) ? { ...wire.to.port, takes: [{ raster: format.raster, scan: format.scan, rates: [asked] }] } : undefined
    const ways = only && wire.from?.port ? throughDevices(waysBetween(traced.plan, { port: wire.from.port, signal: signal! }, { node: wire.to!.node, portId: wire.to!.portId, port: only }, spanOf(at))) : []
    return [
      ...(isStage(stage) ? otherStandards(traced, stage.id, { only: candidate => candidate.rate === asked }) : []),
      ...offerWays(traced, at, ways, 2),
      giveUp(traced.plan, found.at.want, want, 'rate', `${rate(asked).label} frames/s at ${deviceName(traced, want.sink)}`),
    ]
  },
}
