import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { openFile } from '#core/document'
import { QUERIES } from '#core/asked'
import { check } from '#core/features'
import { STEPS, STEP_WORDS } from '#core/features/cost'
import { stepsChart } from './stepsChart'
import { workChart } from './workChart'

interface Bar {
  readonly x: readonly (number | string)[]
  readonly y: readonly (number | string)[]
  readonly base: readonly number[]
  readonly text?: readonly string[]
}
const colour = (name: string): string => name
const demo = (name: string) => {
  const opened = openFile(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return check(opened.value.plans.main!)
}
const bars = (chart: { traces: unknown }): Bar[] => chart.traces as Bar[]

describe.each(['harbour-robotics-cup', 'kiln-night', 'three-hall-science-fair', 'bookshop-reading'])(
  'the charts of %s say what the query says',
  name => {
    const checked = demo(name)
    it('money: every step as high as its sum, on top of the one before, up to the whole', () => {
      const cost = QUERIES.cost(checked)
      const [bar] = bars(stepsChart([{ title: 'Here', cost }], 'hired', colour))
      const steps = STEPS.filter(step => step === 'owned' || cost.sums[step] > 0)
      expect(bar!.x).toEqual([...steps.map(step => STEP_WORDS[step]), 'Whole'])
      let below = 0
      for (const [i, step] of steps.entries()) {
        expect(bar!.base[i]).toBeCloseTo(below / 100, 6)
        expect(bar!.y[i]).toBeCloseTo(cost.sums[step] / 100, 6)
        below += cost.sums[step]
      }
      expect(bar!.y.at(-1)).toBeCloseTo(cost.wholeMinor / 100, 6)
      expect(below).toBe(cost.wholeMinor)
    })
    it('work: every job from its earliest for as long as it takes, and as far as it can wait', () => {
      const { build } = QUERIES.work(checked)
      const [done, waits] = bars(
        workChart({ jobs: build.jobs, chosen: undefined, since: undefined, there: undefined, colour }),
      )
      const jobs = build.jobs.toReversed()
      expect(done!.base).toEqual(jobs.map(({ from }) => from))
      expect(done!.x).toEqual(jobs.map(({ job }) => job.minutes))
      expect(waits!.base.map((base, i) => base + Number(waits!.x[i]))).toEqual(
        jobs.map(({ latest, job }) => latest + job.minutes),
      )
    })
  },
)

describe('two versions beside each other', () => {
  it('have the same steps, each its own heights', () => {
    const [here, there] = [QUERIES.cost(demo('kiln-night')), QUERIES.cost(demo('harbour-robotics-cup'))]
    const drawn = bars(
      stepsChart(
        [
          { title: 'A', cost: here },
          { title: 'B', cost: there },
        ],
        undefined,
        colour,
      ),
    )
    expect(drawn).toHaveLength(2)
    expect(drawn[0]!.x).toEqual(drawn[1]!.x)
    expect(drawn.map(({ y }) => y.at(-1))).toEqual([here.wholeMinor / 100, there.wholeMinor / 100])
    // A step that one version has and the other has not stands there empty.
    const at = drawn[0]!.x.indexOf(STEP_WORDS.services)
    expect([drawn[0]!.y[at], drawn[1]!.y[at]]).toEqual([0, there.sums.services / 100])
  })
})
