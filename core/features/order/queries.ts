import type { Checked } from '#core/propose'
import { segmentTimes } from './times'

export const QUERIES = { segmentTimes: ({ traced }: Checked) => segmentTimes(traced.plan) }
