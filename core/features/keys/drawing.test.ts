import { describe, expect, it } from 'vitest'
import { MODELS } from '#core/catalog'
import { type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { drawing, onBlackPage } from '../../../testing/overlaid'
import { drawingWays } from './drawing'
import { drawnNow } from './facts'
import { penLoops } from './pen'

const ways = (plan: Plan, id = 'marks') => drawingWays(check(plan), id)
const MARKS = kept(patches(160, 90, CLEAR, [[20, 40, 60, 4, [240, 240, 60, 255]]]))
/** Marks from the computer beside the switcher, with nothing to draw on yet: a tablet there would be a camera's place. */
const fromTablet = (more: object = {}) => {
  const { devices, links, models, ...rest } = onBlackPage(MARKS)
  const slides = { ...devices.slides!, model: 'tablet-drawing', ports: { hdmi: devices.slides!.ports!['hdmi-1']! } }
  const row = MODELS.get('tablet-drawing')!
  const written = {
    ...rest,
    models: { ...models, 'tablet-drawing': row },
    devices: { ...devices, slides },
    links: { ...links, s: { ...links.s!, from: { device: 'slides', port: 'hdmi' } } },
    ...more,
  }
  return written as unknown as Plan
}

describe('ways of drawing', () => {
  it('are told of what is drawn by hand alone', () => {
    expect(ways(onBlackPage(MARKS), 'names')).toBeUndefined()
    expect(ways(drawing({}))!.find(({ now }) => now)!.id).toBe('pen')
    expect(ways(fromTablet(), 'names')!.find(({ now }) => now)!.id).toBe('tablet')
  })
  it('have the loop of the pen as its own view tells it, and the hand sees the picture there alone', () => {
    const checked = check(drawing({}))
    const all = drawingWays(checked, 'marks')!
    expect(all[0]).toMatchObject({ id: 'pen', seesPicture: true, boxes: 0, minor: 0, adds: [] })
    expect(all[0]!.handMs).toBe(penLoops(checked.traced)[0]!.loopMs)
    expect(all.slice(1).map(({ seesPicture }) => seesPicture)).toEqual([false, false, false])
    // A board and a glass board want a camera each; the hand makes the mark.
    const board = all.find(({ id }) => id === 'board')!
    expect([board.boxes, board.handMs]).toEqual([1, 0])
    const lead = board.minor - MODELS.get('camera-box-hdmi')!.priceMinor
    // What is left is its lead to the switcher, which costs less than a tenth of it.
    expect(lead).toBeGreaterThanOrEqual(0)
    expect(lead).toBeLessThan(MODELS.get('camera-box-hdmi')!.priceMinor / 10)
  })
  it.each([
    ['a pen on a display', drawing({}), 'marks'],
    ['a tablet on a page of its own', fromTablet(), 'names'],
  ])('keep their word when one is taken, from %s', (_, plan, overlay) => {
    const before = new Set(check(plan).findings.map(({ key }) => key))
    let taken = 0
    for (const { id, edits, now, adds, seesPicture, boxes } of ways(plan, overlay)!) {
      if (!edits || now) continue
      const applied = applyEdits(plan, [...edits])
      if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
      const after = check(applied.value.plan)
      expect(drawnNow(after.traced, after.traced.plan.overlays[overlay]!), id).toBe(id)
      const codes = after.findings.flatMap(one => (one.severity !== 'N' && !before.has(one.key) ? [one.id] : []))
      expect([...new Set(codes)].sort(), id).toEqual([...adds].sort())
      const count = (one: Plan) => Object.keys(one.devices).length
      expect(count(applied.value.plan) - count(plan), id).toBe(boxes)
      // Its picture comes to the switcher, and the pen shows the program with the marks.
      const { fill } = after.traced.plan.overlays[overlay]!
      expect(
        after.traced.runs.some(({ lit, origin, end }) => lit && origin?.device === fill && end?.device === 'main'),
        id,
      ).toBe(true)
      if (id === 'pen') expect(penLoops(after.traced)[0], id).toMatchObject({ seen: seesPicture, leads: fill })
      taken++
    }
    expect(taken).toBeGreaterThanOrEqual(3)
  })
  it('say why one cannot be', () => {
    const full = drawing({
      links: { x: 'slides.hdmi-2 > main.in-3 hdmi-passive 2', y: 'pc.hdmi-2 > main.in-4 hdmi-passive 2' },
    })
    const why = Object.fromEntries(ways(full)!.map(one => [one.id, one.why]))
    expect(why).toEqual({
      pen: undefined,
      tablet: 'no input is free for a tablet',
      board: 'no input is free for a camera',
      glass: 'no input is free for a camera',
    })
  })
})
