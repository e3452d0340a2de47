import type { Units } from '#core/words'

/** A list to print, copy or keep as CSV: every row has one text for each column. */
export interface Paper {
  readonly id: string
  readonly title: string
  /** What it is for, in one line. */
  readonly about: string
  readonly columns: readonly { readonly key: string; readonly title: string; readonly figures?: true }[]
  readonly rows: readonly Readonly<Record<string, string>>[]
}

/** How a paper is made of a plan that was checked; undefined where the plan gives no reason for it. */
export type PaperMaker<C> = (checked: C, units: Units) => Paper | undefined
