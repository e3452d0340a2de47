import type { Checked } from '#core/propose'
import { circuitsFact } from './circuits'
import { enduranceOf } from './endurance'

export const QUERIES = {
  circuits: ({ traced }: Checked) => traced.ask(circuitsFact),
  endurance: ({ traced }: Checked) => enduranceOf(traced),
}
