import type { Edit, Plan, Transaction } from '#core/document'
import type { Judged } from '#core/features/board'
import type { Verdict } from '#core/kernel'

// What the application and its server say to each other.

/** A plan of a show, as lists have it. */
export interface PlanSummary {
  readonly id: string
  readonly title: string
  readonly revision: number
  readonly basedOn: Plan['basedOn'] | null
  readonly verdict: Verdict
  /** The plan cannot be read: its journal may still be. */
  readonly damaged?: true
}

export interface ShowSummary {
  readonly id: string
  readonly title: string
  /** ISO 8601. */
  readonly updatedAt: string
  /** Set while the show lies in the bin. */
  readonly deletedAt: string | null
  readonly plans: readonly PlanSummary[]
}

/** One transaction as it was written, with the edits that take it back. */
export interface JournalEntry {
  readonly revision: number
  readonly transaction: Transaction
  readonly inverse: readonly Edit[]
}

export interface PlanState {
  /** Of the data folder: changes when an older state was put in its place. */
  readonly epoch?: string
  readonly show: { readonly id: string; readonly title: string }
  readonly id: string
  readonly revision: number
  /** The entry of the journal that made this revision: another folder may have the same number for another state. */
  readonly head?: string
  readonly plan: Plan
  /** What the asking browser wrote, oldest first, as far back as it can be undone. */
  readonly mine: readonly JournalEntry[]
  /** What the page shows of it, where that was asked for and was there in time. */
  readonly judged?: Judged
  /** The highest sequence number under which the asking browser wrote. */
  readonly lastSeq: number
}

/** The answer to a write. */
export interface WriteAnswer {
  readonly revision: number
  readonly accepted: readonly { readonly id: string; readonly revision: number }[]
}

/** What goes with a write that was made on an older revision. */
export interface BehindAnswer {
  readonly revision: number
  readonly newer: readonly JournalEntry[]
}

export interface JournalAnswer {
  readonly epoch?: string
  /** The entry of the revision after which was asked. */
  readonly head?: string
  readonly revision: number
  readonly entries: readonly JournalEntry[]
}

/** What was written to one of all plans. */
export interface News {
  readonly show: string
  readonly plan: string
  readonly entries: readonly JournalEntry[]
}
