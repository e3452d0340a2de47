import type { Plan } from '#core/document'
import type { Checked } from '#core/propose'
import type { Units } from '#core/words'
import { compare } from './compare'

export const QUERIES = {
  /** Against another plan of the show, which comes second. */
  compare: (checked: Checked, other: Plan, units: Units) =>
    compare(checked, checked.by.again(checked.traced, other), units),
}
