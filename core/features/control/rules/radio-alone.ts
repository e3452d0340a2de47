import { type DeviceNode, type Traced, deviceName, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { type Proposal, bringControl, connectControl, freeSockets, rule } from '#core/propose'
import { listWords } from '#core/words'
import { controlReach } from '../facts'

const MOST_NAMED = 4

export const radioAlone = rule({
  code: 'N08',
  about: 'What is worked in the show hangs on a radio network alone.',
  messages: {
    alone: {
      severity: 'R',
      says: '{controller} reaches {devices} by radio alone: the telephones of a full hall take that network from it in the show.',
    },
  },
  find: (traced, say) =>
    [...controlReach(traced).byAir].map(([controller, nodes]) =>
      say(
        'alone',
        { on: 'device', device: controller },
        {
          controller: text(deviceName(traced, controller)),
          devices:
            nodes.length > MOST_NAMED
              ? text(`${nodes.length} devices`)
              : text(listWords(nodes.map(({ device }) => device.name))),
        },
        runAt(traced, nodes[0]!.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const controller = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    const nodes = at.on === 'device' ? controlReach(traced).byAir.get(at.device) : undefined
    if (!controller || !nodes) return []
    return [...byCable(traced, controller), ...nodes.slice(0, 1).flatMap(node => another(traced, node))]
  },
})

/** A cable from a free socket of its own to a network switch. */
function byCable(traced: Traced, controller: DeviceNode): Proposal[] {
  const sockets = [...traced.chain.nodes.values()]
    .filter(({ id, model }) => model.kind === 'network' && id !== controller.id)
    .flatMap(node => [...freeSockets(traced, node, 'in'), ...freeSockets(traced, node, 'out')])
    .filter(({ port }) => port?.carries === 'control' && port.connector !== 'aerial')
  return freeSockets(traced, controller, 'out')
    .filter(({ port }) => port?.carries === 'control' && port.connector !== 'aerial')
    .flatMap(out => sockets.flatMap(to => connectControl(traced, out, to, `Wire ${controller.device.name} to`, to)))
    .slice(0, 3)
}

/** Another controller, by a cable. */
const another = (traced: Traced, node: DeviceNode): Proposal[] =>
  bringControl(
    traced,
    node,
    Object.entries(node.model.ports).flatMap(([id, { dir, carries, connector }]) =>
      dir === 'in' && carries === 'control' && connector !== 'aerial' ? [id] : [],
    ),
  )
