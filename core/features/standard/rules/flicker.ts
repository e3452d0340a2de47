import { carriesPicture, isCamera } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { count, ghost, text } from '#core/kernel'
import { Draft, otherStandards, rule, signalAt, switchersOf } from '#core/propose'
import { SLOW_BEAT, beatOf, framesPerSecond, mainsOf } from '#core/signal'
import { figure } from '#core/words'

export const flicker = rule({
  code: 'F14',
  about: 'Frame rate and shutter against the mains: lamps flicker.',
  messages: {
    beats: {
      severity: 'Q',
      says: 'Lamps on {hz} Hz mains pulse {pulses} times a second; to {cameras} ({names}) at {rate} frames/s with {shutter} they beat {beat} times a second.',
    },
  },
  find: (traced, say) => {
    const { mains } = traced.plan.brief
    const cameras = mains ? beating(traced, mainsOf(mains).hz) : []
    const [first] = cameras
    if (!mains || !first) return []
    const { hz } = mainsOf(mains)
    return [
      ghost(
        'Lamps and shutter',
        say(
          'beats',
          { on: 'show' },
          {
            hz: count(hz),
            pulses: count(2 * hz),
            cameras: text(cameras.length === 1 ? 'a camera' : `${cameras.length} cameras`),
            names: text(names(cameras)),
            rate: text(figure(first.fps, 2)),
            shutter: text(
              first.node.device.shutter === undefined
                ? 'the shutter left as it is'
                : `a shutter of 1/${first.node.device.shutter}`,
            ),
            beat: text(figure(first.beat, 1)),
          },
        ),
      ),
    ]
  },
  remedies: traced => {
    const { mains } = traced.plan.brief
    if (!mains) return []
    const { hz } = mainsOf(mains)
    const cameras = beating(traced, hz)
    const draft = new Draft(traced.plan)
    for (const { node, fps } of cameras) draft.set(['devices', node.id, 'shutter'], safeShutter(hz, fps))
    const shutters = [...new Set(cameras.map(({ fps }) => `1/${safeShutter(hz, fps)}`))]
    return [
      { title: `Set the shutter of ${names(cameras)} to ${shutters.join(' or ')}`.slice(0, 120), edits: draft.edits },
      ...switchersOf(traced)
        .slice(0, 1)
        .flatMap(switcher =>
          otherStandards(traced, switcher.id, { only: ({ rate }) => beatOf(hz, framesPerSecond(rate)) <= SLOW_BEAT }),
        ),
    ]
  },
})

const names = (cameras: readonly Beating[]): string =>
  cameras.length > 3
    ? `${cameras
        .slice(0, 2)
        .map(({ node }) => node.device.name)
        .join(', ')} and ${cameras.length - 2} more`
    : cameras.map(({ node }) => node.device.name).join(', ')

interface Beating {
  readonly node: DeviceNode
  readonly fps: number
  readonly beat: number
}

/** The longest exposure 1/n s that spans whole pulses and is no longer than a picture: k / (2 hz) <= 1 / fps. */
export function safeShutter(hz: number, fps: number): number {
  const pulses = Math.max(1, Math.floor((2 * hz) / fps + 1e-9))
  for (let k = pulses; k > 1; k--) if ((2 * hz) % k === 0) return (2 * hz) / k
  return 2 * hz
}

/** An exposure of 1/n s that spans a whole number of lamp pulses sees them all alike; one longer than a picture cannot be. */
const isSafe = (hz: number, shutter: number, fps: number): boolean =>
  shutter <= 2 * hz && (2 * hz) % shutter === 0 && shutter >= fps - 1e-9

function beating(traced: Traced, hz: number): Beating[] {
  return [...traced.chain.nodes.values()]
    .filter(({ model }) => isCamera(model))
    .flatMap(node => {
      const [portId, port] =
        Object.entries(node.model.ports).find(
          ([, candidate]) => candidate.dir === 'out' && carriesPicture(candidate),
        ) ?? []
      const signal = portId === undefined ? undefined : signalAt(traced, { node, portId, port })
      if (!signal) return []
      const fps = framesPerSecond(signal.format.rate) * (signal.format.scan === 'i' ? 2 : 1)
      const beat = beatOf(hz, fps)
      return beat <= SLOW_BEAT || (node.device.shutter !== undefined && isSafe(hz, node.device.shutter, fps))
        ? []
        : [{ node, fps, beat }]
    })
}
