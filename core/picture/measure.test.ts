import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CLEAR, type Patch, patches } from '../../testing/graphics'
import { fringe, laidOver, lossOf, solidityOf } from './bench'
import { cellsOf, cellsText, pixelsIn, readCells } from './cells'
import { contrast, guaranteed, lettering, luminance } from './contrast'
import { type Graphic, groundOf, meant, seenTruth, sentAs, straightPixels } from './graphic'
import { chromaKeyed } from './chroma'
import { keyed, luma, matteTable } from './key'
import { type Way, findSetting, measured } from './measure'
import { type Colour, at, plain } from './pixels'

const code = fc.integer({ min: 0, max: 255 })
const anyGraphic = fc
  .record({
    width: fc.integer({ min: 1, max: 23 }),
    height: fc.integer({ min: 1, max: 13 }),
    opaque: fc.boolean(),
    colours: fc.array(fc.tuple(code, code, code, fc.oneof(code, fc.constantFrom(0, 128, 255))), {
      minLength: 1,
      maxLength: 9,
    }),
    seed: fc.array(fc.nat(8), { minLength: 23 * 13, maxLength: 23 * 13 }),
  })
  .map(({ width, height, opaque, colours, seed }): Graphic => {
    const data = new Uint8ClampedArray(width * height * 4)
    for (let p = 0; p < width * height; p++) {
      const [r, g, b, a] = colours[seed[p]! % colours.length]!
      data.set([r, g, b, opaque ? 255 : a], p * 4)
    }
    return { width, height, data, opaque }
  })

/** The measures again, from pixels and the plain formulas. */
function byPixels(graphic: Graphic, way: Way, clip: number, gain: number, invert: boolean) {
  const { y, truth } = meant(graphic)
  let [solid, lost, clear, hazy, off, span] = [0, 0, 0, 0, 0, 0]
  y.forEach((brightness, p) => {
    if (graphic.opaque && truth[p] === 127) return
    const alpha = truth[p]! / 255
    const x = (way === 'luma' ? brightness : truth[p]!) / 255
    const raw = Math.min(1, Math.max(0, (x - clip) / Math.max(1 - gain, 1 / 255)))
    const a = invert ? 1 - raw : raw
    if (alpha === 0) {
      clear++
      if (a > 0.02) hazy++
    }
    if (alpha > 0.5) {
      solid++
      if (a < alpha / 2) lost++
    }
    if (alpha > 0.05 && alpha < 0.95) {
      off += Math.abs(a - alpha)
      span += Math.min(alpha, 1 - alpha)
    }
  })
  return {
    lost: solid ? lost / solid : undefined,
    haze: clear ? hazy / clear : undefined,
    soft: span && !graphic.opaque ? Math.max(0, 1 - off / span) : undefined,
  }
}

