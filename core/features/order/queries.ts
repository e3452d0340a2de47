import type { Checked } from '#core/propose'
import { wipedBefore } from '../keys/facts'
import { paceOf } from './pace'
import { segmentTimes } from './facts'

export const QUERIES = {
  segmentTimes: ({ traced }: Checked) => segmentTimes(traced.plan),
  pace: ({ traced }: Checked) => paceOf(traced),
  wiped: ({ traced }: Checked) => Object.fromEntries(wipedBefore(traced)),
}
