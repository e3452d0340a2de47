import { anchorKind } from '#core/kernel'

declare module '../../kernel/anchor' {
  interface Anchors {
    /** A source as the running order uses it. */
    use: { source: string }
    look: { look: string }
    cue: { cue: string }
    segment: { id: string }
    clip: { clip: string }
  }
}

export const USE_ANCHOR = anchorKind({ on: 'use', key: ({ source }) => `use/${source}`, screen: 'order' })
export const LOOK_ANCHOR = anchorKind({ on: 'look', key: ({ look }) => `look/${look}`, screen: 'outputs' })
export const CUE_ANCHOR = anchorKind({ on: 'cue', key: ({ cue }) => `cue/${cue}`, screen: 'order' })
export const SEGMENT_ANCHOR = anchorKind({ on: 'segment', key: ({ id }) => `segment/${id}`, screen: 'order' })
export const CLIP_ANCHOR = anchorKind({ on: 'clip', key: ({ clip }) => `clip/${clip}`, screen: 'order' })
