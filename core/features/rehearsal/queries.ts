import type { Checked } from '#core/propose'
import { jumpsOf } from '#core/run'
import { macrosOf } from './facts'

export const QUERIES = {
  jumps: ({ traced }: Checked) => jumpsOf(traced),
  macros: ({ traced }: Checked) => macrosOf(traced),
}
