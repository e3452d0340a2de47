import type { Anchor } from './anchor'
import type { Quantity } from './quantity'

/** H hazard, D dark, R risk, Q quality, N note. */
export const SEVERITIES = ['H', 'D', 'R', 'Q', 'N'] as const
export type Severity = (typeof SEVERITIES)[number]

export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  H: 'hazard',
  D: 'dark',
  R: 'risk',
  Q: 'quality',
  N: 'note',
}

/** What a rule finds, before it has its name. */
export interface Found {
  /** Key of the sentence among the rule's messages, and what to put into it. */
  readonly says: string
  readonly severity: Severity
  readonly at: Anchor
  readonly with: Readonly<Record<string, Quantity>>
  /** Run that shows the finding on the board, named by its last link. */
  readonly run?: string
  /** What is missing, where no lane can show it: the board draws a lane of that name that is not there. */
  readonly ghost?: string
}

export interface Finding extends Found {
  /** The rule's code, e.g. "F02". */
  readonly id: string
  /**
   * Stable name, once in a check: rule and place, with `+message` of those that may stand beside others there, and
   * `@segment` where it was asked of one segment: `F02:link/wide-to-main/to`.
   */
  readonly key: string
  /** The segments in which it holds, where it is one that depends on them. */
  readonly segments?: readonly string[]
  /** Somebody takes this risk or loss of quality, for this reason: it is listed and not counted. */
  readonly accepted?: string
}

/** Only what may fail or looks worse can be accepted: never a hazard, never darkness. */
export const isAcceptable = ({ severity }: Pick<Finding, 'severity'>): boolean => severity === 'R' || severity === 'Q'

/** What keeps a change from being offered: a hazard, darkness or a risk that nobody has accepted. */
export const isGrave = ({ severity, accepted }: Pick<Finding, 'severity' | 'accepted'>): boolean =>
  severity !== 'Q' && severity !== 'N' && accepted === undefined

/** A finding about something that is not there: the board shows it as a lane of that name. */
export const ghost = (name: string, found: Found): Found => ({ ...found, ghost: name })
