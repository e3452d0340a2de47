import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    medium: { medium: string }
  }
}

export const MEDIUM_ANCHOR = anchorKind({ on: 'medium', key: ({ medium }) => `medium/${medium}`, screen: 'media' })
