import type { Checked } from '#core/propose'
import { whoHears } from './hearing'

export const QUERIES = { whoHears: ({ traced }: Checked) => whoHears(traced) }
