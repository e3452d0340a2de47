import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type KeyScale, MODELS, cutWords, keyScaleOf, mixOf, ofSteps, stepWords, toSteps } from '#core/catalog'
import { type Cut, type Overlay, applyEdits, canonicalPlan } from '#core/document'
import { type Graphic, wordLines } from '#core/picture'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { confusion } from '../../../testing/drawn'
import { byPair, onBlackPage } from '../../../testing/overlaid'
import { SOAK } from '../../../testing/soak'
import { check } from '../index'
import { CAPTION_HEIGHT, CAPTION_WIDTH, type CaptionAsked, captionSvg, laidCaption } from './caption'
import { allJudged, bestSetting, contrastOf, faultOf, flagWrong, settable, standing } from './judged'
import { measuresOf } from './measures'
import { removalOf } from './offers'

const PERCENT: KeyScale = { steps: 100, shows: 'percent' }
const SLOPE: KeyScale = { steps: 64, shows: 'slope' }

describe('panels', () => {
  it('show clip and gain in their own steps', () => {
    expect(cutWords(PERCENT, { clip: 0.07, gain: 0.93 })).toBe('clip 7\u00A0%, gain 93\u00A0%')
    expect(cutWords({ steps: 255, shows: 'number' }, { clip: 0.04, gain: 1 })).toBe('clip 10, gain 255')
    // A slope of 4 is a gain of 1 - 1/4; the first step is a slope of 1.
    expect(ofSteps(SLOPE, 16, 3)).toEqual({ clip: 0.25, gain: 0.75 })
    expect([stepWords(SLOPE, 'gain', 3), stepWords(SLOPE, 'clip', 16), stepWords(SLOPE, 'gain', 0)]).toEqual([
      '\u00D74',
      '16',
      '\u00D71',
    ])
  })
  it('come back to the step that they were set to, and what lies between goes to the nearest', () => {
    for (const scale of [PERCENT, SLOPE, { steps: 255, shows: 'number' } as const])
      for (let step = 0; step <= scale.steps; step++)
        expect(toSteps(scale, ofSteps(scale, step, step))).toEqual({ clip: step, gain: step })
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), clip => {
        const { clip: set } = settable(PERCENT, { clip, gain: 0 })
        expect(Math.abs(set - clip)).toBeLessThanOrEqual(0.005 + 1e-12)
      }),
    )
  })
  it('are said of every switcher of the catalogue', () => {
    for (const model of MODELS.values())
      if (mixOf(model)) expect(keyScaleOf(model).steps, model.title).toBeGreaterThanOrEqual(16)
  })
})

describe('captions', () => {
  // Letters of 100 pixels: capitals of 70, 50 wide each, 20 below the line.
  const measure = (line: string) => ({ width: line.length * 50, capital: 70, below: 20 })
  const asked: CaptionAsked = {
    lines: ['Ada Moss', 'reads'],
    letters: 0.05,
    place: 'lower left',
    ink: '#ffffff',
    plate: '#203040',
    solid: 1,
  }
  it('stand inside of the safe part with capitals as high as asked', () => {
    for (const place of ['lower left', 'lower middle', 'upper left'] as const) {
      const { plate, lines, words } = laidCaption({ ...asked, place }, measure)
      expect(plate.x).toBeGreaterThanOrEqual(0.05 * CAPTION_WIDTH)
      expect(plate.y).toBeGreaterThanOrEqual(0.05 * CAPTION_HEIGHT)
      expect(plate.x + plate.w).toBeLessThanOrEqual(0.95 * CAPTION_WIDTH)
      expect(plate.y + plate.h).toBeLessThanOrEqual(0.95 * CAPTION_HEIGHT)
      // 0.05 x 1080 = 54 of 70 in 100: letters of 77.14.
      expect(lines[0]!.size).toBeCloseTo(77.14, 2)
      expect(words['line-1']).toMatchObject({ letters: 0.05, exact: true })
      expect(words['line-2']!.letters).toBeCloseTo(0.04, 6)
    }
  })
  it('are made smaller where a line is longer than the safe part', () => {
    const { plate, lines } = laidCaption({ ...asked, lines: ['M'.repeat(80)] }, measure)
    expect(plate.x + plate.w).toBeLessThanOrEqual(0.95 * CAPTION_WIDTH)
    // 80 letters of half their size within 1920 x 0.88 less twice 37.8.
    expect(lines[0]!.size).toBeCloseTo((1920 * 0.88 - 2 * 37.8) / 40, 3)
  })
  it('leave out empty lines, and go into a drawing with what is typed taken as words', () => {
    const odd = { ...asked, lines: ['', 'A & B <i>'] }
    const caption = laidCaption(odd, measure)
    expect(Object.keys(caption.words)).toEqual(['line-1'])
    const svg = captionSvg(odd, caption, 'black')
    expect(svg).toContain('A &amp; B &lt;i&gt;')
    expect(svg).toContain('<rect width="1920" height="1080" fill="#000000"/>')
    expect(captionSvg(odd, caption, 'clear')).not.toContain('#000000')
    expect(captionSvg({ ...odd, solid: 0.5 }, caption, 'clear')).toContain('fill-opacity="0.5"')
  })
})

