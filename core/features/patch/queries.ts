import type { Checked } from '#core/propose'
import { growthOf } from './grow'

export const QUERIES = { growth: (checked: Checked) => growthOf(checked) }
