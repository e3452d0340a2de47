import { isCamera } from '#core/catalog'
import type { Node } from '#core/chain'
import { Draft } from '#core/ways'
import { count } from '../finding'
import { finding, ghost, type Rule, type Traced } from '../rule'

/** From this many cameras on, which of them is the safe one must be named. */
const MANY = 3

export const R04: Rule = {
  id: 'R04',
  about: 'No wide safe shot.',
  says: { none: 'None of {cameras} cameras is named as the wide safe shot: when a shot fails, there is no picture that is always good to cut to.' },
  find: (traced) => {
    const all = cameras(traced)
    if (all.length < MANY || all.some(({ device }) => device.shot === 'safe')) return []
    return [ghost('Wide safe shot', finding('R04', 'R', { on: 'show' }, 'none', { cameras: count(all.length) }))]
  },
  remedies: traced => cameras(traced).sort((a, b) => merit(a) - merit(b) || a.device.order - b.device.order).slice(0, 5).map((node) => {
    const draft = new Draft(traced.plan)
    draft.set(['devices', node.id, 'shot'], 'safe')
    return { title: `Make ${node.device.name} the safe shot`, edits: draft.edits }
  }),
}

/** Nobody should have to hold the safe shot, and one that is wide already is nearest to it. */
const merit = ({ device: { shot, manned } }: Node): number => (shot === 'wide' ? 0 : shot === undefined ? 1 : 2) + (manned ? 4 : 0)

// Also those that are not connected yet: connecting one must not bring a finding that was there all along.
const cameras = ({ chain }: Traced): Node[] => [...chain.nodes.values()].filter(({ model }) => isCamera(model))
