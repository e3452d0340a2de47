import { tracedOf, type Traced } from '#core/chain'
import type { Edit, Plan } from '#core/document'
import { engineOf } from '#core/kernel'
import { clips } from './clips/feature'
import { continuity } from './continuity/feature'
import { control } from './control/feature'
import { crew } from './crew/feature'
import { lens } from './lens/feature'
import { inputs } from './inputs/feature'
import { keys } from './keys/feature'
import { kit } from './kit/feature'
import { line } from './line/feature'
import { media } from './media/feature'
import { order } from './order/feature'
import { outputs } from './outputs/feature'
import { picture } from './picture/feature'
import { power } from './power/feature'
import { rehearsal } from './rehearsal/feature'
import { sound } from './sound/feature'
import { standard } from './standard/feature'

/** Every subject of the program. */
export const FEATURES = [
  picture,
  standard,
  outputs,
  inputs,
  sound,
  keys,
  control,
  kit,
  continuity,
  crew,
  lens,
  power,
  media,
  line,
  clips,
  order,
  rehearsal,
]

const engine = engineOf<Plan, Traced, Edit>({
  features: FEATURES,
  view: tracedOf,
  // Format, connection, length, outputs, sound, keys, network, endurance, power, room.
  order: 'FCLOAKNEPR',
  segments: ({ plan }) =>
    Object.entries(plan.segments)
      .sort(([a, { order: x }], [b, { order: y }]) => x - y || (a < b ? -1 : 1))
      .map(([id]) => id),
  accepted: ({ plan }, key) => Object.values(plan.accepted).find(({ finding }) => finding === key)?.reason,
})

/** Traces and checks a valid plan, or one segment of it (where only the segment's sources count as wanted). */
export const { check, say, sayParts, rules: RULES } = engine
