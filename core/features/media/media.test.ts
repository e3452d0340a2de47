import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { fmt, plan } from '../../../testing/plans'
import { recordingsOf, trackMbps } from './records'
import { copiesOf } from './copies'

describe('the data rate of a track', () => {
  it.each([
    // The typical figures of 1080 lines, with 2.3 Mb/s of sound.
    ['1080p59.94', 'long', 72.3],
    ['1080p29.97', 'long', 47.3],
    ['1080p29.97', 'intra', 149.3],
    ['1080p29.97', 'intra-alpha', 402.3],
    // Twice the pictures a second, and four times the pixels.
    ['1080p59.94', 'intra-light', 206.3],
    ['2160p29.97', 'intra-light', 410.3],
    // (25 / 29.97) x 147 = 122.6.
    ['1080p25', 'intra', 124.9],
  ] as const)('%s in %s is %f Mb/s', (format, coding, mbps) =>
    expect(trackMbps(fmt(format), coding)).toBeCloseTo(mbps, 1),
  )
})

describe('what records', () => {
  const kept = check(
    plan({
      brief: { start: '19:00', end: '20:00', isolated: true },
      devices: {
        a: 'camera-box-hdmi 1080p59.94',
        b: 'camera-box-hdmi 1080p59.94',
        main: 'switcher-8-hdmi 1080p59.94',
        rec: { model: 'recorder-hdmi', coding: 'intra' },
        idle: 'recorder-hdmi',
      },
      links: {
        x: 'a.hdmi > main.in-1 hdmi-passive 2',
        y: 'b.hdmi > main.in-2 hdmi-passive 2',
        z: 'main.out-1 > rec.in hdmi-passive 2',
      },
      wants: { rec: { feed: 'program', silent: true }, main: { feed: 'program', silent: true } },
      media: {
        one: { title: 'Disk', order: 1, device: 'main', gb: 100, count: 2 },
        two: { title: 'Old disk', order: 2, device: 'gone', gb: 100 },
      },
    }),
  ).traced
  it('is counted with its tracks, and what is not connected is not', () => {
    const all = recordingsOf(kept)
    // Program and two cameras by themselves; 3 x 72.3 = 216.9 Mb/s.
    expect(all.map(({ device, tracks }) => [device, tracks])).toEqual([
      ['main', 3],
      ['rec', 1],
    ])
    expect(all[0]!.mbps).toBeCloseTo(216.9, 6)
    expect(all[0]!.needMBs).toBeCloseTo((216.9 / 8) * 1.5, 6)
    // 27.1125 MB/s x 3600 s x 1.3 / 0.9 = 140.985 GB; 200 GB x 0.9 last 6639 s.
    expect(all[0]!.needGB).toBeCloseTo(140.985, 3)
    expect(all[0]!.lastsMinutes).toBeCloseTo(6639 / 60, 1)
    expect(all[1]!.lastsMinutes).toBeUndefined()
  })
  it('makes copies of the show, each device once', () =>
    expect(copiesOf(kept)).toEqual([
      { device: 'rec', by: 'recorder' },
      { device: 'main', by: 'inside' },
    ]))
})
