import { isCamera } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { count, ghost } from '#core/kernel'
import { Draft, rule } from '#core/propose'

/** From this many cameras on, which of them is the safe one must be named. */
const MANY = 3

export const noSafeShot = rule({
  code: 'R04',
  about: 'No wide safe shot.',
  messages: {
    none: {
      severity: 'R',
      says: 'None of {cameras} cameras is named as the wide safe shot: when a shot fails, there is no picture that is always good to cut to.',
    },
  },
  find: (traced, say) => {
    const all = cameras(traced)
    if (all.length < MANY || all.some(({ device }) => device.shot === 'safe')) return []
    return [ghost('Wide safe shot', say('none', { on: 'show' }, { cameras: count(all.length) }))]
  },
  remedies: traced =>
    cameras(traced)
      .sort((a, b) => merit(a) - merit(b) || a.device.order - b.device.order)
      .slice(0, 5)
      .map(node => {
        const draft = new Draft(traced.plan)
        draft.set(['devices', node.id, 'shot'], 'safe')
        return { title: `Make ${node.device.name} the safe shot`, edits: draft.edits }
      }),
})

/** Nobody should have to hold the safe shot, and one that is wide already is nearest to it. */
const merit = ({ device: { shot, manned } }: DeviceNode): number =>
  (shot === 'wide' ? 0 : shot === undefined ? 1 : 2) + (manned ? 4 : 0)

// Also those that are not connected yet: connecting one must not bring a finding that was there all along.
const cameras = ({ chain }: Traced): DeviceNode[] => [...chain.nodes.values()].filter(({ model }) => isCamera(model))
