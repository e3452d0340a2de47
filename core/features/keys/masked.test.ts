import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { check } from '#core/features'
import { LIMITS, measured, readCells } from '#core/picture'
import { remediesOf } from '#core/propose'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { onBlackPage } from '../../../testing/overlaid'
import { fmt } from '../../../testing/plans'
import { allJudged } from './judged'
import { asKeyed, boxOf, isUncounted, partId, partOf, through } from './masked'
import { measuresOf } from './measures'
import { graphicEntry } from './profile'

const share = fc.integer({ min: 0, max: 100 }).map(n => n / 100)
const box = fc.tuple(share, share, share, share).map(([x, y, w, h]) => ({
  x: x * 0.9,
  y: y * 0.9,
  w: Math.max(0.05, w * (1 - x * 0.9)),
  h: Math.max(0.05, h * (1 - y * 0.9)),
}))
const codes = (plan: Parameters<typeof check>[0]) =>
  check(plan).findings.flatMap(({ id }) => (/^K/.test(id) ? [id] : []))

describe('what a mask lets through of a graphic', () => {
  it.each([
    ['all of it, without a mask', {}, undefined],
    [
      'all of it, under one that is larger',
      { box: { x: 0.2, y: 0.2, w: 0.5, h: 0.5 }, mask: { x: 0.1, y: 0.1, w: 0.7, h: 0.7 } },
      undefined,
    ],
    // The lower 40 % of the picture are the lower 40 % of what fills it.
    ['its lower part', { mask: { x: 0, y: 0.6, w: 1, h: 0.4 } }, { x: 0, y: 0.6, w: 1, h: 0.4 }],
    // In a box from 0.5 to 1 the mask from 0.6 to 0.9 lets through from a fifth to four fifths.
    [
      'a part of its box',
      { box: { x: 0.5, y: 0, w: 0.5, h: 1 }, mask: { x: 0.6, y: 0, w: 0.3, h: 1 } },
      { x: 0.2, y: 0, w: 0.6, h: 1 },
    ],
    [
      'nothing, where both lie apart',
      { box: { x: 0, y: 0, w: 0.4, h: 1 }, mask: { x: 0.5, y: 0, w: 0.5, h: 1 } },
      'nothing',
    ],
  ])('is %s', (_, lying, part) => {
    expect(through(lying)).toEqual(part)
  })
  it('holds a point of the graphic just where the mask holds it in the picture, over any box and mask', () => {
    fc.assert(
      fc.property(box, box, share, share, (at, mask, u, v) => {
        const part = through({ box: at, mask })
        const [x, y] = [at.x + u * at.w, at.y + v * at.h]
        const near = [x - mask.x, x - mask.x - mask.w, y - mask.y, y - mask.y - mask.h].some(d => Math.abs(d) < 1e-3)
        if (near) return
        const inMask = x > mask.x && x < mask.x + mask.w && y > mask.y && y < mask.y + mask.h
        const whole = { x: 0, y: 0, w: 1, h: 1 }
        const inPart =
          part !== 'nothing' &&
          (({ x: left, y: top, w, h }) => u >= left && u <= left + w && v >= top && v <= top + h)(part ?? whole)
        expect(inPart).toBe(inMask)
      }),
      { numRuns: 500 },
    )
  })
})

