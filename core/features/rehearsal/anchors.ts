import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    macro: { macro: string }
  }
}

export const MACRO_ANCHOR = anchorKind({ on: 'macro', key: ({ macro }) => `macro/${macro}`, screen: 'rehearse' })
