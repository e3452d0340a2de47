import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    uplink: { uplink: string }
    destination: { destination: string }
  }
}

export const UPLINK_ANCHOR = anchorKind({ on: 'uplink', key: ({ uplink }) => `uplink/${uplink}`, screen: 'line' })
export const DESTINATION_ANCHOR = anchorKind({
  on: 'destination',
  key: ({ destination }) => `destination/${destination}`,
  screen: 'line',
})
