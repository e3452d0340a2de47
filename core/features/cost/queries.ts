import type { Checked } from '#core/propose'
import { gradeOf } from './grade'
import { costOf } from './money'
import { weightOf } from './weight'
import { type Asked, askedOf, waysToSwitch } from './which'
import { workOf } from './work'

export const QUERIES = {
  cost: ({ traced }: Checked) => costOf(traced),
  grade: ({ traced }: Checked) => gradeOf(traced),
  weight: ({ traced }: Checked) => weightOf(traced),
  work: ({ traced }: Checked) => workOf(traced.plan),
  /** Absent, what is asked is counted in the plan. */
  switchers: ({ traced }: Checked, asked: Asked | undefined) => ({
    counted: askedOf(traced),
    ways: waysToSwitch(traced, asked ?? askedOf(traced)),
  }),
}