describe('lines of words', () => {
  /** Letters as bars: so many of a width and a height, from a corner. */
  const line = (x: number, y: number, count: number, w: number, h: number) =>
    Array.from({ length: count }, (_, i) => [x + i * 2 * w, y, w, h, [255, 255, 255, 255]] as const)
  const shares = (graphic: Graphic) =>
    wordLines(graphic).map(({ left, top, right, bottom }) => [left, top, right, bottom])
  it('are found on a plate, one box a line, and not its outline or a bar beside it', () => {
    const graphic = patches(400, 225, CLEAR, [
      [20, 140, 300, 70, [40, 40, 120, 255]],
      [20, 140, 6, 70, [255, 220, 140, 255]],
      ...line(60, 150, 12, 6, 20),
      ...line(60, 182, 16, 6, 20),
    ])
    const found = shares(graphic)
    expect(found).toHaveLength(2)
    // Twelve strokes from 60 to 60 + 11 x 12 + 6 = 198, rows 150 to 170, and a little room.
    const [left, top, right, bottom] = found[0]!
    expect(left).toBeGreaterThan(50)
    expect(left).toBeLessThanOrEqual(60)
    expect(right).toBeGreaterThanOrEqual(198)
    expect(right).toBeLessThan(210)
    expect(top).toBeLessThanOrEqual(150)
    expect(bottom).toBeGreaterThanOrEqual(170)
  })
  it('are found without a plate, words beside each other as one', () => {
    const found = shares(patches(400, 225, CLEAR, [...line(60, 100, 10, 4, 18), ...line(150, 100, 10, 4, 18)]))
    expect(found).toHaveLength(1)
  })
  it('are none on a plain plate, a circle of pixels or nothing', () => {
    expect(shares(patches(400, 225, CLEAR, [[20, 140, 300, 50, [40, 40, 120, 255]]]))).toEqual([])
    expect(shares(patches(400, 225, CLEAR, []))).toEqual([])
  })
})

