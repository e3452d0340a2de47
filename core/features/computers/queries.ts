import type { Checked } from '#core/propose'
import { computersOf } from './facts'

export const QUERIES = {
  computers: ({ traced }: Checked) => computersOf(traced),
}
