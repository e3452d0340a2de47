import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { patches } from '../../testing/graphics'
import { cellsText, readCells } from './cells'
import {
  type Chroma,
  chromaFault,
  chromaKeyed,
  chromaLost,
  chromaMatte,
  chromaMeasured,
  findChroma,
  huesOf,
} from './chroma'
import { meant } from './graphic'
import { plain } from './pixels'
import { seen } from './seen'

const GREEN = [0, 177, 64] as const
const usual: Chroma = { screen: GREEN, tolerance: 0.08, edge: 0.12, spill: 1 }
const solidOf = (colour: readonly [number, number, number], chroma = usual) =>
  chromaMatte(plain(1, 1, colour), chroma).data[0]! / 255

describe('how solid a colour becomes before a screen', () => {
  // Y' = (0.2126 R + 0.7152 G + 0.0722 B) / 255, c = ((B - Y) / 1.8556, (R - Y) / 1.5748); of (0, 177, 64) it is
  // (-0.1420, -0.3267), 0.3563 long: k = (-0.3987, -0.9171).
  it.each([
    ['the screen itself', [0, 177, 64], 0],
    ['greys have no colour', [128, 128, 128], 1],
    ['the opposite of the screen', [255, 90, 200], 1],
    // c = (-0.1074, -0.2013): x = 0.2274, z = 0.0183, g = 0.2092 > 0.2.
    ['ink like the screen', [40, 150, 70], 0],
    // (60, 120, 80): Y 0.4092, c = (-0.0515, -0.1105), x = 0.1218, z = 0.0031, g = 0.1187: 1 - 0.0387 / 0.12 = 0.678.
    ['between both', [60, 120, 80], 0.678],
  ] as const)('%s', (_, colour, solid) => expect(solidOf(colour)).toBeCloseTo(solid, 2))
  it('lies over its box alone: beside it the picture stays', () => {
    const key = { picture: { of: 'source', device: 'who' }, as: 'key', kind: 'chroma', overlay: 'x', screen: usual }
    const box = { x: 0.5, y: 0, w: 0.5, h: 1 }
    const picture = { of: 'mix', layers: [{ picture: { of: 'source', device: 'under' } }, { ...key, box }] }
    const found = seen(
      picture as never,
      ({ device }, width, height) => plain(width, height, device === 'who' ? [250, 40, 40] : [10, 20, 30]),
      32,
      18,
    )
    const at = (x: number) => [...found.data.slice((9 * 32 + x) * 4, (9 * 32 + x) * 4 + 3)]
    expect([at(4), at(28)]).toEqual([
      [10, 20, 30],
      [250, 40, 40],
    ])
  })
  it('is what the picture that is laid over shows: white over black without spill, for any screen and colour', () => {
    const byte = fc.integer({ min: 0, max: 255 })
    const colour = fc.tuple(byte, byte, byte)
    fc.assert(
      fc.property(
        colour,
        colour,
        fc.integer({ min: 0, max: 50 }),
        fc.integer({ min: 0, max: 50 }),
        (fill, screen, t, e) => {
          const chroma = { screen, tolerance: t / 100, edge: e / 100, spill: 0 }
          const matte = chromaMatte(plain(1, 1, fill), chroma).data[0]! / 255
          const over = chromaKeyed(plain(1, 1, [0, 0, 0]), plain(1, 1, fill), chroma)
          for (let c = 0; c < 3; c++) expect(Math.abs(over.data[c]! - matte * fill[c]!)).toBeLessThanOrEqual(1)
        },
      ),
    )
  })
})

