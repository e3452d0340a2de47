import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { count, text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { controlReach } from '../facts'

interface Twice {
  readonly node: DeviceNode
  readonly other: DeviceNode
  readonly controller: DeviceNode
}

/** Devices that a controller calls by a number which another one has already; the later one by its id. */
function twice(traced: Traced): Twice[] {
  const nodes = [...traced.chain.nodes.values()]
  const numbered = nodes.filter(({ device }) => device.controllerNumber !== undefined)
  if (numbered.length < 2) return []
  const reach = controlReach(traced)
  const controllers = nodes.filter(({ model }) => model.kind === 'controller')
  return numbered.flatMap((node, i): Twice[] => {
    const like = numbered.slice(0, i).filter(({ device }) => device.controllerNumber === node.device.controllerNumber)
    for (const controller of controllers) {
      const reached = reach.from(controller.id)
      const other = like.find(({ id }) => reached.has(id))
      if (other && reached.has(node.id)) return [{ node, other, controller }]
    }
    return []
  })
}

const MOST = 99

export const numberTwice = rule({
  code: 'N15',
  about: 'A controller calls two devices by one number.',
  messages: {
    twice: {
      severity: 'R',
      says: '{controller} calls {device} and {other} by number {number}: one moves with the other, or neither does.',
    },
  },
  find: (traced, say) =>
    twice(traced).map(({ node, other, controller }) =>
      say(
        'twice',
        { on: 'device', device: node.id },
        {
          controller: text(controller.device.name),
          device: text(node.device.name),
          other: text(other.device.name),
          number: count(node.device.controllerNumber!),
        },
        runAt(traced, node.id),
      ),
    ),
  remedies: (traced, { at }) => {
    const found = twice(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    if (!found) return []
    const taken = new Set(Object.values(traced.plan.devices).map(({ controllerNumber }) => controllerNumber))
    const free = Array.from({ length: MOST }, (_, n) => n + 1).find(number => !taken.has(number))
    if (free === undefined) return []
    return [found.node, found.other].map(({ id, device }) => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', id, 'controllerNumber'], free)
      return { title: `Call ${device.name} by number ${free}`.slice(0, 120), edits: draft.edits }
    })
  },
})
