import type { Checked } from '#core/propose'
import { QUERIES as clips } from './clips/queries'
import { QUERIES as computers } from './computers/queries'
import { QUERIES as continuity } from './continuity/queries'
import { QUERIES as cost } from './cost/queries'
import { QUERIES as inside } from './inside/queries'
import { QUERIES as keys } from './keys/queries'
import { QUERIES as line } from './line/queries'
import { QUERIES as media } from './media/queries'
import { QUERIES as order } from './order/queries'
import { QUERIES as outputs } from './outputs/queries'
import { QUERIES as paper } from './paper/queries'
import { QUERIES as patch } from './patch/queries'
import { QUERIES as power } from './power/queries'
import { QUERIES as rehearsal } from './rehearsal/queries'
import { QUERIES as sound } from './sound/queries'
import { QUERIES as standard } from './standard/queries'
import { QUERIES as switcher } from './switcher/queries'
import { QUERIES as time } from './time/queries'
import { QUERIES as verdict } from './verdict/queries'
import { QUERIES as versions } from './versions/queries'
import { QUERIES as why } from './why/queries'

/** Everything that a page may ask about a checked plan, by name. The worker is one dispatcher over it. */
export const QUERIES = {
  ...clips,
  ...computers,
  ...continuity,
  ...cost,
  ...inside,
  ...keys,
  ...line,
  ...media,
  ...order,
  ...outputs,
  ...paper,
  ...patch,
  ...power,
  ...rehearsal,
  ...sound,
  ...standard,
  ...switcher,
  ...time,
  ...verdict,
  ...versions,
  ...why,
}

type Queries = typeof QUERIES
export type QueryName = keyof Queries
export type QueryArguments<K extends QueryName> = Queries[K] extends (checked: Checked, ...args: infer A) => unknown
  ? A
  : never
export type Answer<K extends QueryName> =
  ReturnType<Queries[K]> extends Generator<unknown, infer T> ? T : ReturnType<Queries[K]>
