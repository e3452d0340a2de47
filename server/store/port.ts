import type { Edit, Problem, ShowFile, Transaction } from '#core/document'
import type { Judged } from '#core/features/board'
import type { JournalAnswer, JournalEntry, PlanState, PlanSummary, ShowSummary, WriteAnswer } from '#shared/api'

/** The plan that a show begins with; it cannot be removed. */
export const MAIN = 'main'
/** Days after which a show in the bin is gone for good. */
export const BIN_DAYS = 30
export const MOST_PLANS = 100

export type Written =
  | ({ readonly outcome: 'written'; readonly fresh: readonly JournalEntry[] } & WriteAnswer)
  /** The plan has moved on: nothing was written; what is newer is told. */
  | { readonly outcome: 'behind'; readonly revision: number; readonly newer: readonly JournalEntry[] }
  | { readonly outcome: 'refused'; readonly problem: Problem }
  /** Made on a later state than is kept: an older one was put in its place. */
  | { readonly outcome: 'ahead' }
  | { readonly outcome: 'missing' }

export type Begun =
  | { readonly outcome: 'begun'; readonly id: string }
  | { readonly outcome: 'behind'; readonly revision: number }
  | { readonly outcome: 'refused'; readonly problem: Problem }
  | { readonly outcome: 'missing' }

/** A plan to begin beside another one: a copy of it as it was at `base`, with edits made to it. */
export interface Beginning {
  readonly title: string
  readonly from: string
  readonly base: number
  readonly edits: readonly Edit[]
}

/** Where shows, plans and journals are kept. What a method has answered survives the death of the process. */
export interface Store {
  /** Changes when an older state was put in the place of what was kept here. */
  readonly epoch: string
  /** Shows with their plans and verdicts, the one changed last first; `binned` gives those in the bin. */
  listShows(binned: boolean): Promise<readonly ShowSummary[]>
  /** Puts a show in; gives its id, or undefined when that seed was planted before. */
  createShow(file: ShowFile, seed?: string): Promise<string | undefined>
  /** Puts in what an open file holds: the show's id, or why the file cannot be used. */
  importShow(file: Uint8Array): Promise<{ readonly id: string } | { readonly ok: false; readonly problem: Problem }>
  /** Puts a copy of a show beside it; undefined where there is none. */
  duplicateShow(show: string): Promise<string | undefined>
  /** The whole show as the text of an open file; undefined where there is none. */
  exportText(show: string): Promise<{ readonly title: string; readonly text: string } | undefined>
  /** These three answer whether there is such a show. */
  renameShow(show: string, title: string): Promise<boolean>
  binShow(show: string): Promise<boolean>
  restoreShow(show: string): Promise<boolean>
  /** Throws away for good what has lain in the bin too long. */
  emptyBin(now: Date): Promise<void>

  /** The plans of a show, the main one first; undefined where there is no such show. */
  listPlans(show: string): Promise<readonly PlanSummary[] | undefined>
  beginPlan(show: string, plan: Beginning): Promise<Begun>
  /** Takes a plan away for good, with its journal; false where there is none. */
  removePlan(show: string, plan: string): Promise<boolean>
  /** A plan, and what of a client's own can be undone in it. */
  openPlan(show: string, plan: string, client: string | undefined): Promise<PlanState | undefined>
  /** What a page shows of a plan in this state; undefined where that is not known within `ms`. */
  judged(state: PlanState, ms: number): Promise<Judged | undefined>
  /** The transactions after a revision, oldest first. */
  journalAfter(show: string, plan: string, revision: number): Promise<JournalAnswer | undefined>
  /**
   * Writes transactions that were made on revision `base`: all or none, together with the plan, and only while the plan
   * is still at `base`; `head` names the entry that made it. Those that are in the journal already (a retry) are acknowledged again and not applied twice.
   */
  write(show: string, plan: string, base: number, transactions: readonly Transaction[], head?: string): Promise<Written>

  /** A picture by its hash; undefined where it is not kept. */
  picture(hash: string): Uint8Array | undefined
  /** Keeps a picture: its hash, or why it is none. What is kept is on the disk when this answers, and stays. */
  keepPicture(bytes: Uint8Array): Promise<{ readonly hash: string } | { readonly wrong: string }>

  /** A consistent copy of everything, pictures, shows in the bin and journals too, a line at a time. */
  copyLines(take: (line: string) => void): Promise<void>

  /** Plans whose document is not what their journal leads to, each with what is wrong. */
  verify(): Promise<readonly { readonly show: string; readonly plan: string; readonly what: string }[]>

  close(): Promise<void>
}
