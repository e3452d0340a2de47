import { beforeEach, describe, expect, it, vi } from 'vitest'
import { type Edit, type Plan, applyEdits, setEdit } from '#core/document'
import { boxOf, partOf } from '#core/features/keys'
import { CLEAR, kept, patches } from '../../testing/graphics'
import { onBlackPage } from '../../testing/overlaid'
import { laysMasked } from './masked'
import { withParts } from './parts'

const picture = patches(160, 90, CLEAR, [
  [20, 50, 100, 20, [240, 240, 240, 255]],
  [20, 70, 100, 10, [0, 0, 0, 200]],
])
let there = true
vi.mock('~/workers/painter', () => ({
  usePainter: () => ({ part: async (_: string, part: never) => (there ? partOf(picture, part) : undefined) }),
}))
beforeEach(() => (there = true))

const plan = onBlackPage(kept(picture))
const UPPER = { x: 0, y: 0, w: 1, h: 0.75 }
const after = (from: Plan, edits: readonly Edit[]): Plan => {
  const applied = applyEdits(from, edits)
  if (!applied.ok) throw new Error(applied.problem.path)
  return applied.value.plan
}
const partsIn = ({ graphics }: Plan) => Object.keys(graphics.art?.parts ?? {}).map(boxOf)
const mask = (part: object | undefined): Edit[] => [setEdit(['overlays', 'names', 'mask'], part as never)]
const masked = async () => after(plan, await withParts(plan, mask(UPPER)))

describe('what comes through a mask', () => {
  it('is counted with the change that sets, moves or takes it off', async () => {
    const one = await masked()
    expect(partsIn(one)).toEqual([UPPER])
    // The shadow lies from row 70 on, below the mask's edge at 67.5.
    expect(one.graphics.art!.parts!['0-0-10000-7500']).toEqual(partOf(picture, UPPER))
    const lower = { ...UPPER, y: 0.25 }
    const two = after(one, await withParts(one, mask(lower)))
    expect(partsIn(two)).toEqual([lower])
    expect(partsIn(after(two, await withParts(two, mask(undefined))))).toEqual([])
  })
  it('is counted of another picture that comes by the same key, and of an overlay that is added', async () => {
    const one = await masked()
    const other: Edit[] = [
      { do: 'add', collection: 'graphics', id: 'more', value: kept(picture) },
      setEdit(['overlays', 'names', 'slides'], ['more']),
    ]
    expect(Object.keys(after(one, await withParts(one, other)).graphics.more!.parts ?? {})).toHaveLength(1)
    const added: Edit = { do: 'add', collection: 'overlays', id: 'two', value: { ...one.overlays.names!, order: 9 } }
    expect(laysMasked(plan, [added])).toBe(true)
    expect(partsIn(after(plan, await withParts(plan, [added])))).toEqual([UPPER])
  })
  it('keeps what another overlay lets through, and what the change counts itself', async () => {
    const one = await masked()
    const shared = { ...one, overlays: { ...one.overlays, two: { ...one.overlays.names!, order: 9 } } }
    expect(partsIn(after(shared, await withParts(shared, mask(undefined))))).toEqual([UPPER])
    const own = [...mask(UPPER), setEdit(['graphics', 'art', 'parts'], { '0-0-10000-7500': {} } as never)]
    expect(await withParts(plan, own)).toBe(own)
  })
  it('is left to the whole where the file is not to be had, and is no matter without a mask', async () => {
    there = false
    expect(partsIn(await masked())).toEqual([])
    const box = [setEdit(['overlays', 'names', 'box'], UPPER)]
    expect([laysMasked(plan, box), laysMasked(plan, mask(UPPER)), laysMasked(await masked(), box)]).toEqual([
      false,
      true,
      true,
    ])
  })
})
