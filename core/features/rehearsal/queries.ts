import type { Checked } from '#core/propose'
import { jumpsOf } from '#core/run'

export const QUERIES = { jumps: ({ traced }: Checked) => jumpsOf(traced) }
