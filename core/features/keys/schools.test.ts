import { describe, expect, it } from 'vitest'
import { applyEdits } from '#core/document'
import { check } from '#core/features'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { byPair, onBlackPage } from '../../../testing/overlaid'
import { schoolsOf } from './schools'

/** White letters on a plate, with a black shadow below it. */
const SHADED = kept(
  patches(160, 90, CLEAR, [
    [22, 64, 92, 18, [0, 0, 0, 180]],
    [20, 62, 90, 17, [60, 60, 120, 255]],
    [28, 66, 40, 9, [255, 255, 255, 255]],
  ]),
  { name: { x: 20 / 160, y: 62 / 90, w: 90 / 160, h: 17 / 90 } },
)
const of = (...plan: Parameters<typeof onBlackPage>) => schoolsOf(check(onBlackPage(...plan)), 'names')!

describe('schools of one graphic', () => {
  it('are compared by what is lost, and a still with its own key loses nothing and takes no input', () => {
    const all = of(SHADED)
    expect(all.map(({ id, now, edits }) => [id, now, edits !== undefined])).toEqual([
      ['still', false, true],
      ['luma', true, true],
      ['pair', false, false],
    ])
    const [still, luma, pair] = all
    expect(still).toMatchObject({ lost: 0, inputs: 0, boxes: 0, minor: 0, adds: [] })
    // The plate hides most of the shadow: at the right four columns of 18 stick out and below three rows of 88, more than
    // half solid, and black is as bright as nothing.
    const shadow = 4 * 18 + 3 * 88
    expect(luma!.lost).toBeCloseTo(shadow / (shadow + 90 * 17), 6)
    expect(luma!.inputs).toBe(1)
    expect(pair!.why).toBe('its source has no key signal, or no input is free for it')
  })
  it('keep their word when one is taken', () => {
    for (const plan of [onBlackPage(SHADED), byPair(SHADED)])
      for (const { id, edits, lost, adds } of schoolsOf(check(plan), 'names')!) {
        if (!edits) continue
        const applied = applyEdits(plan, [...edits])
        if (!applied.ok) throw new Error(applied.problem.path)
        const after = check(applied.value.plan)
        const same = schoolsOf(after, 'names')!.find(({ now }) => now)!
        expect(same.id).toBe(id)
        expect(same.lost).toBe(lost)
        const before = new Set(check(plan).findings.map(({ key }) => key))
        const come = after.findings.filter(({ key, severity }) => !before.has(key) && severity !== 'N')
        expect(come.map(({ key }) => key)).toEqual(adds)
      }
  })
  it('put the pair first where its leads lie, and say what a school brings with it', () => {
    const [first, ...rest] = schoolsOf(check(byPair(SHADED)), 'names')!
    expect([first!.id, first!.now, first!.lost]).toEqual(['still', false, 0])
    expect(rest.map(({ id, inputs }) => [id, inputs])).toEqual([
      ['pair', 2],
      ['luma', 2],
    ])
    // On black its shadow is lost, which is told then.
    expect(rest[1]!.adds.some(key => /^K(04|11):overlay\/names/.test(key))).toBe(true)
  })
  it('know no still of a switcher without a store, or of a file that does not say how solid it is', () => {
    const opaque = of(kept(patches(160, 90, [0, 0, 0, 255], [[20, 62, 90, 17, [200, 200, 200, 255]]])))
    expect(opaque.find(({ id }) => id === 'still')!.why ?? 'can').toMatch(/solid|can/)
    const plan = onBlackPage(SHADED)
    const models = Object.fromEntries(
      Object.entries(plan.models).map(([id, model]) => [
        id,
        model.mix ? { ...model, mix: { ...model.mix, stills: 0, stillFrames: 0 } } : model,
      ]),
    )
    const without = schoolsOf(check({ ...plan, models }), 'names')!
    expect(without.find(({ id }) => id === 'still')!.why).toBe('it keeps no stills')
    const { graphic: _, ...blind } = plan.overlays.names!
    expect(schoolsOf(check({ ...plan, overlays: { names: blind } }), 'names')).toBeUndefined()
  })
})
