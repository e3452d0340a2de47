import type { Checked } from '#core/propose'
import { windowOf } from '../sound/facts'
import { timesOf } from './sync'

export const QUERIES = {
  time: ({ traced }: Checked) => ({ sinks: timesOf(traced), window: windowOf(traced) }),
}
