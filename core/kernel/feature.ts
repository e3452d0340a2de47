import type { AnchorKind } from './anchor'
import type { Found } from './finding'
import type { Measure } from './measure'
import type { QuantityKind } from './quantity'
import type { Rule } from './rule'

/** One subject: all that it adds to the program, as plain data and pure functions. */
export interface Feature<V, E> {
  readonly id: string
  readonly anchors?: readonly AnchorKind[]
  readonly quantities?: readonly QuantityKind[]
  readonly rules?: readonly Rule<V, E>[]
  readonly measures?: readonly Measure<V>[]
  /** True for what does not count in the scope of the view: a source that the segment does not use. */
  readonly idle?: (view: V, found: Found) => boolean
}
