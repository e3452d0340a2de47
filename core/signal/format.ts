import { RATE_TEXTS, type RateText, rate } from './rate'

export const RASTER_IDS = [
  '720x480',
  '720x576',
  '1280x720',
  '1920x1080',
  '2048x1080',
  '3840x2160',
  '4096x2160',
] as const
export type RasterId = (typeof RASTER_IDS)[number]

/** p progressive, i interlaced (two fields a frame), psf segmented frame (on the wire like interlaced). */
export const SCANS = ['p', 'i', 'psf'] as const
export type Scan = (typeof SCANS)[number]

/** The part of a video format that an input compares. `rate` counts frames, also for interlaced formats. */
export interface VideoFormat {
  readonly raster: RasterId
  readonly scan: Scan
  readonly rate: RateText
}

export const SAMPLINGS = ['4:2:0', '4:2:2', '4:4:4'] as const
export type Sampling = (typeof SAMPLINGS)[number]
export const DEPTHS = [8, 10, 12] as const
export type Depth = (typeof DEPTHS)[number]

/** How the pixels of a format are coded on one link. */
export interface Coding {
  readonly sampling: Sampling
  readonly depth: Depth
}

export interface Raster {
  readonly id: RasterId
  readonly width: number
  readonly height: number
  /** All lines of a frame, blanking included. */
  readonly totalLines: number
  /** All samples of a line, blanking included, by nominal rate and carriage; absent where no standard has it. */
  readonly totalSamples: Readonly<Record<number, { readonly sdi?: number; readonly hdmi?: number }>>
}

const both = (samples: number) => ({ sdi: samples, hdmi: samples })
const HD = {
  24: both(2750),
  25: both(2640),
  30: both(2200),
  48: both(2750),
  50: both(2640),
  60: both(2200),
  100: { hdmi: 2640 },
  120: { hdmi: 2200 },
}
const UHD = {
  24: both(5500),
  25: both(5280),
  30: both(4400),
  48: both(5500),
  50: both(5280),
  60: both(4400),
  100: { hdmi: 5280 },
  120: { hdmi: 4400 },
}

/** Raster totals: SMPTE ST 274, ST 296, ST 2048-2, ST 2036-1 and CTA-861; SD after BT.601 (SD pixels go twice over HDMI). */
export const RASTERS: ReadonlyMap<RasterId, Raster> = new Map<RasterId, Raster>(
  [
    { id: '720x480', width: 720, height: 480, totalLines: 525, totalSamples: { 30: both(858) } },
    { id: '720x576', width: 720, height: 576, totalLines: 625, totalSamples: { 25: both(864) } },
    {
      id: '1280x720',
      width: 1280,
      height: 720,
      totalLines: 750,
      totalSamples: {
        24: { sdi: 4125, hdmi: 3300 },
        25: both(3960),
        30: both(3300),
        48: { hdmi: 2500 },
        50: both(1980),
        60: both(1650),
        100: { hdmi: 1980 },
        120: { hdmi: 1650 },
      },
    },
    { id: '1920x1080', width: 1920, height: 1080, totalLines: 1125, totalSamples: HD },
    {
      id: '2048x1080',
      width: 2048,
      height: 1080,
      totalLines: 1125,
      totalSamples: Object.fromEntries(Object.entries(HD).map(([k, v]) => [k, 'sdi' in v ? { sdi: v.sdi } : {}])),
    },
    { id: '3840x2160', width: 3840, height: 2160, totalLines: 2250, totalSamples: UHD },
    { id: '4096x2160', width: 4096, height: 2160, totalLines: 2250, totalSamples: UHD },
  ].map(raster => [raster.id as RasterId, raster as Raster]),
)

export function raster(id: RasterId): Raster {
  const found = RASTERS.get(id)
  if (!found) throw new RangeError(`unknown raster ${id}`)
  return found
}

export function sameFormat(a: VideoFormat, b: VideoFormat): boolean {
  return a.raster === b.raster && a.scan === b.scan && a.rate === b.rate
}

/** Pictures a second as the eye gets them: of interlaced formats these are fields. */
export const picturesPerSecond = ({ rate: text, scan }: VideoFormat): number => {
  const { num, den } = rate(text)
  return (num / den) * (scan === 'i' ? 2 : 1)
}

