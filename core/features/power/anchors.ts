import type { Model } from '#core/catalog'
import { anchorKind, type Anchor } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    circuit: { circuit: string }
    battery: { battery: string }
    strip: { strip: string }
    distribution: { distribution: string }
    load: { device: string }
  }
}

export const CIRCUIT_ANCHOR = anchorKind({ on: 'circuit', key: ({ circuit }) => `circuit/${circuit}`, screen: 'power' })

export const BATTERY_ANCHOR = anchorKind({ on: 'battery', key: ({ battery }) => `battery/${battery}`, screen: 'power' })

export const STRIP_ANCHOR = anchorKind({ on: 'strip', key: ({ strip }) => `strip/${strip}`, screen: 'power' })

export const DISTRIBUTION_ANCHOR = anchorKind({
  on: 'distribution',
  key: ({ distribution }) => `distribution/${distribution}`,
  screen: 'power',
})

export const LOAD_ANCHOR = anchorKind({ on: 'load', key: ({ device }) => `load/${device}`, screen: 'power' })

/** A device where its runs are; what has no socket, and so no run, where its power is. */
export const poweredAt = (device: string, { role }: Model): Anchor =>
  role === 'load' ? { on: 'load', device } : { on: 'device', device }

/** The device that a finding of power stands at. */
export const deviceAt = (at: Anchor): string | undefined =>
  at.on === 'device' || at.on === 'load' ? at.device : undefined
