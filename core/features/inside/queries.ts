import type { Checked } from '#core/propose'
import { inside } from './inside'

export const QUERIES = { inside: (checked: Checked) => inside(checked.traced) }
