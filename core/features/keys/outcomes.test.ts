import { describe, expect, it } from 'vitest'
import type { Plan } from '#core/document'
import { check } from '#core/features'
import { remediesOf } from '#core/propose'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { byPair, lateKey, onBlackPage } from '../../../testing/overlaid'
import { measuresOf } from './measures'
import { outcomesOf } from './outcomes'
import { overlaysOf } from './overlays'

/** Of the first finding: each remedy and what is measured after it. */
function outcomesAfter(plan: Plan): Record<string, string> {
  const checked = check(plan)
  const offers = remediesOf(checked, checked.findings[0]!)
  const outcomes = outcomesOf(
    checked,
    'names',
    offers.map(({ edits }) => edits),
  )
  return Object.fromEntries(offers.map(({ title }, i) => [title, outcomes[i]!]))
}

describe('what is measured after a remedy', () => {
  it('is what was wrong, as it is then, and nothing of an overlay that is given up', () => {
    // Black letters of 20 x 8 in a box of 40 x 12 are a third of the words, and 4 % of a plate of 100 x 40.
    const letters = byPair(
      kept(
        patches(160, 90, CLEAR, [
          [20, 40, 100, 40, [230, 230, 230, 255]],
          [40, 52, 20, 8, [0, 0, 0, 255]],
        ]),
        { name: { x: 30 / 160, y: 50 / 90, w: 40 / 160, h: 12 / 90 } },
      ),
      { kind: 'luma' },
    )
    const outcomes = outcomesAfter(letters)
    expect(outcomes['Key Names by the key signal of gfx']).toMatch(/^graphic lost: 0\s%, words lost: 0\s%/)
    expect(outcomes['Give up Names']).toBe('')
  })
  it('tells a ground that goes, by the setting that is offered', () => {
    const ground = kept(patches(160, 90, [16, 16, 16], [[20, 60, 100, 20, [255, 255, 255]]]))
    const [title, outcome] = Object.entries(outcomesAfter(onBlackPage(ground)))[0]!
    expect(title).toMatch(/^Set clip/)
    expect(outcome).toMatch(/^background stays: 0\s%$/)
  })
  it('tells how fill and key lie on each other, and that they are alike once the delay is gone', () => {
    // Two frames of 20 ms.
    const late = lateKey({
      graphics: { art: kept(patches(160, 90, CLEAR, [[20, 60, 100, 20, [240, 240, 240, 255]]])) },
      overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'gfx', graphic: 'art', sends: 'straight' } },
    })
    const { traced } = check(late)
    const [row] = overlaysOf(traced).rows
    const told = (one: typeof row) =>
      measuresOf(one!, late.graphics.art!, one!.cut, undefined).find(({ name }) => name === 'Fill and key apart')
    expect(told(row)).toMatchObject({ now: '40\u00A0ms', bad: true })
    expect(told({ ...row!, apart: 'drift' })).toMatchObject({ now: 'not in step', bad: true })
    expect(told({ ...row!, apart: { formats: true, ms: 0 } })).toMatchObject({ now: 'two formats', bad: true })
    // A key by brightness has no second signal.
    const alone = { ...late, overlays: { names: { ...late.overlays.names!, kind: 'luma' as const } } }
    expect(overlaysOf(check(alone).traced).rows[0]!.apart).toBeUndefined()
    expect(Object.values(outcomesAfter(late))[0]).toMatch(/^fill and key apart: 0\s*ms$/)
  })
  it('is nothing where no picture is there to be measured', () => {
    const checked = check(onBlackPage(kept(patches(160, 90, CLEAR, [[20, 60, 9, 9, [255, 255, 255, 255]]]))))
    expect(outcomesOf(checked, 'gone', [[], [{ do: 'remove', collection: 'overlays', id: 'gone' }]])).toEqual(['', ''])
  })
})
