import type { Checked } from '#core/propose'
import { namesOf } from './names'
import { stripsOf } from './strip'

export const QUERIES = {
  switchers: ({ traced }: Checked) => stripsOf(traced),
  names: ({ traced }: Checked) => namesOf(traced),
}
