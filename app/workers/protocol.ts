import type { Board } from '#core/board'
import type { Addition, Choice, Effect, EntryReading, Finding, Part, Proposal, Remedy, Units, Verdict } from '#core/check'
import type { Paper } from '#core/paper'
import type { Edit, Plan } from '#core/plan'
import type { Asked, Growth, Offer, Outcome, Progress, Rung } from '#core/solve'
import type { Comparison } from '#core/versions'
import type { Cause, Inside, LossEffect, Spot, Symptom } from '#core/whatif'

/** What the page shows of a checked plan. */
export interface Report {
  /** The plan's name and the version of it in the page that was checked. */
  readonly plan: string
  readonly version: number
  readonly verdict: Verdict
  readonly findings: readonly Finding[]
  readonly board: Board
  /** Planning price, minor units, and draw, watts. */
  readonly minor: number
  readonly watts: number
  /** Time that tracing and checking took in the worker, ms. */
  readonly ms: number
}

/** A line as it was read, and what it would do. */
export interface EntryAnswer {
  readonly reading: EntryReading
  readonly edits: readonly Edit[]
  readonly effect: Effect | undefined
}

/** For whom a run could be laid again, and what that would do for those that are chosen. */
export interface CopyAnswer {
  readonly targets: readonly { readonly id: string, readonly name: string }[]
  readonly proposal: Proposal | undefined
  readonly effect: Effect | undefined
}

/** The worker that holds the plan. `gap` asks for the whole plan, because edits are missing in between. */
export interface Checker {
  open(name: string, version: number, plan: Plan): Report
  edit(name: string, from: number, version: number, edits: readonly Edit[]): Report | 'gap'
  remedies(version: number, key: string): readonly Remedy[] | 'stale'
  choices(version: number, part: Part): readonly Choice[] | 'stale'
  ladder(version: number): readonly Rung[] | 'stale'
  /** What each single failure would darken; `stale` as soon as the plan changes meanwhile. */
  losses(version: number): Promise<readonly LossEffect[] | 'stale'>
  why(version: number, spot: Spot, symptom: Symptom, units: Units): readonly Cause[] | 'stale'
  inside(version: number): Inside | 'stale'
  entry(version: number, line: string, seed: string): EntryAnswer | 'stale'
  copy(version: number, run: string, sources: readonly string[]): CopyAnswer | 'stale'
  effect(version: number, edits: readonly Edit[]): Effect | undefined | 'stale'
  growth(version: number): readonly Growth[] | 'stale'
  /** Against another plan of the show, which comes second. */
  compare(version: number, other: Plan, units: Units): Comparison | 'stale'
  papers(version: number, units: Units): { readonly head: readonly string[], readonly papers: readonly Paper[] } | 'stale'
  addition(version: number, addition: Addition, seed: string): { readonly edits: readonly Edit[], readonly effect: Effect | undefined } | 'stale'
}

/** The worker that looks for whole plans. It does nothing else meanwhile; to stop it, it is ended. */
export interface Solver {
  propose(plan: Plan, asked: Asked, progress: (step: Progress) => void, found: (offer: Offer) => void): Promise<Outcome>
}
