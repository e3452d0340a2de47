import type { Checked } from '#core/propose'
import { copiesOf } from './copies'
import { recordingsOf } from './records'

export const QUERIES = {
  media: ({ traced }: Checked) => ({ recordings: recordingsOf(traced), copies: copiesOf(traced) }),
}
