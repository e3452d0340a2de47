import type { Checked } from '#core/propose'
import { linesOf } from './load'

export const QUERIES = { lines: ({ traced }: Checked) => linesOf(traced) }
