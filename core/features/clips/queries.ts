import type { Checked } from '#core/propose'
import { playersOf } from './facts'

export const QUERIES = { clips: ({ traced }: Checked) => playersOf(traced) }