describe('keys that are measured', () => {
  const card = kept(
    patches(160, 90, CLEAR, [
      [20, 60, 90, 20, [60, 60, 120, 255]],
      [30, 65, 40, 9, [255, 255, 255, 255]],
    ]),
    { name: { x: 0.125, y: 60 / 90, w: 90 / 160, h: 20 / 90 } },
  )
  const judged = (overlay: Partial<Overlay> = {}, graphic = card) =>
    allJudged(check(onBlackPage(graphic, overlay)).traced)[0]!
  it('tell every measure in words, and nothing as wrong that is not', () => {
    const { laid, cut, graphic } = judged()
    const rows = measuresOf({ overlay: laid.overlay }, graphic, cut, undefined)
    expect(Object.fromEntries(rows.map(({ name, now }) => [name, now]))).toEqual({
      'Graphic lost': '0\u00A0%',
      'Words lost': '0\u00A0%',
      'Background stays': '0\u00A0%',
      'Soft edge kept': 'unjudged',
      'Edge off colour': 'unjudged',
      // White on 60, 60, 120: luminances 1 and 0.0549: 1.05 / 0.1049.
      'Contrast, guaranteed': '10 : 1',
      // 9 of 90 of 60 mm.
      'Letters on a phone': '6\u00A0mm',
      'Inside the safe area': 'all',
    })
    expect(rows.filter(({ bad }) => bad)).toEqual([])
  })
  it('are judged as the panel can be set, and find a setting of that panel', () => {
    const one = judged({ clip: 0.123, gain: 0.456 })
    expect([one.cut.clip, one.cut.gain]).toEqual([0.12, 0.46])
    const { clip, gain } = bestSetting(one)!.cut
    expect([clip * 100, gain * 100].map(step => Math.abs(step - Math.round(step)) < 1e-9)).toEqual([true, true])
    expect(bestSetting(judged({ kind: 'box' }))).toBeUndefined()
  })
  it('stay unjudged where nothing was counted, or the cells are none', () => {
    const { cells: _, ...bare } = card
    expect(judged({}, bare as typeof card).pixels).toBeUndefined()
    expect(judged({}, { ...card, cells: 'AAA' }).pixels).toBeUndefined()
    expect(faultOf(judged({}, bare as typeof card))).toBeUndefined()
  })
  it('say what stands where, through the box of the overlay', () => {
    const box = { x: 0.5, y: 0.5, w: 0.5, h: 0.25 }
    const { x, y, w, h } = standing({ box } as Overlay, { x: 0.2, y: 0.4, w: 0.1, h: 0.2 })
    expect([x, y, w, h].map(value => Number(value.toFixed(9)))).toEqual([0.6, 0.6, 0.05, 0.05])
  })
  it('take a fill for what it is where the file or somebody says so, and ask else', () => {
    const soft = kept(patches(160, 90, CLEAR, [[20, 50, 90, 30, [90, 90, 90, 90]]]))
    const wrong = (overlay: Partial<Overlay>) => flagWrong(allJudged(check(byPair(soft, overlay)).traced)[0]!)
    // Colours as bright as they are solid may be either.
    expect(wrong({})).toBeUndefined()
    expect(wrong({ premultiplied: true })).toBeUndefined()
    expect(wrong({ sends: 'straight', premultiplied: true })).toBe('straight')
    expect(wrong({ sends: 'premultiplied' })).toBe('premultiplied')
    expect(wrong({ sends: 'premultiplied', premultiplied: true })).toBeUndefined()
  })
  it('thin a plate by the key, and with it the contrast that it guarantees', () => {
    const word = { x: 0, y: 0, w: 1, h: 1, ink: [255, 255, 255, 255], plate: [0, 0, 0, 255] }
    const by = (cut: Cut, kind: Overlay['kind']) =>
      contrastOf({ overlay: { title: '', order: 1, kind, fill: '' }, cut }, word)
    // By a key signal black is as solid as the file says; by its brightness it is gone, and white may lie behind white.
    expect(by({ clip: 0, gain: 0 }, 'linear')).toBeCloseTo(21, 9)
    expect(by({ clip: 0.04, gain: 0.96 }, 'luma')).toBe(1)
  })
})

describe('faults over graphics that are drawn by chance', () => {
  it('are told where they are, and nowhere else', () => {
    const { table, differ } = confusion(SOAK ? 3000 : 100)
    expect(differ).toEqual([])
    for (const [code, [told, , , right]] of Object.entries(table)) {
      expect(told, code).toBeGreaterThan(2)
      expect(right, code).toBeGreaterThan(30)
    }
  })
})

describe('an overlay that is taken out', () => {
  it('takes its graphic along where no other one shows it, and both come back with one step', () => {
    const plan = onBlackPage(kept(patches(64, 36, CLEAR, [[8, 20, 40, 8, [200, 210, 220, 255]]])))
    const [id, overlay] = Object.entries(plan.overlays)[0]!
    const gone = applyEdits(plan, removalOf(plan, id))
    if (!gone.ok) throw new Error(gone.problem.path)
    expect([gone.value.plan.overlays, gone.value.plan.graphics]).toEqual([{}, {}])
    const back = applyEdits(gone.value.plan, gone.value.inverse)
    expect(back.ok && canonicalPlan(back.value.plan)).toBe(canonicalPlan(plan))
    const shared = { ...plan, overlays: { ...plan.overlays, other: { ...overlay, order: 9 } } }
    expect(removalOf(shared, id)).toEqual([{ do: 'remove', collection: 'overlays', id }])
  })
})
