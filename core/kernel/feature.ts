import type { AnchorKind } from './anchor'
import type { Command } from './command'
import type { Found } from './finding'
import type { Measure } from './measure'
import type { PaperMaker } from './paper'
import type { QuantityKind } from './quantity'
import type { Rule } from './rule'

/** One subject: all that it adds to the program, as plain data and pure functions. */
export interface Feature<V, E, C, X> {
  readonly id: string
  readonly anchors?: readonly AnchorKind[]
  readonly quantities?: readonly QuantityKind[]
  readonly rules?: readonly Rule<V, E>[]
  readonly measures?: readonly Measure<V>[]
  readonly papers?: readonly PaperMaker<C>[]
  readonly commands?: readonly Command<X>[]
  /** True for what does not count in the scope of the view: a source that the segment does not use. */
  readonly idle?: (view: V, found: Found) => boolean
}