describe('graphics', () => {
  it('that are opaque: ground is what is like it and reaches the edge, step by step', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.array(fc.boolean(), { minLength: 144, maxLength: 144 }),
        (width, height, bright) => {
          const data = new Uint8ClampedArray(width * height * 4).map((_, i) =>
            i % 4 === 3 || bright[i >> 2] ? 255 : 4,
          )
          const { truth, ground } = seenTruth({ width, height, data })
          const expected: number[] = Array.from(truth, (_, p) => (Math.abs(data[p * 4]! - ground[0]) > 8 ? 255 : 127))
          const open = (p: number): boolean => {
            const [x, y] = [p % width, Math.floor(p / width)]
            if (x === 0 || y === 0 || x === width - 1 || y === height - 1) return true
            return [p - 1, p + 1, p - width, p + width].some(beside => expected[beside] === 0)
          }
          for (let changed = true; changed;) {
            changed = false
            expected.forEach((value, p) => {
              if (value !== 127 || !open(p)) return
              expected[p] = 0
              changed = true
            })
          }
          expect([...truth]).toEqual(expected)
        },
      ),
      { numRuns: 300 },
    ))
  it('are counted by brightness and solidity, and come back from their text', () =>
    fc.assert(
      fc.property(anyGraphic, graphic => {
        const cells = cellsOf(graphic)
        expect(pixelsIn(cells)).toBe(graphic.width * graphic.height)
        expect(readCells(cellsText(cells), graphic.opaque)).toEqual(cells)
      }),
    ))
  it('say which text is none of theirs', () => {
    for (const text of ['!', 'a', 'A', 'AAA', '-A', '__________A', 'AB'.repeat(70_000)])
      expect(readCells(text, false)).toBeUndefined()
    // Distance 0 from before the first: brightness 0, solid 0; count 32 = 0 + 1 * 32, the first group with more behind it.
    expect(readCells('AgB', false)).toEqual({ opaque: false, counts: [0, 0, 32] })
  })
  it('keep within some thousand cells, whatever they are: solidity is then told in steps of 16', () => {
    const data = new Uint8ClampedArray(256 * 256 * 4)
    for (let p = 0; p < 65_536; p++) data.set([p >> 8, p >> 8, p >> 8, p & 255], p * 4)
    const cells = cellsOf({ width: 256, height: 256, data, opaque: false })
    expect(pixelsIn(cells)).toBe(65_536)
    expect(new Set(cells.counts.filter((_, i) => i % 3 === 1))).toEqual(
      new Set([0, 1, ...Array.from({ length: 15 }, (_, i) => 16 * (i + 1)), 254, 255]),
    )
    // All 256 greys that are wholly clear are black over black; what is hardly solid stays apart from them.
    expect(cells.counts.slice(0, 3)).toEqual([0, 0, 256])
  })
  it('that are opaque: the ground reaches the edge, what is like it but enclosed is not known', () => {
    const ring: Patch[] = [
      [4, 4, 10, 10, [200, 200, 200]],
      [6, 6, 4, 4, [3, 0, 8]],
    ]
    const graphic = patches(20, 20, [0, 0, 0], ring)
    const { truth, ground } = meant(graphic)
    expect(ground).toEqual([0, 0, 0])
    expect([truth[0], truth[5 * 20 + 5], truth[7 * 20 + 7]]).toEqual([0, 255, 127])
    // 84 seen and kept, 16 enclosed and dark: nothing is lost, or 16 of 100.
    const found = measured(cellsOf(graphic), 'luma', { clip: 0.1, gain: 0.9 })
    expect(found).toEqual({ lost: 0, lostWithHoles: 0.16, haze: 0 })
    expect(groundOf(patches(50, 50, [9, 8, 7], [[10, 10, 30, 30, [255, 255, 255]]]))).toEqual([9, 8, 7])
  })
  it('are certainly straight where a colour is brighter than over black it can be', () => {
    const one = (r: number, a: number) => straightPixels(patches(1, 1, [r, 0, 0, a], []))
    expect([one(130, 128), one(131, 128), one(255, 0), one(255, 255)]).toEqual([0, 1, 0, 0])
  })
})

