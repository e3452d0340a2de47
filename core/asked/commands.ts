import { COMMANDS as verdict } from '../features/verdict/commands'
import { COMMANDS as standard } from '../features/standard/commands'
import { COMMANDS as patch } from '../features/patch/commands'
import { COMMANDS as outputs } from '../features/outputs/commands'
import { COMMANDS as keys } from '../features/keys/commands'
import { COMMANDS as continuity } from '../features/continuity/commands'
import { COMMANDS as inside } from '../features/inside/commands'
import { COMMANDS as why } from '../features/why/commands'
import { COMMANDS as switcher } from '../features/switcher/commands'
import { COMMANDS as power } from '../features/power/commands'
import { COMMANDS as time } from '../features/time/commands'
import { COMMANDS as media } from '../features/media/commands'
import { COMMANDS as line } from '../features/line/commands'
import { COMMANDS as cost } from '../features/cost/commands'
import { COMMANDS as rehearsal } from '../features/rehearsal/commands'

/** Every command of the command line. */
export const COMMANDS = [
  ...verdict,
  ...standard,
  ...patch,
  ...outputs,
  ...keys,
  ...continuity,
  ...inside,
  ...why,
  ...switcher,
  ...power,
  ...time,
  ...media,
  ...line,
  ...cost,
  ...rehearsal,
]
