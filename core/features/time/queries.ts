import type { Checked } from '#core/propose'
import { windowOf } from '../sound/facts'
import { scalingOf } from './scaling'
import { timesOf } from './sync'
import { talksOf } from './talk'

export const QUERIES = {
  /** Where pictures are brought to another format. */
  scaling: ({ traced }: Checked) => scalingOf(traced),
  time: ({ traced }: Checked) => ({
    sinks: timesOf(traced),
    talks: talksOf(traced),
    window: windowOf(traced),
  }),
}