describe('measures', () => {
  it('are those of the pixels, for any graphic and setting', () =>
    fc.assert(
      fc.property(
        anyGraphic,
        fc.constantFrom<Way>('luma', 'linear'),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.boolean(),
        (graphic, way, clip, gain, invert) => {
          const found = measured(cellsOf(graphic), way, { clip, gain, invert })
          const plainly = byPixels(graphic, way, clip, gain, invert)
          for (const key of ['lost', 'haze', 'soft'] as const)
            if (plainly[key] === undefined) expect(found[key]).toBeUndefined()
            else expect(found[key]).toBeCloseTo(plainly[key]!, 9)
          // Pixel by pixel they are the same.
          const isLost = lossOf(graphic, { way, cut: { clip, gain, invert }, sends: 'premultiplied' })
          const lost = Array.from(graphic.data.subarray(0, graphic.data.length / 4), (_, p) => p).filter(isLost)
          const { truth } = meant(graphic)
          const solid = truth.reduce((sum, one) => sum + Number(one > 127), 0)
          if (found.lost !== undefined) expect(lost.length / solid).toBeCloseTo(found.lost, 9)
        },
      ),
      { numRuns: 300 },
    ))
  it('by hand: a plate, its shadow, and a soft edge', () => {
    const graphic = patches(10, 10, CLEAR, [
      [0, 0, 10, 3, [255, 255, 255, 255]],
      [0, 3, 10, 1, [0, 0, 0, 153]],
      [0, 4, 10, 1, [255, 255, 255, 102]],
    ])
    // 30 white, 10 of shadow at 0.6, 10 white at 0.4, 50 clear. By brightness at clip 0.2, gain 0.5: white 1, shadow 0,
    // 0.4 becomes (0.4 - 0.2) / 0.5 = 0.4. Lost 10 of 40; soft 1 - (10 * 0.6 + 0) / (10 * 0.4 + 10 * 0.4) = 0.25.
    const found = measured(cellsOf(graphic), 'luma', { clip: 0.2, gain: 0.5 })
    expect(found.lost).toBe(0.25)
    expect(found.haze).toBe(0)
    expect(found.soft).toBeCloseTo(0.25, 9)
    // By a key signal nothing of this is lost.
    expect(measured(cellsOf(graphic), 'linear', { clip: 0, gain: 0 })).toEqual({ lost: 0, haze: 0, soft: 1 })
    // Narrow black that is read as full range stands at 16/255 = 0.063: a veil everywhere at clip 0.
    expect(measured(cellsOf(graphic), 'luma', { clip: 0, gain: 0 }, 'narrow as full').haze).toBe(1)
    expect(measured(cellsOf(graphic), 'luma', { clip: 0, gain: 0 }).haze).toBe(0)
    const isLost = lossOf(graphic, { way: 'luma', cut: { clip: 0.2, gain: 0.5 }, sends: 'straight' })
    expect(Array.from({ length: 100 }, (_, p) => p).filter(isLost)).toEqual([30, 31, 32, 33, 34, 35, 36, 37, 38, 39])
  })
  it('find the best setting of a panel: none of the whole grid is better', () =>
    fc.assert(
      fc.property(anyGraphic, fc.boolean(), (graphic, invert) => {
        const steps = 12
        const toCut = (clip: number, gain: number) => ({ clip: clip / steps, gain: gain / steps })
        const cells = cellsOf(graphic)
        const best = findSetting(cells, undefined, { steps, toCut }, { invert })
        if (!best) {
          expect(measured(cells, 'luma', toCut(0, 0)).lost).toBeUndefined()
          return
        }
        const { y, truth } = meant(graphic)
        // The same ground, three codes brighter and darker.
        const hazyAt = (clip: number, gain: number) => {
          const table = matteTable(clip, gain, invert)
          return y.reduce(
            (sum, code, p) =>
              sum +
              (truth[p] === 0 && Math.max(table[Math.min(255, code + 3)]!, table[Math.max(0, code - 3)]!) > 0.02
                ? 1
                : 0),
            0,
          )
        }
        const rank = (clip: number, gain: number) =>
          [hazyAt(clip, gain), measured(cells, 'luma', { clip, gain, invert }).lost!] as const
        const mine = rank(best.cut.clip, best.cut.gain)
        for (let clip = 0; clip <= steps; clip++)
          for (let gain = 0; gain <= steps; gain++) {
            const other = rank(clip / steps, gain / steps)
            expect(other[0] > mine[0] || (other[0] === mine[0] && other[1] >= mine[1] - 1e-12)).toBe(true)
          }
      }),
      { numRuns: 40 },
    ))
  it('stand a margin away from haze and loss', () => {
    const graphic = patches(20, 20, [10, 10, 10], [[5, 5, 10, 10, [200, 200, 200]]])
    const best = findSetting(cellsOf(graphic), undefined, {
      steps: 100,
      toCut: (clip, gain) => ({ clip: clip / 100, gain: gain / 100 }),
    })!
    expect(best.measured).toMatchObject({ lost: 0, haze: 0 })
    // The middle of 10 and 200 is 105 of 255, 41 %: 95 codes to each side, less a step of 1 % to each.
    expect(best.margin * 255).toBeGreaterThan(90)
    expect(best.margin * 255).toBeLessThanOrEqual(95)
  })
})

