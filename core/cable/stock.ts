import type { CableModel } from './cable'

/** Metres to cut for a measured route: the route plus the larger of 10 % and 2 m for slack at both ends. */
export function cutLengthM(routeM: number): number {
  return roundMm(routeM + Math.max(0.1 * routeM, 2))
}

/** Lengths are kept to the millimetre, so sums of pieces compare exactly. */
export function roundMm(m: number): number {
  return Math.round(m * 1000) / 1000
}

export interface Pieces {
  /** Chosen stock lengths in metres, longest first. */
  readonly pieces: readonly number[]
  /** Price of the pieces in minor units. */
  readonly minor: number
}

export function pieceSumM(pieces: readonly number[]): number {
  return roundMm(pieces.reduce((sum, m) => sum + m, 0))
}

export function piecesMinor(cable: CableModel, pieces: readonly number[]): number {
  return pieces.reduce((sum, m) => sum + (cable.stock.find(piece => piece.m === m)?.priceMinor ?? 0), 0)
}

/**
 * The stock pieces for a cut length: the shortest single piece that is long enough, else the shortest pair joined
 * with one coupler, else as many of the longest as are needed (unless the cable cannot be joined).
 * Undefined when no such choice exists.
 */
export function choosePieces(cable: CableModel, cutM: number): Pieces | undefined {
  const lengths = cable.stock.map(({ m }) => m)
  const single = lengths.find(m => m >= cutM)
  const take = (pieces: number[]): Pieces => ({ pieces, minor: piecesMinor(cable, pieces) })
  if (single !== undefined) return take([single])
  const longest = lengths.at(-1)
  if (longest === undefined || !cable.joins) return undefined
  const whole: number[] = []
  let rest = cutM
  while (rest > 2 * longest) {
    whole.push(longest)
    rest = roundMm(rest - longest)
  }
  const tail = lengths.find(m => longest + m >= rest)!
  return take([...whole, longest, tail])
}
