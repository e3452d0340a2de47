import type { Quantity } from './quantity'

/** A figure of a whole plan: told in the verdict, compared between plans, weighed when a change is tried. */
export interface Measure<V> {
  readonly id: string
  /** "Price", "Draw". */
  readonly title: string
  readonly of: (view: V) => number
  /** What one change of a plan does to it; the difference where absent. */
  readonly change?: (before: V, after: V) => number
  readonly quantity: (value: number, view: V) => Quantity
  /** Id of the screen that shows where it comes from. */
  readonly screen: string
}

/** Values by the id of their measure. */
export type Measured = Readonly<Record<string, number>>
