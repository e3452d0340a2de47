import type { Checked } from '#core/propose'
import { stripsOf } from './strip'

export const QUERIES = { switchers: ({ traced }: Checked) => stripsOf(traced) }
