import type { Checked } from '#core/propose'
import { jumpsOf, pressedOf } from '#core/run'
import { macrosOf } from './facts'

export const QUERIES = {
  jumps: ({ traced }: Checked) => jumpsOf(traced),
  pressed: ({ traced }: Checked, last: string, from: string, to: string) => pressedOf(traced, last, from, to),
  macros: ({ traced }: Checked) => macrosOf(traced),
}