/**
 * Steps of conversion between two formats: one for another raster, one for another scan, two for another rate, whose
 * frames are repeated or dropped. Segmented frame counts as the interlaced format that it is on the wire.
 */
export function conversionSteps(from: VideoFormat, to: VideoFormat): number {
  const scan = (format: VideoFormat) => (format.scan === 'psf' ? 'i' : format.scan)
  return Number(from.raster !== to.raster) + Number(scan(from) !== scan(to)) + 2 * Number(from.rate !== to.rate)
}

/**
 * True when some standard defines the combination: interlace only at 1080 (25, 29.97, 30 frames) and at the two
 * SD rasters, segmented frame only at 1080 and up to 30, progressive wherever the raster has totals for the rate.
 */
export function formatExists(format: VideoFormat): boolean {
  const { nominal, text } = rate(format.rate)
  const totals = raster(format.raster).totalSamples[nominal]
  if (!totals || (totals.sdi === undefined && totals.hdmi === undefined)) return false
  switch (format.raster) {
    case '720x480':
      return format.scan === 'i' && text === '30000/1001'
    case '720x576':
      return format.scan === 'i'
    case '1920x1080':
      if (format.scan === 'i') return nominal === 25 || nominal === 30
      return format.scan === 'p' || nominal <= 30
    case '2048x1080':
      return format.scan !== 'i' && (format.scan === 'p' || nominal <= 30)
    default:
      return format.scan === 'p'
  }
}

/** "1080p59.94", "1080i50" (interlaced labels count fields), "1080psf25", "4096x2160p24". */
export function formatLabel(format: VideoFormat): string {
  const { height, width } = raster(format.raster)
  const usual = width === 2048 || width === 4096 ? format.raster : String(height)
  const r = rate(format.rate)
  const fields = format.scan === 'i' ? (FIELD_LABELS[r.text] ?? r.label) : r.label
  return `${usual}${format.scan}${fields}`
}
const FIELD_LABELS: Partial<Record<RateText, string>> = { '25/1': '50', '30000/1001': '59.94', '30/1': '60' }

/** The label plus the exact rate in brackets where the label rounds: "1080p29.97 (30000/1001)". */
export function exactFormatLabel(format: VideoFormat): string {
  const r = rate(format.rate)
  return r.den === 1 ? formatLabel(format) : `${formatLabel(format)} (${r.text})`
}

/** Parses what formatLabel writes; undefined when no defined format has that label. */
export function parseFormatLabel(label: string): VideoFormat | undefined {
  return FORMATS_BY_LABEL.get(label.trim().toLowerCase())
}
const FORMATS_BY_LABEL: ReadonlyMap<string, VideoFormat> = new Map(
  RASTER_IDS.flatMap(id =>
    SCANS.flatMap(scan =>
      RATE_TEXTS.map(text => ({ raster: id, scan, rate: text }))
        .filter(formatExists)
        .map(format => [formatLabel(format), format] as const),
    ),
  ),
)

/** A compact way to list formats: every rate with this raster and scan. */
export interface FormatSet {
  readonly raster: RasterId
  readonly scan: Scan
  readonly rates: readonly RateText[]
}

export function setsContain(sets: readonly FormatSet[], format: VideoFormat): boolean {
  return sets.some(set => set.raster === format.raster && set.scan === format.scan && set.rates.includes(format.rate))
}

/** All formats of the sets, in the order written. */
export function listFormats(sets: readonly FormatSet[]): VideoFormat[] {
  return sets.flatMap(set => set.rates.map(text => ({ raster: set.raster, scan: set.scan, rate: text })))
}

/** Formats in a few words: "1080p 25, 29.97 and 30; 720p 60". */
export function setsText(sets: readonly FormatSet[]): string {
  const rates = new Map<string, string[]>()
  for (const { raster: id, scan, rates: all } of sets) {
    const name = formatLabel({ raster: id, scan, rate: all[0]! }).replace(/[\d.]+$/, '')
    const labels = all.map(one => formatLabel({ raster: id, scan, rate: one }).slice(name.length))
    rates.set(name, [...new Set([...(rates.get(name) ?? []), ...labels])])
  }
  const few = [...rates].map(
    ([name, all]) => `${name} ${all.slice(0, -1).join(', ')}${all.length > 1 ? ' and ' : ''}${all.at(-1)}`,
  )
  return few.join('; ') || 'nothing of the kind'
}
