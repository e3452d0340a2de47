import type { DeviceNode, Traced } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, bringControl, connectControl, hangsOn, freeSockets, rule } from '#core/propose'
import { controlReach } from '../facts'

export const noControl = rule({
  code: 'C17',
  about: 'A device that must be set up has no control connection.',
  messages: {
    alone: {
      severity: 'R',
      says: '{device} can only be set up by {ways}, and nothing is connected there: it will come up as it was left.',
    },
    nobody: {
      severity: 'R',
      says: '{device} is connected by {ways}, and no controller is at the other end: it will come up as it was left.',
    },
    idle: { severity: 'R', says: '{device} is planned, and reaches nothing that it could set up.' },
  },
  find: (traced, say) => {
    const { unreached, idle } = controlReach(traced)
    const runOf = (id: string) => traced.runs.find(({ origin, end }) => origin?.device === id || end?.device === id)?.id
    return [
      ...unreached.map(node => {
        const linked = node.model.configured!.filter(port => hangsOn(traced, { node, portId: port, port: undefined }))
        const ways = (linked.length ? linked : node.model.configured!).map(id => node.model.ports[id]!.title)
        return say(
          linked.length ? 'nobody' : 'alone',
          { on: 'device', device: node.id },
          { device: text(node.device.name), ways: text(ways.join(' or ')) },
          runOf(node.id),
        )
      }),
      ...idle.map(node =>
        say('idle', { on: 'device', device: node.id }, { device: text(node.device.name) }, runOf(node.id)),
      ),
    ]
  },
  remedies: (traced, { at, says }) => {
    const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!node) return []
    if (says === 'idle') return putToWork(traced, node)
    return bringControl(traced, node, node.model.configured!)
  },
})

/** A free socket of something that can be set up and is not yet; else the controller stays at home. */
function putToWork(traced: Traced, node: DeviceNode): Proposal[] {
  const inputs = [...traced.chain.nodes.values()]
    .filter(({ id, model }) => id !== node.id && model.kind !== 'controller')
    .flatMap(other => freeSockets(traced, other, 'in').filter(({ port }) => port?.carries === 'control'))
  const draft = new Draft(traced.plan)
  for (const { id, from, to } of traced.chain.wires.values())
    if (from?.node === node || to?.node === node) draft.disconnect(id)
  draft.edits.push({ do: 'remove', collection: 'devices', id: node.id })
  return [
    ...freeSockets(traced, node, 'out')
      .flatMap(out => inputs.flatMap(input => connectControl(traced, out, input, 'Connect it to', input)))
      .slice(0, 3),
    { title: `Leave ${node.device.name} at home`.slice(0, 120), edits: draft.edits },
  ]
}
