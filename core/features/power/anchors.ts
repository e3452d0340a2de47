import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    circuit: { circuit: string }
  }
}

export const CIRCUIT_ANCHOR = anchorKind({ on: 'circuit', key: ({ circuit }) => `circuit/${circuit}`, screen: 'power' })