describe('what is seen', () => {
  const white: Colour = [255, 255, 255]
  it('is a fill with its key, straight or weighted, as the flag has it', () => {
    const half = patches(1, 1, [200, 100, 0, 128], [])
    const over = (sends: 'straight' | 'premultiplied', premultiplied: boolean) =>
      at(laidOver(plain(1, 1, white), half, { way: 'linear', cut: { clip: 0, gain: 0, premultiplied }, sends }), 0, 0)
    // 128/255 = 0.50196: 0.50196 * 200 + 0.49804 * 255 = 227.4, 50.2 + 127 = 177.2, 127.
    expect(over('straight', false)).toEqual([227, 177, 127])
    // Weighted, 100, 50, 0: the same where it is added, up to rounding.
    expect(over('premultiplied', true)).toEqual([227, 177, 127])
    // Colours as they are, added: 200 + 127 is more than white, 100 + 127.
    expect(over('straight', true)).toEqual([255, 227, 127])
    // Weighted twice: 0.50196 * 100 + 127 = 177.2.
    expect(over('premultiplied', false)).toEqual([177, 152, 127])
    const keying = { way: 'linear', cut: { clip: 0, gain: 0 }, sends: 'premultiplied' } as const
    // Red is meant to be 100.4 over black and becomes 50.2.
    expect(fringe(half, keying)).toBeCloseTo(-50.2, 0)
    expect(fringe(half, { ...keying, sends: 'straight' })).toBeCloseTo(0, 0)
    expect(at(solidityOf(sentAs(half, 'key'), keying), 0, 0)).toEqual([128, 128, 128])
  })
  it('is cut out before a painted screen by its hue', () => {
    const chroma = { screen: [0, 177, 64], tolerance: 0.08, edge: 0.12, spill: 1 } as const
    const row = (colour: Colour) => at(chromaKeyed(plain(1, 1, [10, 20, 200]), plain(1, 1, colour), chroma), 0, 0)
    // The screen itself is gone; grey, which has no hue, stays as it is; so does the opposite hue.
    expect(row([0, 177, 64])).toEqual([10, 20, 200])
    expect(row([128, 128, 128])).toEqual([128, 128, 128])
    expect(row([200, 60, 150])).toEqual([200, 60, 150])
    // Grey with a green shine loses it: less green than before, at the same brightness within rounding.
    const shine = row([130, 170, 130])
    expect(shine[1]).toBeLessThan(170)
    expect(Math.abs(luma(...shine) - luma(130, 170, 130))).toBeLessThanOrEqual(1)
  })
  it('is the plain formula over random pictures, straight and weighted, within one code', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(code, code, code), { minLength: 1, maxLength: 40 }),
        code,
        fc.constantFrom(0, 0.5, 0.9, 1),
        fc.boolean(),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (colours, under, gain, premultiplied, share) => {
          const row = (of: readonly (readonly number[])[]) => ({
            width: of.length,
            height: 1,
            data: Uint8ClampedArray.from(of.flatMap(([r, g, b]) => [r!, g!, b!, 255])),
          })
          const back = row(colours.map(() => [under, under, under]))
          const out = keyed(back, row(colours), { table: matteTable(0.1, gain), premultiplied }, share)
          colours.forEach((colour, x) => {
            const a = Math.min(1, Math.max(0, (luma(...colour) / 255 - 0.1) / Math.max(1 - gain, 1 / 255)))
            colour.forEach((value, c) => {
              const fill = premultiplied ? share * value : share * a * value
              const plainly = Math.min(255, Math.floor(fill + (1 - share * a) * under + 0.5))
              expect(Math.abs(out.data[x * 4 + c]! - plainly)).toBeLessThanOrEqual(1)
            })
          })
        },
      ),
    ))
})

describe('words', () => {
  it('have the contrast of linear light, and what a plate guarantees over any picture', () => {
    // IEC 61966-2-1: 0.5 is 0.2140 of linear light; white on black is 1.05 / 0.05 = 21.
    expect(luminance([0.5, 0.5, 0.5])).toBeCloseTo(0.214, 3)
    expect(contrast(1, 0)).toBeCloseTo(21, 9)
    const white = [255, 255, 255, 255] as const
    expect(guaranteed(white, [0, 0, 0, 255])).toBeCloseTo(21, 9)
    expect(guaranteed(white, [0, 0, 0, 0])).toBe(1)
    // A black plate of 60 %: up to 0.4, luminance 0.1329: 1.05 / 0.1829 = 5.74.
    expect(guaranteed(white, [0, 0, 0, 153])).toBeCloseTo(5.74, 2)
    // The same by a key that makes the plate a quarter solid: up to 0.75, luminance 0.5225: 1.05 / 0.5725 = 1.83.
    expect(guaranteed(white, [0, 0, 0, 153], 1, 0.25)).toBeCloseTo(1.83, 2)
    // Dark letters on a light plate of 80 %: 0.8 at least, luminance 0.6038: 0.6538 / 0.05 = 13.08.
    expect(guaranteed([0, 0, 0, 255], [255, 255, 255, 204])).toBeCloseTo(13.08, 2)
  })
  it('are found with their ink, plate and height', () => {
    const graphic = patches(60, 40, CLEAR, [
      [5, 5, 50, 30, [20, 40, 90, 200]],
      [10, 12, 6, 14, [250, 240, 230, 255]],
      [20, 12, 6, 14, [250, 240, 230, 255]],
    ])
    const box = { left: 5, top: 5, right: 55, bottom: 35 }
    expect(lettering(graphic, box)).toEqual({ ink: [250, 240, 230, 255], plate: [20, 40, 90, 200], height: 14 })
    expect(lettering(graphic, { left: 40, top: 20, right: 50, bottom: 30 })).toBeUndefined()
    const bare = patches(60, 40, CLEAR, [[10, 12, 6, 14, [250, 240, 230, 255]]])
    expect(lettering(bare, { left: 5, top: 5, right: 55, bottom: 35 })).toMatchObject({
      plate: [0, 0, 0, 0],
      height: 14,
    })
  })
})
