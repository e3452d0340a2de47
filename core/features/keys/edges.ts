import type { Overlay } from '#core/document'

/** Edges of a picture in words. */
export const EDGE_WORDS: Readonly<Record<NonNullable<Overlay['comesFrom']>, string>> = {
  left: 'the left',
  right: 'the right',
  above: 'above',
  below: 'below',
}
