import { papersOf } from '#core/kernel'
import type { Checked } from '#core/propose'
import type { Units } from '#core/words'
import { paperHead } from './papers'

export const QUERIES = {
  papers: (checked: Checked, units: Units) => ({ head: paperHead(checked), papers: papersOf(checked, units) }),
}
