import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    overlay: { overlay: string }
  }
}

export const OVERLAY_ANCHOR = anchorKind({
  on: 'overlay',
  key: ({ overlay }) => `overlay/${overlay}`,
  screen: 'overlays',
})
