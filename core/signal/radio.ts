// How far a radio link carries a picture. Free space after ITU-R P.525; what bodies and walls take, and the reserve against
// fading, are typical planning values.

/** Free-space loss in dB over `m` metres at `fMHz`: 32.44 + 20 log10(km) + 20 log10(MHz) (ITU-R P.525). */
export const freeSpaceLossDb = (m: number, fMHz: number): number =>
  32.44 + 20 * Math.log10(Math.max(m, 1) / 1000) + 20 * Math.log10(fMHz)

/** Loss through a standing crowd between the aerials, dB (typical at 5 to 6 GHz). */
export const CROWD_DB = 12
/** Loss through a wall or a set piece in the line, dB (typical). */
export const WALL_DB = 18
/** Kept against fading, dB (typical). */
export const FADING_DB = 6

/** The sending power, both aerials, and what the receiver needs for a picture. */
export interface RadioBudget {
  readonly fMHz: number
  /** Sender with its aerial, dBm EIRP. */
  readonly eirpDbm: number
  /** Receiver's aerial, dBi. */
  readonly gainDbi: number
  /** Level at which the picture still holds, dBm. */
  readonly needsDbm: number
  /** Channels that do not overlap. */
  readonly channels: number
  /** Looks for a channel that is free by itself; nobody sets one. */
  readonly chooses?: true
}

export interface RadioWay {
  readonly m: number
  readonly crowd?: boolean
  readonly wall?: boolean
}

/** What is left above the receiver's need and the reserve, dB; below 0 the picture may drop. */
export const radioMarginDb = (
  { fMHz, eirpDbm, gainDbi, needsDbm }: RadioBudget,
  { m, crowd, wall }: RadioWay,
): number =>
  eirpDbm + gainDbi - freeSpaceLossDb(m, fMHz) - (crowd ? CROWD_DB : 0) - (wall ? WALL_DB : 0) - FADING_DB - needsDbm

/** The distance at which nothing is left, metres. */
export const radioRangeM = (budget: RadioBudget, { crowd, wall }: Omit<RadioWay, 'm'>): number =>
  10 ** (radioMarginDb(budget, { m: 1, ...(crowd ? { crowd } : {}), ...(wall ? { wall } : {}) }) / 20)
