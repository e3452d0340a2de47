import { SDI_CLASSES, type SdiClass, sdiClassRow } from '#core/signal'
import { type CableModel, DEFAULT_BUDGET_DB, type LengthStep } from './cable'

type Attenuation = Extract<CableModel['reach'], { kind: 'attenuation' }>

/** Attenuation in dB per 100 m at f MHz: k1 sqrt(f) + k2 f. */
export function attenuationPer100m({ k1, k2 }: Attenuation, fMHz: number): number {
  return k1 * Math.sqrt(fMHz) + k2 * fMHz
}

/** Loss of one coupler in dB: 0.3 sqrt(f / 3000 MHz). */
export function couplerLossDb(fMHz: number): number {
  return 0.3 * Math.sqrt(fMHz / 3000)
}

/** Loss in dB of a coax run of `lengthM` metres with `couplers` joints, judged at half the clock of the class. */
export function coaxLossDb(law: Attenuation, cls: SdiClass, lengthM: number, couplers: number): number {
  const f = sdiClassRow(cls).halfClockMHz
  return (lengthM / 100) * attenuationPer100m(law, f) + couplers * couplerLossDb(f)
}

/**
 * Metres that a coax class carries at an SDI class into a receiver with these budgets (dB). The receivers' larger
 * budgets at 6G and 12G never make a higher rate reach farther: reach is the least over this class and all below.
 */
export function coaxReachM(
  law: Attenuation,
  cls: SdiClass,
  couplers = 0,
  budgets: Partial<Record<SdiClass, number>> = {},
): number {
  let reach = Infinity
  for (const name of SDI_CLASSES) {
    const f = sdiClassRow(name).halfClockMHz
    const budget = budgets[name] ?? DEFAULT_BUDGET_DB[name]
    const metres = ((budget - couplers * couplerLossDb(f)) / attenuationPer100m(law, f)) * 100
    reach = Math.min(reach, Math.max(0, metres))
    if (name === cls) break
  }
  return reach
}

/** The step of a length table that applies at a data rate; the last step has no upper end. */
export function lengthStep(steps: readonly LengthStep[], bitsPerS: number): LengthStep {
  return steps.find(step => bitsPerS <= step.uptoBitsPerS) ?? steps.at(-1)!
}
