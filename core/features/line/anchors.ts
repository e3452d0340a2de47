import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    uplink: { uplink: string }
  }
}

export const UPLINK_ANCHOR = anchorKind({ on: 'uplink', key: ({ uplink }) => `uplink/${uplink}`, screen: 'line' })
