import type { Screen } from '~/shell/screens'
import { screen as brief } from './brief/screen'
import { screen as whatif } from './continuity/screen'
import { screen as clips } from './clips/screen'
import { screen as cost } from './cost/screen'
import { screen as inside } from './inside/screen'
import { screen as kit } from './kit/screen'
import { screen as line } from './line/screen'
import { screen as media } from './media/screen'
import { screen as order } from './order/screen'
import { screen as outputs } from './outputs/screen'
import { screen as overlays } from './keys/screen'
import { screen as papers } from './paper/screen'
import { screen as patch } from './patch/screen'
import { screen as power } from './power/screen'
import { screen as rehearse } from './rehearsal/screen'
import { screen as runs } from './runs/screen'
import { screen as sound } from './sound/screen'
import { screen as standard } from './standard/screen'
import { screen as switchers } from './switcher/screen'
import { screen as time } from './time/screen'

/** Every screen of a plan, in the order of the work. */
export const SCREENS: readonly Screen[] = [
  brief,
  order,
  kit,
  runs,
  standard,
  patch,
  switchers,
  outputs,
  overlays,
  clips,
  sound,
  whatif,
  inside,
  power,
  time,
  media,
  line,
  cost,
  rehearse,
  papers,
]
