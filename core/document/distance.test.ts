import { describe, expect, it } from 'vitest'
import { type Edit, applyEdits } from './edit'
import { openPlan } from './open'
import { type Plan, WITHIN_PLACE_M, distanceM, emptyPlan } from './plan'

const PLAN: Plan = {
  ...emptyPlan('Hall'),
  distances: { a: { between: ['desk', 'switcher'], m: 24.5 }, b: { between: ['switcher', 'switcher'], m: 8 } },
}

describe('the distance between two places', () => {
  it.each<[string | undefined, string | undefined, number | undefined]>([
    ['desk', 'switcher', 24.5],
    ['switcher', 'desk', 24.5],
    // Within a place: measured, or taken for a few metres.
    ['switcher', 'switcher', 8],
    ['desk', 'desk', WITHIN_PLACE_M],
    ['desk', 'roof', undefined],
    [undefined, 'desk', undefined],
    [undefined, undefined, undefined],
  ])('%s to %s', (a, b, m) => expect(distanceM(PLAN, a, b)).toBe(m))

  const add = (between: [string, string], m: number): Edit => ({
    do: 'add',
    collection: 'distances',
    id: 'c',
    value: { between, m },
  })
  it.each<[string, Edit, string | true]>([
    ['another pair', add(['desk', 'roof'], 40), true],
    ['the same pair the other way round', add(['switcher', 'desk'], 40), '/distances/c/between'],
    ['farther than any cable', add(['desk', 'roof'], 20_001), '/distances/c/m'],
    ['a new measure', { do: 'set', at: ['distances', 'a', 'm'], value: 30 }, true],
    ['no measure', { do: 'set', at: ['distances', 'a', 'm'] }, '/distances/a'],
    ['a place without a name', add(['desk', ''], 3), '/distances/c/between/1'],
  ])('takes or refuses %s, and leads back exactly', (_, edit, expected) => {
    const applied = applyEdits(PLAN, [edit])
    if (!applied.ok) {
      expect(applied.problem.path).toBe(expected)
      return
    }
    expect(expected).toBe(true)
    const back = applyEdits(applied.value.plan, applied.value.inverse)
    expect(back.ok && back.value.plan).toEqual(PLAN)
  })
  it('stands in a file, and a file from before has none', () => {
    const opened = openPlan({ title: 'Hall', distances: PLAN.distances })
    expect(opened.ok && opened.value.distances).toEqual(PLAN.distances)
    const old = openPlan({ title: 'Hall' })
    expect(old.ok && old.value.distances).toEqual({})
  })
})
