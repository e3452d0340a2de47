import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { CLEAR, kept, patches, photograph } from '../../testing/graphics'
import { onBlackPage } from '../../testing/overlaid'
import { guaranteed } from './contrast'
import { contrastOver, lightOf, lightText, readLight } from './light'

const WHITE = [255, 255, 255, 255] as const
const NOTHING = [0, 0, 0, 0] as const
const ALL = { x: 0, y: 0, w: 1, h: 1 }

describe('how light a picture is, part by part', () => {
  it('is the luminance of IEC 61966-2-1, 0.578 for grey 200 and 0.0212 for grey 40', () => {
    const { low, high } = lightOf(patches(320, 180, [200, 200, 200], [[0, 0, 160, 180, [40, 40, 40]]]))
    expect([low.length, high.length]).toEqual([576, 576])
    expect([low[0], high[0], low[31], high[31]].map(value => value!.toFixed(3))).toEqual([
      '0.021',
      '0.021',
      '0.578',
      '0.578',
    ])
  })
  it('leaves the darkest and the lightest twentieth of a part out', () => {
    // A part is 10 x 10 pixels: four white ones are less than a twentieth, ten are more.
    const few = lightOf(patches(320, 180, [0, 0, 0], [[0, 0, 2, 2, [255, 255, 255]]]))
    const more = lightOf(patches(320, 180, [0, 0, 0], [[0, 0, 10, 1, [255, 255, 255]]]))
    expect([few.high[0], more.high[0], more.low[0], more.high[1]]).toEqual([0, 1, 0, 0])
  })
  it('comes back from its text within 1/4095, and nothing else is read', () => {
    const byte = fc.integer({ min: 0, max: 255 })
    fc.assert(
      fc.property(fc.tuple(byte, byte, byte), fc.tuple(byte, byte, byte), (ground, colour) => {
        const light = lightOf(patches(64, 36, ground, [[7, 5, 30, 20, colour]]))
        const read = readLight(lightText(light))!
        for (const part of ['low', 'high'] as const)
          light[part].forEach((value, i) => expect(Math.abs(read[part][i]! - value)).toBeLessThan(1 / 8000))
      }),
      { numRuns: 20 },
    )
    expect(readLight('AA')).toBeUndefined()
    expect(readLight('*'.repeat(2304))).toBeUndefined()
  })
  it('is told of pictures that are smaller than the parts', () =>
    expect(lightOf(patches(4, 3, [255, 255, 255], [])).low.every(value => value === 1)).toBe(true))
})

describe('contrast over a photograph', () => {
  it.each([
    // (1 + 0.05) / (0.578 + 0.05), (1.05) / (0.0212 + 0.05), and no contrast at all over white.
    [200, 1.67],
    [40, 14.74],
    [255, 1],
  ])('of white on grey %i is %f', (grey, ratio) =>
    expect(contrastOver(lightOf(patches(64, 36, [grey, grey, grey], [])), ALL, WHITE, NOTHING)).toBeCloseTo(ratio, 2),
  )
  it('looks at what lies under the box alone', () => {
    const light = lightOf(patches(320, 180, [255, 255, 255], [[0, 0, 160, 180, [0, 0, 0]]]))
    expect(contrastOver(light, { x: 0.1, y: 0.1, w: 0.3, h: 0.2 }, WHITE, NOTHING)).toBe(21)
    expect(contrastOver(light, { x: 0.4, y: 0.1, w: 0.3, h: 0.2 }, WHITE, NOTHING)).toBe(1)
  })
  it('finds the grey between, where ink and ground cross', () => {
    // Within each part black and white: somewhere between lies the grey of the letters.
    const light = lightOf(
      patches(
        320,
        180,
        [0, 0, 0],
        Array.from({ length: 32 }, (_, i) => [i * 10, 0, 5, 180, [255, 255, 255]]),
      ),
    )
    expect(contrastOver(light, ALL, [128, 128, 128, 255], NOTHING)).toBeLessThan(1.3)
  })
  it('is never below what is guaranteed over any picture', () => {
    const byte = fc.integer({ min: 0, max: 255 })
    const ink = fc.tuple(byte, byte, byte, byte)
    fc.assert(
      fc.property(ink, ink, fc.tuple(byte, byte, byte), (one, other, ground) => {
        const light = lightOf(patches(64, 36, ground, []))
        expect(contrastOver(light, ALL, one, other)).toBeGreaterThanOrEqual(guaranteed(one, other) - 1e-6)
      }),
    )
  })
})

describe('words over photographs', () => {
  const letters = kept(patches(160, 90, CLEAR, [[40, 50, 20, 9, [255, 255, 255, 255]]]), {
    name: { x: 30 / 160, y: 46 / 90, w: 60 / 160, h: 18 / 90 },
  })
  const codes = (photographs: object) =>
    check({ ...onBlackPage(letters), photographs } as never).findings.flatMap(({ id, says }) =>
      id === 'K12' ? [says] : [],
    )
  it('are judged over these, of sources that they may lie over; else over any picture', () => {
    expect(codes({})).toEqual(['pale'])
    expect(codes({ dark: photograph('Dusk', 'wide', 20) })).toEqual([])
    expect(codes({ dark: photograph('Dusk', 'wide', 20), light: photograph('Noon', 'guest', 220) })).toEqual([
      'measured',
    ])
    // Of what the captions themselves come from, or of what is gone, nothing is said.
    expect(codes({ own: photograph('Own', 'slides', 20), gone: photograph('Gone', 'nobody', 20) })).toEqual(['pale'])
  })
})
