import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    /** A source as the running order uses it. */
    use: { source: string }
  }
}

export const USE_ANCHOR = anchorKind({ on: 'use', key: ({ source }) => `use/${source}`, screen: 'order' })
