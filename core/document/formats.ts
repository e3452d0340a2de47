import type { Misfit } from '#core/kernel'
import {
  exactFormatLabel,
  formatExists,
  formatLabel,
  listFormats,
  type FormatSet,
  type VideoFormat,
} from '#core/signal'
import { misfit } from './problem'

export function formatMisfit(format: VideoFormat, path: string): Misfit | undefined {
  return formatExists(format)
    ? undefined
    : misfit(
        path,
        formatLabel(format),
        `a combination of raster, scan and rate that a standard defines (interlaced and segmented frames only at 1080 up to 30 frames, and the two SD formats)${framesNotFields(format)}`,
      )
}

/** The rate of an interlaced format counts frames, and many write its fields. */
function framesNotFields({ raster, scan, rate }: VideoFormat): string {
  const [num, den] = rate.split('/').map(Number) as [number, number]
  const halved = `${num / 2}/${den}` as VideoFormat['rate']
  return scan === 'i' && Number.isInteger(num / 2) && formatExists({ raster, scan, rate: halved })
    ? `; the rate counts frames, so ${formatLabel({ raster, scan, rate: halved })} has the rate ${halved}`
    : ''
}

export function setsMisfit(sets: readonly FormatSet[] | undefined, path: string): Misfit | undefined {
  const bad = listFormats(sets ?? []).find(format => !formatExists(format))
  return bad && misfit(path, exactFormatLabel(bad), 'formats that a standard defines')
}
