import type { Checked } from '#core/propose'
import { overlaysOf } from './overlays'

export const QUERIES = { overlays: ({ traced }: Checked) => overlaysOf(traced) }
