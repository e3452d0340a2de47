import { type Coding, type VideoFormat, raster } from './format'
import { rate } from './rate'

export const SDI_CLASSES = ['SD', 'HD', '3G', '6G', '12G'] as const
export type SdiClass = (typeof SDI_CLASSES)[number]

interface SdiClassRow {
  readonly class: SdiClass
  /** Nominal serial rate in bit/s; the 1000/1001 rates run that much slower in the same class. */
  readonly bitsPerS: number
  /** Frequency at which cable loss is judged: half the clock, in MHz. */
  readonly halfClockMHz: number
  readonly source: string
}

/** SMPTE ST 259, ST 292-1, ST 424, ST 2081-1, ST 2082-1. */
export const SDI_CLASS_ROWS: readonly SdiClassRow[] = [
  { class: 'SD', bitsPerS: 270e6, halfClockMHz: 135, source: 'ST 259' },
  { class: 'HD', bitsPerS: 1.485e9, halfClockMHz: 742.5, source: 'ST 292-1' },
  { class: '3G', bitsPerS: 2.97e9, halfClockMHz: 1485, source: 'ST 424' },
  { class: '6G', bitsPerS: 5.94e9, halfClockMHz: 2970, source: 'ST 2081-1' },
  { class: '12G', bitsPerS: 11.88e9, halfClockMHz: 5940, source: 'ST 2082-1' },
]

export function sdiClassRow(name: SdiClass): SdiClassRow {
  return SDI_CLASS_ROWS[SDI_CLASSES.indexOf(name)]!
}

export interface LinkRate {
  /** Serial rate in bit/s (SDI) or the sum of the three data lanes, ten bits a character (HDMI). */
  readonly bitsPerS: number
}

export interface SdiRate extends LinkRate {
  readonly class: SdiClass
}

export interface HdmiRate extends LinkRate {
  /** TMDS character rate in MHz: what a port's maximum is compared with. */
  readonly characterMHz: number
}

/**
 * Serial rate on one SDI link: total samples x total lines x frame rate x 20 bit, doubled for 4:4:4 or 12 bit
 * (one class up). Undefined where no single-link standard carries the format (e.g. 720p48, rates above 60).
 */
export function sdiRate(format: VideoFormat, coding: Coding): SdiRate | undefined {
  const { num, den, nominal } = rate(format.rate)
  const { totalSamples, totalLines } = raster(format.raster)
  const samples = totalSamples[nominal]?.sdi
  if (samples === undefined || coding.sampling === '4:2:0') return undefined
  const wide = coding.sampling === '4:4:4' || coding.depth === 12 ? 2 : 1
  const bitsPerS = (samples * totalLines * num * 20 * wide) / den
  const row = SDI_CLASS_ROWS.find(candidate => bitsPerS <= candidate.bitsPerS)
  return row && { bitsPerS, class: row.class }
}

const DEPTH_FACTOR = { 8: 1, 10: 1.25, 12: 1.5 } as const

/**
 * HDMI TMDS rates (HDMI 1.4b/2.0 and CTA-861): character rate = pixel clock x chroma factor x depth factor.
 * RGB and 4:4:4 pay for depth; 4:2:2 carries up to 12 bit in the same room; 4:2:0 halves and exists only at
 * 2160 from 50 frames up. SD pixels are sent twice. Undefined where HDMI has no such format.
 */
export function hdmiRate(format: VideoFormat, coding: Coding): HdmiRate | undefined {
  const { num, den, nominal } = rate(format.rate)
  const { totalSamples, totalLines, height } = raster(format.raster)
  const samples = totalSamples[nominal]?.hdmi
  if (samples === undefined || format.scan === 'psf') return undefined
  if (coding.sampling === '4:2:0' && !(height === 2160 && nominal >= 50)) return undefined
  const pixelMHz = ((height < 720 ? 2 : 1) * samples * totalLines * num) / den / 1e6
  const factor =
    coding.sampling === '4:2:2'
      ? 1
      : coding.sampling === '4:4:4'
        ? DEPTH_FACTOR[coding.depth]
        : 0.5 * DEPTH_FACTOR[coding.depth]
  const characterMHz = pixelMHz * factor
  return { characterMHz, bitsPerS: characterMHz * 30e6 }
}