describe('a key is measured on what its mask lets through', () => {
  // A plate, and below it a black bar: its 160 x 10 pixels are as dark as nothing.
  const drawn = patches(160, 90, CLEAR, [
    [20, 20, 100, 20, [240, 240, 240, 255]],
    [0, 70, 160, 10, [0, 0, 0, 255]],
  ])
  const upper = { x: 0, y: 0, w: 1, h: 0.5 }
  const graphic = kept(drawn)
  const counted = { ...graphic, parts: { [partId(upper)]: partOf(drawn, upper) } }
  // A whole board before a dark frame, marked in black.
  const framed = patches(
    160,
    90,
    [20, 20, 20],
    [
      [20, 10, 120, 70, [190, 190, 190]],
      [40, 40, 60, 4, [10, 10, 10]],
    ],
  )

  it('so that what is cut off is neither lost nor told', () => {
    expect(codes(onBlackPage(graphic))).toEqual(['K04'])
    expect(codes(onBlackPage(counted, { mask: upper }))).toEqual([])
    // Of the 2000 pixels of the plate none is lost; over all of it 1600 of 3600 are.
    const [all] = allJudged(check(onBlackPage(counted)).traced)
    const [masked] = allJudged(check(onBlackPage(counted, { mask: upper })).traced)
    expect([all!.pixels!.found.lost, masked!.pixels!.found.lost]).toEqual([1600 / 3600, 0])
  })
  it('and as a whole where nobody counted that part, which is said', () => {
    const lower = { x: 0, y: 0, w: 1, h: 0.6 }
    expect(codes(onBlackPage(counted, { mask: lower }))).toEqual(['K04'])
    expect([
      isUncounted(counted, { mask: lower }),
      isUncounted(counted, { mask: upper }),
      isUncounted(counted, {}),
    ]).toEqual([true, false, false])
  })
  it('with the ground that is seen there: a board without its frame', () => {
    const board = { x: 0.15, y: 0.15, w: 0.7, h: 0.7 }
    const part = partOf(framed, board)
    expect(part.ground).toEqual([190, 190, 190])
    const entry = { ...kept(framed), parts: { [partId(board)]: part } }
    // The board is 190 of 255; marks below 0.4 stay, all above is cut away.
    const cut = { clip: 0.4, gain: 0.8, invert: true as const }
    const found = measured(readCells(asKeyed(entry, { mask: board }).cells!, true)!, 'luma', cut)
    expect([found.lost, found.haze]).toEqual([0, 0])
    expect(measured(readCells(entry.cells!, true)!, 'luma', cut).haze).toBeGreaterThan(LIMITS.groundStays)
  })
  it('and told where nothing comes through, with what mends it', () => {
    const hidden = onBlackPage(graphic, {
      box: { x: 0, y: 0, w: 0.4, h: 0.4 },
      mask: { x: 0.5, y: 0.5, w: 0.5, h: 0.5 },
    })
    const checked = check(hidden)
    const found = checked.findings.find(({ id }) => id === 'K13')!
    const offers = remediesOf(checked, found).map(({ title }) => title)
    expect(offers).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Take the mask off/), expect.stringMatching(/where it stands$/)]),
    )
  })
})

