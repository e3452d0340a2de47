import type { Traced } from '#core/chain'
import type { Plan } from '#core/document'
import type { Checked } from '#core/propose'
import { singlePoints } from '../continuity/facts'
import { gradeOf } from './grade'
import { costOf } from './money'
import { profilesOf } from './profiles'
import { weightOf } from './weight'
import { type Asked, askedOf, waysToSwitch } from './which'
import { workOf } from './work'

/** What of a version is held against another. */
const figuresOf = (traced: Traced) => ({
  ...costOf(traced),
  grams: weightOf(traced).grams,
  buildMinutes: workOf(traced.plan).build.minutes,
  /** Things by whose loss alone program is dark. */
  points: singlePoints({ traced })
    .filter(({ program }) => program > 0)
    .reduce((sum, { things }) => sum + things.length, 0),
})

export const QUERIES = {
  cost: ({ traced }: Checked) => costOf(traced),
  /** This plan's figures, and those of another of the show. */
  versionCosts: ({ by, traced }: Checked, other: Plan) => ({
    here: figuresOf(traced),
    there: figuresOf(by.again(traced, other).traced),
  }),
  grade: ({ traced }: Checked) => gradeOf(traced),
  /** `handled`: how often each hour of each camera is gone through in the edit. */
  profiles: ({ traced }: Checked, handled: number) => profilesOf(traced, handled),
  weight: ({ traced }: Checked) => weightOf(traced),
  work: ({ traced }: Checked) => workOf(traced.plan),
  /** Absent, what is asked is counted in the plan. */
  switcherWays: ({ traced }: Checked, asked: Asked | undefined) => ({
    counted: askedOf(traced),
    ways: waysToSwitch(traced, asked ?? askedOf(traced)),
  }),
}
