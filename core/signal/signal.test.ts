import { describe, expect, it } from 'vitest'
import { fmt } from '../../testing/plans'
import { type Coding, RASTER_IDS, SCANS, type VideoFormat, formatExists, formatLabel, parseFormatLabel } from './format'
import { hdmiRate, sdiRate } from './link-rate'
import { freeSpaceLossDb, radioMarginDb, radioRangeM } from './radio'
import { RATE_TEXTS, differsBy1001, frameMs, rate, slipSeconds, unevenPerSecond } from './rate'
import { usbVideoBits } from './usb'

const V: Coding = { sampling: '4:2:2', depth: 10 }
const all: VideoFormat[] = RASTER_IDS.flatMap(raster =>
  SCANS.flatMap(scan => RATE_TEXTS.map(text => ({ raster, scan, rate: text }))),
).filter(formatExists)

describe('rates', () => {
  it('keeps rates exact', () => {
    expect(rate('60000/1001')).toMatchObject({ num: 60000, den: 1001, label: '59.94', nominal: 60 })
    expect(frameMs('50/1')).toBe(20)
    expect(frameMs('30000/1001')).toBeCloseTo(33.3667, 4)
  })
  // 1001/N seconds: 24 41.7, 30 33.37, 60 16.68
  it.each([
    ['24/1', '24000/1001', 1001 / 24],
    ['30/1', '30000/1001', 1001 / 30],
    ['60000/1001', '60/1', 1001 / 60],
    ['50/1', '25/1', 1 / 25],
  ] as const)('%s against %s slips a frame in %d s', (a, b, s) => {
    expect(slipSeconds(a, b)).toBeCloseTo(s, 9)
  })
  // 24 into 60: twice each is 48, and 12 are shown a third time; 60 into 25: every second is 50, and 10 are left out.
  it.each([
    [25, 50, 0],
    [50, 25, 0],
    [24, 60, 12],
    [30, 50, 20],
    [24, 50, 2],
    [60, 25, 10],
    [50, 50, 0],
    [60000 / 1001, 50, 9.94],
    [30000 / 1001, 60000 / 1001, 0],
  ])('%f into %f leaves %f uneven pictures a second', (fi, fo, uneven) =>
    expect(unevenPerSecond(fi, fo)).toBeCloseTo(uneven, 2),
  )
  it('leaves one in 33 s of 29.97 into 30', () => expect(1 / unevenPerSecond(30000 / 1001, 30)).toBeCloseTo(33.37, 2))
  it('never slips against itself', () => expect(slipSeconds('25/1', '25/1')).toBe(Infinity))
  it('knows the factor 1000/1001 from other differences', () => {
    expect(differsBy1001('30/1', '30000/1001')).toBe(true)
    expect(differsBy1001('30/1', '30/1')).toBe(false)
    expect(differsBy1001('25/1', '24/1')).toBe(false)
  })
})

describe('formats', () => {
  it.each([
    ['1920x1080', 'i', '25/1', '1080i50'],
    ['1920x1080', 'i', '30000/1001', '1080i59.94'],
    ['1920x1080', 'psf', '25/1', '1080psf25'],
    ['1920x1080', 'p', '30000/1001', '1080p29.97'],
    ['4096x2160', 'p', '24/1', '4096x2160p24'],
    ['720x576', 'i', '25/1', '576i50'],
    ['720x480', 'i', '30000/1001', '480i59.94'],
  ] as const)('%s %s %s is %s', (raster, scan, text, label) => {
    expect(formatLabel({ raster, scan, rate: text })).toBe(label)
  })
  it('gives every defined format its own label, and reads it back', () => {
    expect(new Set(all.map(formatLabel)).size).toBe(all.length)
    for (const format of all) expect(parseFormatLabel(formatLabel(format))).toEqual(format)
  })
  it.each(['1080i25', '720i50', '1080psf50', '2160i50', '1080p12', 'x', ''])('has no format %s', label =>
    expect(parseFormatLabel(label)).toBeUndefined(),
  )
})

