import { type DeviceNode, type Traced, deviceName, feeders, runAt, runInto } from '#core/chain'
import { EVERYWHERE, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

export const lampUngated = rule({
  code: 'N11',
  about: 'The lamp of a source follows a feeder alone, and is lit while the feeder is off air.',
  messages: {
    alone: {
      severity: 'R',
      says: 'The lamp of {source} follows {feeder} alone: it is lit whenever {feeder} has it on program, though the show may be elsewhere.',
    },
    elsewhere: {
      severity: 'D',
      says: 'The lamp of {source} follows {switcher}, to which its picture does not come: it is never lit.',
    },
  },
  find: (traced, say) =>
    wrong(traced).map(({ node, follows, comes }) => {
      const at = { on: 'device', device: node.id } as const
      const [source, unit] = [text(node.device.name), text(deviceName(traced, follows))]
      const run = runAt(traced, node.id)
      return comes
        ? say('alone', at, { source, feeder: unit }, run)
        : say('elsewhere', at, { source, switcher: unit }, run)
    }),
  remedies: (traced, { at }): Proposal[] => {
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!node) return []
    const draft = new Draft(traced.plan)
    draft.set(['devices', node.id, 'tally'], EVERYWHERE)
    return [
      {
        title: `Light ${node.device.name} only when every switcher on the way has it on air`.slice(0, 120),
        edits: draft.edits,
      },
    ]
  },
})

/** Sources whose lamp follows a feeder, or a switcher that they do not come to. */
function wrong(traced: Traced): { node: DeviceNode; follows: string; comes: boolean }[] {
  const feeding = feeders(traced)
  return [...traced.chain.nodes.values()].flatMap(node => {
    const { tally } = node.device
    const unit = tally === undefined || tally === EVERYWHERE ? undefined : traced.chain.nodes.get(tally)
    if (!unit || tally === undefined || node.model.role !== 'source') return []
    const comes = Object.keys(unit.model.ports).some(
      port => runInto(traced, { device: unit.id, port })?.origin?.device === node.id,
    )
    const through = own(traced.plan.devices, tally) && feeding.has(tally)
    return comes && !through ? [] : [{ node, follows: tally, comes }]
  })
}
