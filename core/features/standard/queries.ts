import type { Checked } from '#core/propose'
import { ladder } from './ladder'

export const QUERIES = { ladder: (checked: Checked) => ladder(checked) }