describe('what is counted of a picture before a screen', () => {
  // A red figure of 2000 pixels, green ink of 500, on 160 x 90.
  const shot = patches(160, 90, GREEN, [
    [20, 40, 100, 20, [200, 60, 50]],
    [20, 60, 100, 5, [40, 150, 70]],
  ])
  it('tells what is lost and what stays, as the pixels do', () => {
    const hues = huesOf(shot)!
    expect(chromaMeasured(hues, usual)).toEqual({ lost: 0.2, haze: 0 })
    expect(chromaLost(shot, meant(shot), usual).reduce((sum, one) => sum + one, 0)).toBe(500)
    // Blue is cut away: all of the 11 900 pixels of the screen stay.
    expect(chromaMeasured(hues, { ...usual, screen: [0, 80, 200] }).haze).toBe(1)
  })
  it('comes back from its text', () => {
    const hues = huesOf(shot)!
    expect(readCells(cellsText(hues), true)).toEqual(hues)
  })
  it('counts in words alone what lies in their boxes', () =>
    expect(chromaMeasured(huesOf(shot, [{ left: 20, top: 58, right: 120, bottom: 65 }])!, usual).lost).toBe(500 / 700))
  it('is nothing for a file with transparency, a ground without colour, or a screen with a shadow at its edge', () => {
    expect(huesOf(patches(40, 30, [0, 177, 64, 255], [[1, 1, 2, 2, [0, 0, 0, 0]]]))).toBeUndefined()
    expect(huesOf(patches(40, 30, [90, 90, 90], [[9, 9, 9, 9, [200, 0, 0]]]))).toBeUndefined()
    expect(huesOf(patches(40, 30, GREEN, [[0, 0, 20, 9, [0, 120, 40]]]))).toBeUndefined()
    // Who stands at the lower edge hides none of the screen's outside.
    expect(huesOf(patches(40, 30, GREEN, [[5, 9, 30, 21, [200, 80, 60]]]))).toBeDefined()
  })
})

describe('the best screen that is found', () => {
  it('keeps the green ink by a higher tolerance, and nothing of the screen stays', () => {
    const shot = patches(160, 90, GREEN, [
      [20, 40, 100, 20, [200, 60, 50]],
      [20, 60, 100, 5, [40, 150, 70]],
    ])
    const found = findChroma(huesOf(shot)!, undefined, GREEN, 1)!
    expect(found.measured).toEqual({ lost: 0, haze: 0 })
    // Half solid lies between the ink at 0.209 and the screen at 0.356.
    expect(found.chroma.tolerance + found.chroma.edge / 2).toBeGreaterThan(0.209)
    expect(found.chroma.tolerance + found.chroma.edge).toBeLessThan(0.356)
    expect(found.margin).toBeGreaterThanOrEqual(0.03)
    const solid = chromaMatte(shot, found.chroma).data
    expect([solid[(62 * 160 + 60) * 4], solid[0]]).toEqual([255, 0])
  })
  it('has a soft edge as wide as the way from the figure to the screen, where nothing is like the screen', () => {
    const found = findChroma(huesOf(patches(160, 90, GREEN, [[20, 40, 100, 20, [200, 60, 50]]]))!, undefined, GREEN, 1)!
    // The screen at 0.356, less half a step of counting, 3 codes and the margin of 0.03: (0.98 of) 0.31 at the most.
    expect(found.chroma.tolerance).toBe(0)
    expect(found.chroma.edge).toBeGreaterThan(0.28)
    expect(found.chroma.edge).toBeLessThan(0.32)
  })
  it('is beaten by no setting of hundredths, over random inks', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 }))), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        (inks, t, e) => {
          const shot = patches(
            60,
            40,
            GREEN,
            inks.map((ink, i) => [5 + i * 8, 10, 6, 20, ink]),
          )
          const hues = huesOf(shot)!
          const found = findChroma(hues, undefined, GREEN, 1)
          if (!found) return
          const other = chromaMeasured(hues, { screen: GREEN, tolerance: t / 100, edge: e / 100, spill: 1 })
          const shaken = chromaMeasured(hues, {
            screen: GREEN,
            tolerance: t / 100 + 1 / 256 + 3 / 255,
            edge: e / 100,
            spill: 1,
          })
          // What leaves no haze even where the screen shakes loses no less; 2 % are none.
          if (shaken.haze === 0) expect(found.measured.lost!).toBeLessThanOrEqual(Math.max(0.02, other.lost!) + 1e-12)
          expect(found.measured.haze).toBe(0)
        },
      ),
      { numRuns: 60 },
    ))
  it('names the fault that explains the rest', () => {
    expect(chromaFault({ haze: 0.5, lost: 0.5 }, undefined)).toBe('screen')
    expect(chromaFault({ haze: 0.001, lost: 0.021 }, undefined)).toBe('alike')
    expect(chromaFault({ haze: 0, lost: 0.02 }, 0.011)).toBe('alike')
    expect(chromaFault({ haze: 0, lost: 0.02 }, 0.01)).toBeUndefined()
  })
})
