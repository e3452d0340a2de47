import { SDI_CLASSES, type SdiClass } from '#core/signal'
import { type CableModel, DEFAULT_BUDGET_DB } from './cable'
import { coaxLossDb, coaxReachM, lengthStep } from './reach'

/** What a cable has to carry: bit/s on the link, and the SDI class where it is SDI. */
export interface Load {
  readonly bitsPerS: number
  readonly sdiClass?: SdiClass
}

/**
 * Share of a cable's reach that a length uses, 0 .. 1 and more: of the receiver's budget or of the capped reach,
 * whichever is used more (coax), or of the length at which it fails (all others).
 */
export function usedShare(
  cable: CableModel,
  { bitsPerS, sdiClass }: Load,
  lengthM: number,
  couplers = 0,
  budgets: Partial<Record<SdiClass, number>> = {},
): number {
  const law = cable.reach
  if (law.kind === 'length') return lengthM / lengthStep(law.steps, bitsPerS).faultM
  const cls = sdiClass ?? SDI_CLASSES[0]
  return Math.max(
    coaxLossDb(law, cls, lengthM, couplers) / (budgets[cls] ?? DEFAULT_BUDGET_DB[cls]),
    lengthM / coaxReachM(law, cls, couplers, budgets),
  )
}

/** The longest piece of a cable that still carries the load, metres. */
export function reachAt(
  cable: CableModel,
  { bitsPerS, sdiClass }: Load,
  budgets: Partial<Record<SdiClass, number>> = {},
): number {
  return cable.reach.kind === 'length'
    ? lengthStep(cable.reach.steps, bitsPerS).faultM
    : coaxReachM(cable.reach, sdiClass ?? SDI_CLASSES[0], 0, budgets)
}

/** A value of a data sheet: loss in dB over 100 m at a frequency in MHz. */
export interface SheetValue {
  readonly fMHz: number
  readonly dbPer100M: number
}

/**
 * The law k1 sqrt(f) + k2 f that fits a data sheet best (least squares; k2 is not let below 0). Undefined where fewer
 * than two different frequencies are given, or a value is not above 0.
 */
export function refit(values: readonly SheetValue[]): { readonly k1: number; readonly k2: number } | undefined {
  if (
    new Set(values.map(({ fMHz }) => fMHz)).size < 2 ||
    values.some(({ fMHz, dbPer100M }) => !(fMHz > 0 && dbPer100M > 0))
  )
    return undefined
  const sum = (of: (f: number, a: number) => number) =>
    values.reduce((total, { fMHz, dbPer100M }) => total + of(fMHz, dbPer100M), 0)
  // Normal equations of a = k1 sqrt(f) + k2 f.
  const [ff, fr, rr] = [sum(f => f * f), sum(f => f * Math.sqrt(f)), sum(f => f)]
  const [af, ar] = [sum((f, a) => a * f), sum((f, a) => a * Math.sqrt(f))]
  const det = rr * ff - fr * fr
  const k2 = (rr * af - fr * ar) / det
  if (k2 >= 0) {
    const k1 = (ff * ar - fr * af) / det
    if (k1 > 0) return { k1, k2 }
    return undefined
  }
  return { k1: ar / rr, k2: 0 }
}
