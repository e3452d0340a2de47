import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { plan } from '../../../testing/plans'
import { countedMbps, linesOf, typicalMbps } from './load'

describe('what counts of what was measured', () => {
  it.each<[string, number[], number | undefined]>([
    ['nothing', [], undefined],
    ['the least of a few', [30, 12, 25], 12],
    // 5 % of 20 is the first of the sorted ones, of 40 the second, of 100 the fifth.
    ['the first of twenty', Array.from({ length: 20 }, (_, i) => 40 - i), 21],
    ['the second of forty', Array.from({ length: 40 }, (_, i) => i + 1), 2],
    ['the fifth of a hundred', Array.from({ length: 100 }, (_, i) => 100 - i), 5],
  ])('is %s', (_, samples, counted) => expect(countedMbps(samples)).toBe(counted))
})

describe('what an encoder sends', () => {
  it.each([
    [720, 30, 3],
    [1080, 29.97, 5],
    [1080, 59.94, 8],
    [2160, 30, 15],
  ])('is typical for %i lines at %f', (height, rate, mbps) => expect(typicalMbps(height, rate)).toBe(mbps))
  it('is what the plan says, over the line that it says, with overhead and headroom', () => {
    const { lines, encoders } = linesOf(
      check(
        plan({
          brief: { headroom: 'cautious', start: '20:00', end: '21:00' },
          devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', enc: 'encoder-stream' },
          links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2' },
          wants: { enc: 'program' },
          destinations: {
            one: { title: 'One', order: 1, encoder: 'enc', videoMbps: 6, audioMbps: 0.3 },
            gone: { title: 'Of an encoder that is gone', order: 2, encoder: 'old', videoMbps: 9 },
          },
          uplinks: { house: { title: 'House', order: 1, by: 'wire', encoders: { enc: true, old: true } } },
        }),
      ).traced,
    )
    expect(encoders).toMatchObject([{ device: 'enc', mbps: 6.3, over: ['house'] }])
    // 6.3 x 1.1 = 6.93, twice that; 6.93 x 3600 / 8000 = 3.12 GB.
    expect(lines[0]!.sentMbps).toBeCloseTo(6.93, 9)
    expect(lines[0]!.needMbps).toBeCloseTo(13.86, 9)
    expect(lines[0]!.volumeGB).toBeCloseTo(3.1185, 9)
  })
})
