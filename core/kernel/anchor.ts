/**
 * What a finding may stand at, each kind with its own fields. Rooms and features add kinds of their own to this
 * interface and say in an `AnchorKind` how they are named and which screen shows them.
 */
export interface Anchors {
  show: Record<never, never>
}

type Kinds = { readonly [K in keyof Anchors]: { readonly on: K } & Readonly<Anchors[K]> }

/** Where a finding is. A segment is named when the finding holds in that segment only. */
export type Anchor = Kinds[keyof Anchors] & { readonly segment?: string }

export interface AnchorKind<K extends keyof Anchors = keyof Anchors> {
  readonly on: K
  /** The stable name of the place, the last part of a finding's key: "link/wide-run/cable". */
  readonly key: (at: Kinds[K]) => string
  /** Id of the screen that shows it. */
  readonly screen: string
}

export const anchorKind = <K extends keyof Anchors>(kind: AnchorKind<K>): AnchorKind => kind as unknown as AnchorKind

export const BASE_ANCHORS: readonly AnchorKind[] = [anchorKind({ on: 'show', key: () => 'show', screen: 'runs' })]
