import { isCamera } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { count, ghost, text } from '#core/kernel'
import { Draft, type Proposal, isRadio, replaceDevice, rule } from '#core/propose'

/** From this many cameras on, which of them is the safe one must be named; with one alone there is nothing to cut from. */
const MANY = 3

export const noSafeShot = rule({
  code: 'R04',
  about: 'No wide safe shot, or one that may move or fade.',
  messages: {
    none: {
      severity: 'R',
      says: 'None of {cameras} cameras is named as the wide safe shot: when a shot fails, there is no picture that is always good to cut to.',
    },
    manned: {
      severity: 'R',
      says: '{camera} is the safe shot and is manned: whoever stands there may be moving it just when it is needed.',
    },
    radio: {
      severity: 'R',
      says: '{camera} is the safe shot and comes by radio alone: it may be gone just when it is needed.',
    },
  },
  find: (traced, say) => {
    const all = cameras(traced)
    const safe = all.filter(({ device }) => device.shot === 'safe')
    if (safe.length === 0)
      return all.length < MANY
        ? []
        : [ghost('Wide safe shot', say('none', { on: 'show' }, { cameras: count(all.length) }))]
    if (all.length < 2 || safe.some(node => !node.device.manned && !byRadioAlone(traced, node))) return []
    const [node] = safe as [DeviceNode]
    return [
      say(
        node.device.manned ? 'manned' : 'radio',
        { on: 'device', device: node.id },
        { camera: text(node.device.name) },
        traced.runs.find(({ origin }) => origin?.device === node.id)?.id,
      ),
    ]
  },
  remedies: (traced, { at }) => {
    const named = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    const others = cameras(traced)
      .filter(node => node !== named && !byRadioAlone(traced, node))
      .sort((a, b) => merit(a) - merit(b) || a.device.order - b.device.order)
      .slice(0, 5)
      .map(node => {
        const draft = new Draft(traced.plan)
        draft.set(['devices', node.id, 'shot'], 'safe')
        if (node.device.manned) draft.set(['devices', node.id, 'manned'])
        if (named) draft.set(['devices', named.id, 'shot'])
        const unmanned = node.device.manned ? ', unmanned' : ''
        return { title: `Make ${node.device.name} the safe shot${unmanned}`.slice(0, 120), edits: draft.edits }
      })
    return named ? [...steadied(traced, named), ...others] : others
  },
})

/** What makes the camera itself safe: nobody at it, a wire. */
function steadied(traced: Traced, node: DeviceNode): Proposal[] {
  const { id, device } = node
  const draft = new Draft(traced.plan)
  draft.set(['devices', id, 'manned'])
  const links = radioOf(traced, node).slice(0, 1)
  return [
    ...(device.manned
      ? [{ title: `Leave ${device.name} on its stand, unmanned`.slice(0, 120), edits: draft.edits }]
      : []),
    ...links.flatMap(link =>
      replaceDevice(traced, link, 2, true).map(({ title, edits }) => ({
        title: title.replace('In its place:', `Wire ${device.name}:`).slice(0, 120),
        edits,
      })),
    ),
  ]
}

/** Nobody should have to hold the safe shot, and one that is wide already is nearest to it. */
const merit = ({ device: { shot, manned } }: DeviceNode): number =>
  (shot === 'wide' ? 0 : shot === undefined ? 1 : 2) + (manned ? 4 : 0)

// Also those that are not connected yet: connecting one must not bring a finding that was there all along.
const cameras = ({ chain }: Traced): DeviceNode[] => [...chain.nodes.values()].filter(({ model }) => isCamera(model))

/** The radio links on the camera's ways. */
const radioOf = ({ runs }: Traced, { id }: DeviceNode): string[] =>
  runs
    .filter(({ origin, end, beside }) => !beside && end && origin?.device === id)
    .flatMap(
      ({ links }) => links.map(({ wire }) => wire.from?.node).find(node => node && isRadio(node.model))?.id ?? [],
    )

function byRadioAlone(traced: Traced, node: DeviceNode): boolean {
  const ways = traced.runs.filter(({ origin, end, beside }) => !beside && end && origin?.device === node.id)
  return ways.length > 0 && radioOf(traced, node).length === ways.length
}
