import type { CableHop, DeviceHop, Lane } from '#core/features/board'
import type { Changeable } from '#core/propose'

import type { PlacedLane } from './layout'

/** Something on a lane that can be chosen: where it begins, one of its hops, where it ends. */
export interface LanePart {
  readonly key: string
  readonly kind: 'origin' | 'cable' | 'device' | 'end'
  readonly hop?: CableHop | DeviceHop
  readonly x0: number
  readonly x1: number
  /** For those who cannot see the lane. */
  readonly words: string
  /** What its choices are asked for; absent where there is nothing to choose. */
  readonly part?: Changeable
}

/** The parts of a lane from left to right. */
export function partsOf(placed: PlacedLane): LanePart[] {
  const { lane, segments, x0, x1 } = placed
  const parts: LanePart[] = []
  const firstLink = lane.hops.find(hop => hop.is === 'cable')
  if (lane.from && !placed.fork) {
    parts.push({
      key: 'origin',
      kind: 'origin',
      x0: x0 - 8,
      x1: x0,
      words: `${lane.from.name}, ${lane.from.socket}${lane.from.format ? `, ${lane.from.format}` : ''}`,
      part: {
        of: 'output',
        device: lane.from.device,
        port: lane.from.port,
        ...(firstLink ? { link: firstLink.link } : {}),
      },
    })
  }
  for (const { hop, index, x0: from, x1: to } of segments) {
    parts.push({
      key: `hop-${index}`,
      kind: hop.is,
      hop,
      x0: from,
      x1: to,
      words: hopWords(hop),
      part:
        hop.is === 'cable' ? { of: 'cable', link: hop.link } : { of: 'device', device: hop.device, port: hop.outPort },
    })
  }
  if (lane.to) {
    parts.push({
      key: 'end',
      kind: 'end',
      x0: x1,
      x1: x1 + 8,
      words: endWords(lane),
      ...(lane.to.role === 'switcher' && lane.hops.length ? { part: { of: 'input' as const, link: lane.id } } : {}),
    })
  }
  return parts
}

function hopWords(hop: CableHop | DeviceHop): string {
  if (hop.is === 'device') return `${hop.name}, ${hop.kind}${hop.sets ? `, makes ${hop.sets}` : ''}`
  const length = hop.lengthM === undefined ? 'length not measured' : `${hop.lengthM} m`
  const state = hop.reason
    ? `the light ends: ${hop.reason.words}`
    : hop.light
      ? hop.risky
        ? 'carries the picture, at risk'
        : 'carries the picture'
      : 'dark'
  return `${hop.title}, ${length}, ${state}`
}

function endWords(lane: Lane): string {
  const { to } = lane
  if (!to) return ''
  return to.role === 'switcher'
    ? `${to.name} ${to.socket}, ${lane.lit ? 'lit' : 'dark'}`
    : `${to.name}, ${lane.feed ?? 'picture'}, ${lane.lit ? 'arrives' : 'dark'}`
}
