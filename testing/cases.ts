import type { Plan } from '#core/document'

export const STAGE = 'switcher-4-strict 1080p59.94'
export const MIXED = 'switcher-8-mixed 1080p59.94'
export const SEEN = { p1: 'main.out-1 > proj.in hdmi-passive 1' }

export interface Faulty {
  readonly name: string
  /** All findings of severity H, D, R or Q that must come, by id. */
  readonly gives: readonly string[]
  /** Where told: the notes that must come beside them, by id. */
  readonly notes?: readonly string[]
  readonly plan: Plan
  /** Parts of titles of remedies that must be among those offered for the first finding. */
  readonly offers: readonly string[]
  /** Parts of the sentence. */
  readonly says: readonly string[]
}
