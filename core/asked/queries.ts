import { paperHead } from '../features/paper/papers'
import { compare } from '../features/versions/compare'
import type { Plan } from '#core/document'
import type { Units } from '#core/words'
import { papersOf } from './papers'
import type { Checked } from '#core/propose'
import { QUERIES as clips } from '../features/clips/queries'
import { QUERIES as computers } from '../features/computers/queries'
import { QUERIES as continuity } from '../features/continuity/queries'
import { QUERIES as cost } from '../features/cost/queries'
import { QUERIES as inside } from '../features/inside/queries'
import { QUERIES as keys } from '../features/keys/queries'
import { QUERIES as line } from '../features/line/queries'
import { QUERIES as media } from '../features/media/queries'
import { QUERIES as order } from '../features/order/queries'
import { QUERIES as outputs } from '../features/outputs/queries'
import { QUERIES as patch } from '../features/patch/queries'
import { QUERIES as power } from '../features/power/queries'
import { QUERIES as rehearsal } from '../features/rehearsal/queries'
import { QUERIES as sound } from '../features/sound/queries'
import { QUERIES as standard } from '../features/standard/queries'
import { QUERIES as switcher } from '../features/switcher/queries'
import { QUERIES as time } from '../features/time/queries'
import { QUERIES as verdict } from '../features/verdict/queries'
import { QUERIES as why } from '../features/why/queries'

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
  ...patch,
  ...power,
  ...rehearsal,
  ...sound,
  ...standard,
  ...switcher,
  ...time,
  ...verdict,
  ...why,
  papers: (checked: Checked, units: Units) => ({ head: paperHead(checked), papers: papersOf(checked, units) }),
  /** Against another plan of the show, which comes second. */
  compare: (checked: Checked, other: Plan, units: Units) =>
    compare(checked, checked.by.again(checked.traced, other), units, papersOf),
}

type Queries = typeof QUERIES
export type QueryName = keyof Queries
export type QueryArguments<K extends QueryName> = Queries[K] extends (checked: Checked, ...args: infer A) => unknown
  ? A
  : never
export type Answer<K extends QueryName> =
  ReturnType<Queries[K]> extends Generator<unknown, infer T> ? T : ReturnType<Queries[K]>
