import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    circuit: { circuit: string }
    battery: { battery: string }
    strip: { strip: string }
  }
}

export const CIRCUIT_ANCHOR = anchorKind({ on: 'circuit', key: ({ circuit }) => `circuit/${circuit}`, screen: 'power' })

export const BATTERY_ANCHOR = anchorKind({ on: 'battery', key: ({ battery }) => `battery/${battery}`, screen: 'power' })

export const STRIP_ANCHOR = anchorKind({ on: 'strip', key: ({ strip }) => `strip/${strip}`, screen: 'power' })