describe('what a switcher that works in SD makes of colours', () => {
  // Of 64 x 36: saturated green on a quarter, saturated blue on another, over black that the file calls clear.
  // BT.601: green .587 x 255 = 150, blue .114 x 255 = 29. BT.709: green .7152 x 255 = 182, blue .0722 x 255 = 18.
  const graphic = kept(
    patches(64, 36, CLEAR, [
      [0, 0, 32, 18, [0, 255, 0, 255]],
      [32, 18, 32, 18, [0, 0, 255, 255]],
    ]),
  )
  const page = (sd: boolean, clip: number, art = graphic) => {
    const written = onBlackPage(art, { clip, gain: 1 })
    const standard = fmt(sd ? '576i50' : '1080p59.94')
    return {
      ...written,
      devices: { ...written.devices, main: { ...written.devices.main!, standard, limitsOff: true as const } },
    }
  }
  const lost = (...asked: Parameters<typeof page>) => allJudged(tracedOf(page(...asked)))[0]!.pixels?.found.lost

  it.each([
    // Clip 9 % is code 22.95: blue is above it by BT.601 alone.
    [0.09, { sd: 0, hd: 0.5 }],
    // Clip 65 % is code 165.75: green is above it by BT.709 alone.
    [0.65, { sd: 1, hd: 0.5 }],
    [0.05, { sd: 0, hd: 0 }],
  ])('is counted by BT.601: clip %s', (clip, { sd, hd }) => {
    expect(lost(true, clip)).toBe(sd)
    expect(lost(false, clip)).toBe(hd)
  })
  it('is not judged where nobody counted so, and that is said', () => {
    const { cells601: _, wordCells601: __, ...old } = graphic
    expect(lost(true, 0.09, old)).toBeUndefined()
    expect(lost(false, 0.09, old)).toBe(0.5)
    const [row] = measuresOf(
      { overlay: { title: 'Names', order: 1, kind: 'luma', fill: 'slides' }, weights: 601 },
      asKeyed(old, {}, 601),
      { clip: 0.09, gain: 1 },
      undefined,
    )
    expect(row).toMatchObject({ name: 'Graphic lost', now: 'unjudged', bad: false })
    expect(row!.why).toContain('SD')
  })
  it('is counted of the part that a mask lets through, too', () => {
    const picture = patches(64, 36, CLEAR, [
      [0, 0, 32, 36, [0, 0, 255, 255]],
      [32, 0, 32, 36, [0, 255, 0, 255]],
    ])
    const mask = { x: 0.5, y: 0, w: 0.5, h: 1 }
    const part = { [partId(mask)]: partOf(picture, mask) }
    const through601 = asKeyed({ ...kept(picture), parts: part }, { mask }, 601)
    // 32 x 36 pixels, all of them green at 150.
    expect(readCells(through601.cells!, false)!.counts).toEqual([150, 255, 1152])
  })
})

describe('what somebody drew around of an opaque picture', () => {
  // Of 64 x 36 on black: a white bar of 32 x 4, and below it a black shadow of 32 x 2 that nobody can see.
  const bar = patches(64, 36, [0, 0, 0], [[16, 20, 32, 4, [255, 255, 255]]])
  const around = { shadow: { x: 0.25, y: 20 / 36, w: 0.5, h: 6 / 36 } }
  const entry = (solid?: typeof around) =>
    graphicEntry(bar, { title: 'Bar', order: 1, file: '0'.repeat(64) }, {}, solid)
  const lost = (solid?: typeof around) =>
    allJudged(tracedOf(onBlackPage(entry(solid), { clip: 0.1, gain: 0.9 })))[0]!.pixels!.found.lost

  it('is meant to be seen, however dark: 64 of 192 pixels are lost', () => {
    expect(lost()).toBe(0)
    expect(lost(around)).toBeCloseTo(64 / 192, 12)
    expect(codes(onBlackPage(entry(around), { clip: 0.1, gain: 0.9 }))).toContain('K04')
  })
  it('is kept in the plan, and left out of one that says so itself', () => {
    expect(entry(around).solid).toEqual(around)
    expect(entry()).not.toHaveProperty('solid')
    const own = patches(8, 8, CLEAR, [[2, 2, 4, 4, [255, 255, 255, 255]]])
    expect(graphicEntry(own, { title: 'Own', order: 1, file: '0'.repeat(64) }, {}, around)).not.toHaveProperty('solid')
  })
  it('counts in the part that a mask lets through, where that has some of it', () => {
    const counts = (part: { x: number; y: number; w: number; h: number }) => {
      const { cells } = partOf(bar, part, around)
      const read = readCells(cells!, true)!.counts
      let seen = 0
      for (let i = 0; i < read.length; i += 3) if (read[i + 1] === 255) seen += read[i + 2]!
      return seen
    }
    // The left half has half of both; the upper half of the picture has none.
    expect(counts({ x: 0, y: 0, w: 0.5, h: 1 })).toBe(96)
    expect(counts({ x: 0, y: 0, w: 1, h: 0.5 })).toBe(0)
  })
  it('has a part by its name, and a name by its part', () => {
    const part = { x: 0.25, y: 0.1, w: 0.5, h: 0.333 }
    expect(boxOf(partId(part))).toEqual(part)
  })
})
