import type { Checked } from '#core/propose'
import type { Units } from '#core/words'
import { why, type Spot, type Symptom } from './why'

export const QUERIES = {
  why: (checked: Checked, spot: Spot, symptom: Symptom, units: Units) => why(checked, spot, symptom, units),
}
