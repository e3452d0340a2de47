import type { CableHop, Texture } from '#core/features/board'

/** Height of a band by its raster: the light itself says how large the picture is. */
export function bandHeight({ height }: Pick<Texture, 'height'>): number {
  return height >= 2160 ? 16 : height >= 1080 ? 10 : height >= 720 ? 6 : 4
}

/** Pixels between frame ticks (field ticks where interlaced): 24 at 25, 12 at 50, 10 at 60. */
export function tickSpacing({ pulses }: Pick<Texture, 'pulses'>): number {
  return Math.round((600 / pulses) * 10) / 10
}

/** A key for the pattern of ticks, so that equal textures share one. */
export const patternId = ({ pulses, interlaced }: Texture): string =>
  `ticks-${pulses.toFixed(2).replace('.', '-')}-${interlaced ? 'i' : 'p'}`

/** Where the light of a cable ends, x in pixels; its right end when it arrives or the length is not known. */
export function lightEnd({ light, reason }: CableHop, x0: number, x1: number): number {
  if (!light) return x0
  return reason ? x0 + (x1 - x0) * reason.at : x1
}

/**
 * The outline of the light on a cable: full height where it enters, thinner by the share of reach that is used, and
 * closed at the metre where the reach ends.
 */
export function bandPath(hop: CableHop, x0: number, x1: number, y: number): string {
  if (!hop.light) return ''
  const end = lightEnd(hop, x0, x1)
  if (end - x0 < 0.5) return ''
  const half = bandHeight(hop.light) / 2
  const spent = hop.reason?.tooFarM !== undefined ? 1 : Math.min(1, hop.used ?? 0)
  const tip = hop.reason?.tooFarM !== undefined ? 0 : half * (1 - 0.8 * spent)
  return `M${x0} ${y - half}L${end} ${y - tip}L${end} ${y + tip}L${x0} ${y + half}Z`
}

/** The empty channel behind the end of the light: [x, width], or nothing. */
export function darkPart(hop: CableHop, x0: number, x1: number): readonly [x: number, width: number] | undefined {
  const end = lightEnd(hop, x0, x1)
  return x1 - end > 1 ? [end, x1 - end] : undefined
}
