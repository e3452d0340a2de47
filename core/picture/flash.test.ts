import { describe, expect, it } from 'vitest'
import { type ClipMeasure, ClipMeter } from './flash'
import type { Graphic } from './graphic'

/** A picture of 64 by 36 in a grey, with another grey over so many of its columns, and a solidity. */
const frame = (grey: number, patch = grey, columns = 0, solid = 255): Graphic => {
  const data = new Uint8ClampedArray(64 * 36 * 4)
  for (let i = 0; i < data.length; i += 4) {
    const code = (i / 4) % 64 < columns ? patch : grey
    data.set([code, code, code, solid], i)
  }
  return { width: 64, height: 36, data, opaque: false }
}
const measured = (perSecond: number, frames: readonly Graphic[]): ClipMeasure => {
  const meter = new ClipMeter(perSecond)
  for (const one of frames) meter.add(one)
  return meter.result()
}
/** Black and white in turn, each for so many frames, for two seconds of 25. */
const turns = (each: number, dark = 0, bright = 255, columns = 64) =>
  Array.from({ length: 50 }, (_, i) => frame(dark, Math.floor(i / each) % 2 ? bright : dark, columns))

describe('flashes', () => {
  it.each([
    // Changes every n frames: within 25 frames there are 25, 9, 7 and 5 of them, and a pair is two.
    [1, 12],
    [3, 4],
    [4, 3],
    [6, 2],
    [13, 1],
  ])('are pairs of opposing changes within one second: every %i frames of 25 gives %i', (each, pairs) =>
    expect(measured(25, turns(each)).pairs).toBe(pairs),
  )
  it('count over more than a quarter of the picture alone', () => {
    // 16 of 64 columns are a quarter.
    expect(measured(25, turns(1, 0, 255, 16)).pairs).toBe(0)
    expect(measured(25, turns(1, 0, 255, 18)).pairs).toBe(12)
  })
  it('count from 20 cd/m2 on, with the darker side below 160', () => {
    // 200 (c/255)^2.4: code 97 is 19.66, 98 is 20.15; code 232 is 159.4, 233 is 161.0, and white is 200.
    expect(measured(25, turns(1, 0, 97)).pairs).toBe(0)
    expect(measured(25, turns(1, 0, 98)).pairs).toBe(12)
    expect(measured(25, turns(1, 232, 255)).pairs).toBe(12)
    expect(measured(25, turns(1, 233, 255)).pairs).toBe(0)
  })
  it('are not what rises and falls once, however slowly, nor a picture that moves on', () => {
    const ramp = Array.from({ length: 50 }, (_, i) => frame(i < 25 ? i * 10 : (49 - i) * 10))
    expect(measured(25, ramp).pairs).toBe(1)
    const passing = Array.from({ length: 60 }, (_, i) => frame(0, 255, i))
    expect(measured(25, passing).pairs).toBe(0)
  })
  it('weigh colour by how solid it is', () => {
    const clear = Array.from({ length: 50 }, (_, i) => frame(255, 255, 0, i % 2 ? 90 : 0))
    // 255 * 90 / 255 is code 90: 16.4 cd/m2.
    expect(measured(25, clear).pairs).toBe(0)
    expect(
      measured(
        25,
        Array.from({ length: 50 }, (_, i) => frame(255, 255, 0, i % 2 ? 255 : 0)),
      ).pairs,
    ).toBe(12)
  })
})

describe('frames that cover the picture', () => {
  const solidity = (...values: number[]) =>
    measured(
      25,
      values.map(value => frame(120, 120, 0, value)),
    )
  it('are the longest run in which every pixel is solid, counted from 1', () => {
    expect(solidity(0, 255, 255, 0, 255, 255, 255, 100)).toMatchObject({ clear: true, covers: [5, 7], frames: 8 })
    const hole = frame(120, 120, 0, 255)
    hole.data[3] = 249
    expect(measured(25, [frame(1, 1, 0, 0), hole, frame(1)])).toMatchObject({ covers: [3, 3] })
  })
  it('are told only where other frames let something through, and not where none covers', () => {
    expect(solidity(255, 255)).toEqual({ frames: 2, pairs: 0, clear: false })
    expect(solidity(0, 249, 0)).not.toHaveProperty('covers')
    expect(solidity(0, 249, 0).clear).toBe(true)
  })
})
