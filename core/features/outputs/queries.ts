import type { Checked } from '#core/propose'
import { whoSees } from './seen'

export const QUERIES = { whoSees: ({ traced }: Checked) => whoSees(traced) }