describe('SDI', () => {
  // Serial rates of ST 259, 292-1, 424, 2081, 2082; the 1000/1001 rates are slower by that factor.
  it.each([
    ['576i50', 'SD', 270e6],
    ['480i59.94', 'SD', 270e6],
    ['720p50', 'HD', 1.485e9],
    ['720p60', 'HD', 1.485e9],
    ['720p24', 'HD', 1.485e9],
    ['1080i50', 'HD', 1.485e9],
    ['1080i60', 'HD', 1.485e9],
    ['1080p24', 'HD', 1.485e9],
    ['1080p30', 'HD', 1.485e9],
    ['1080psf25', 'HD', 1.485e9],
    ['1080p29.97', 'HD', 1.485e9 / 1.001],
    ['1080p50', '3G', 2.97e9],
    ['1080p60', '3G', 2.97e9],
    ['1080p59.94', '3G', 2.97e9 / 1.001],
    ['2160p25', '6G', 5.94e9],
    ['2160p30', '6G', 5.94e9],
    ['2160p50', '12G', 11.88e9],
    ['2160p60', '12G', 11.88e9],
    ['4096x2160p24', '6G', 5.94e9],
    ['2048x1080p24', 'HD', 1.485e9],
  ] as const)('carries %s as %s', (label, cls, bits) => {
    const found = sdiRate(fmt(label), V)!
    expect(found.class).toBe(cls)
    expect(found.bitsPerS / bits).toBeCloseTo(1, 5)
  })
  it('goes one class up for 4:4:4 and for 12 bit', () => {
    expect(sdiRate(fmt('1080p30'), { sampling: '4:4:4', depth: 10 })?.class).toBe('3G')
    expect(sdiRate(fmt('1080p30'), { sampling: '4:2:2', depth: 12 })?.class).toBe('3G')
    expect(sdiRate(fmt('2160p60'), { sampling: '4:4:4', depth: 10 })).toBeUndefined()
  })
  it.each(['720p48', '1080p100', '2160p120'])('has no single link for %s', label =>
    expect(sdiRate(fmt(label), V)).toBeUndefined(),
  )
})

describe('HDMI', () => {
  // TMDS characters in MHz and three lanes of ten bits in Gb/s, from CTA-861 timings.
  it.each([
    ['720p60', '4:2:2', 8, 74.25, 2.23],
    ['1080p30', '4:4:4', 8, 74.25, 2.23],
    ['1080i60', '4:2:2', 10, 74.25, 2.23],
    ['1080p60', '4:2:2', 12, 148.5, 4.46],
    ['1080p60', '4:4:4', 10, 185.625, 5.57],
    ['2160p30', '4:4:4', 8, 297, 8.91],
    ['2160p60', '4:2:0', 8, 297, 8.91],
    ['2160p60', '4:2:0', 10, 371.25, 11.14],
    ['2160p60', '4:2:0', 12, 445.5, 13.37],
    ['2160p60', '4:4:4', 8, 594, 17.82],
    ['576i50', '4:4:4', 8, 27, 0.81],
    ['720p24', '4:2:2', 8, 59.4, 1.78],
  ] as const)('carries %s %s %i bit at %d MHz', (label, sampling, depth, mhz, gbits) => {
    const found = hdmiRate(fmt(label), { sampling, depth })!
    expect(found.characterMHz).toBeCloseTo(mhz, 6)
    expect(found.bitsPerS / 1e9).toBeCloseTo(gbits, 2)
  })
  it('allows 4:2:0 only at 2160 from 50 frames up', () => {
    expect(hdmiRate(fmt('1080p60'), { sampling: '4:2:0', depth: 8 })).toBeUndefined()
    expect(hdmiRate(fmt('2160p30'), { sampling: '4:2:0', depth: 8 })).toBeUndefined()
  })
  it('has no segmented frame and no 2048 raster', () => {
    expect(hdmiRate(fmt('1080psf25'), V)).toBeUndefined()
    expect(hdmiRate(fmt('2048x1080p24'), V)).toBeUndefined()
  })
})

describe('radio', () => {
  const budget = { fMHz: 2400, eirpDbm: 20, gainDbi: 2, needsDbm: -70, channels: 4 }
  // 32.44 + 20 log10(0.1) + 20 log10(2400) = 32.44 - 20 + 67.60 = 80.04 dB.
  it('loses 80 dB over 100 m at 2.4 GHz, and 6 dB more over twice the distance', () => {
    expect(freeSpaceLossDb(100, 2400)).toBeCloseTo(80.04, 2)
    expect(freeSpaceLossDb(200, 2400) - freeSpaceLossDb(100, 2400)).toBeCloseTo(6.02, 2)
  })
  // 20 + 2 - 80.04 - 6 + 70 = 5.96 dB; a crowd takes 12 of them, a wall 18.
  it.each([
    [{ m: 100 }, 5.96],
    [{ m: 100, crowd: true }, -6.04],
    [{ m: 100, wall: true }, -12.04],
    [{ m: 100, crowd: true, wall: true }, -24.04],
  ])('keeps %j: %d dB', (way, margin) => expect(radioMarginDb(budget, way)).toBeCloseTo(margin, 2))
  it('has nothing left at its range, whatever stands between', () => {
    for (const way of [{}, { crowd: true }, { wall: true }])
      expect(radioMarginDb(budget, { m: radioRangeM(budget, way), ...way })).toBeCloseTo(0, 9)
  })
})

describe('video over USB', () => {
  it.each([
    ['1080p30', 16, 995.3],
    ['1080p60', 16, 1990.7],
    ['2160p30', 16, 3981.3],
    ['2160p30', 12, 2986],
  ])('%s at %d bit a pixel asks %d Mb/s', (label, bits, mbits) => {
    expect(usbVideoBits(parseFormatLabel(label)!, bits) / 1e6).toBeCloseTo(mbits, 0)
  })
})
