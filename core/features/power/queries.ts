import type { Checked } from '#core/propose'
import { circuitsFact } from './circuits'

export const QUERIES = { circuits: ({ traced }: Checked) => traced.ask(circuitsFact) }
