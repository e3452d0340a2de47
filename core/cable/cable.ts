import type { ConnectorId, SdiClass, SignalKind } from '#core/signal'

/** Two schools of passive HDMI length: cautious warns early, usual only notes what lies between the two limits. */
export const CABLE_SCHOOLS = ['cautious', 'usual'] as const
export type CableSchool = (typeof CABLE_SCHOOLS)[number]

/** One step of a table of lengths: up to this data rate, warn above `warnM`, fault above `faultM`. */
export interface LengthStep {
  readonly uptoBitsPerS: number
  readonly warnM: number
  readonly faultM: number
}

/** How far a kind of cable carries: by attenuation against the receiver's budget, or by a table of lengths. */
export type ReachLaw =
  | {
      readonly kind: 'attenuation'
      /** dB per 100 m per sqrt(MHz) */ readonly k1: number
      /** dB per 100 m per MHz */ readonly k2: number
    }
  | {
      readonly kind: 'length'
      readonly steps: readonly LengthStep[]
      /** Light: within its length the margin is what loss leaves of the budget, two plugs of 0.5 dB counted. */
      readonly optical?: { readonly dbPerKm: number; readonly budgetDb: number }
    }

interface Sold {
  /** `builtin/<id>@<revision>` for rows of the catalogue. */
  readonly from?: string
  readonly title: string
  /** A word for narrow places. */
  readonly short?: string
  readonly carries: SignalKind
  readonly ends: readonly [ConnectorId, ConnectorId]
  /** A stiff or heavy plug in a small socket, with nothing that takes the pull. */
  readonly bare?: true
}

/** A kind of cable, sold in pieces. */
export interface CableModel extends Sold {
  readonly kind: 'cable'
  /** Works one way round only (active and optical cables). */
  readonly oneWay: boolean
  readonly reach: ReachLaw
  /** Mass of a metre with its share of plugs and ties, grams; installed cables weigh nothing in the van. */
  readonly gramsPerM?: number
  /** Pieces on sale, metres ascending, with prices in minor units of the catalogue's currency. */
  readonly stock: readonly { readonly m: number; readonly priceMinor: number }[]
  /** False where pieces cannot be joined (optical). */
  readonly joins: boolean
  /** Lies in the building already, between these two places: one piece, used once, and free. */
  readonly installed?: readonly [string, string]
}

/** A passive change of connector shape at one end of a cable. */
export interface AdapterModel extends Sold {
  readonly kind: 'adapter'
  readonly grams?: number
  readonly priceMinor: number
}

export type LeadModel = CableModel | AdapterModel

/** Receiver budgets at half the clock, dB: ST 259 30 dB, ST 292-1 and ST 424 20 dB, ST 2081-1/2082-1 40 dB. */
export const DEFAULT_BUDGET_DB: Readonly<Record<SdiClass, number>> = {
  'SD': 30,
  'HD': 20,
  '3G': 20,
  '6G': 40,
  '12G': 40,
}

const PLUG_DB = 0.5

/** The share of an optical cable's budget that its fibre and two plugs take. */
export const opticalShare = ({ dbPerKm, budgetDb }: { dbPerKm: number; budgetDb: number }, lengthM: number): number =>
  ((lengthM / 1000) * dbPerKm + 2 * PLUG_DB) / budgetDb

/** No cable at all, but the way from an aerial to another: nothing to carry, to buy or to label. */
export const isAir = ({ ends }: Pick<CableModel, 'ends'>): boolean => ends.includes('aerial')
