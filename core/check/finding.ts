import type { VideoFormat } from '#core/signal'

/** H hazard, D dark, R risk, Q quality, N note. */
export const SEVERITIES = ['H', 'D', 'R', 'Q', 'N'] as const
export type Severity = (typeof SEVERITIES)[number]

export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = { H: 'hazard', D: 'dark', R: 'risk', Q: 'quality', N: 'note' }

/** Where a finding is. A segment is named when the finding holds in that segment only. */
export type Place = (
  | { readonly on: 'link', readonly link: string, readonly part: 'from' | 'cable' | 'to' }
  | { readonly on: 'port', readonly device: string, readonly port: string }
  | { readonly on: 'device', readonly device: string }
  | { readonly on: 'sink', readonly want: string, readonly device: string }
  | { readonly on: 'kit', readonly item: string }
  | { readonly on: 'show' }
) & { readonly segment?: string }

/** A value in a message, kept with its kind so that units and language can change without a new check. */
export type Quantity =
  | { readonly is: 'text', readonly text: string }
  | { readonly is: 'format', readonly format: VideoFormat }
  | { readonly is: 'length', readonly m: number }
  | { readonly is: 'rate', readonly bitsPerS: number }
  | { readonly is: 'loss', readonly db: number }
  | { readonly is: 'duration', readonly s: number }
  | { readonly is: 'share', readonly share: number }
  | { readonly is: 'delay', readonly ms: number }
  | { readonly is: 'count', readonly count: number }

export interface Finding {
  /** The rule, e.g. "F02". */
  readonly id: string
  /** Stable name: rule and place. */
  readonly key: string
  readonly severity: Severity
  readonly at: Place
  /** Key of the sentence in the rule's `says`, and what to put into it. */
  readonly says: string
  readonly with: Readonly<Record<string, Quantity>>
  /** Run that shows the finding on the board, named by its last link. */
  readonly run?: string
  /** What is missing, where no lane can show it: the board draws a lane of that name that is not there. */
  readonly ghost?: string
  /** Somebody takes this risk or loss of quality, for this reason: it is listed and not counted. */
  readonly accepted?: string
}

/** Only what may fail or looks worse can be accepted: never a hazard, never darkness. */
export const isAcceptable = ({ severity }: Pick<Finding, 'severity'>): boolean => severity === 'R' || severity === 'Q'

export const text = (words: string): Quantity => ({ is: 'text', text: words })
export const length = (m: number): Quantity => ({ is: 'length', m })
export const format = (value: VideoFormat): Quantity => ({ is: 'format', format: value })
export const dataRate = (bitsPerS: number): Quantity => ({ is: 'rate', bitsPerS })
export const loss = (db: number): Quantity => ({ is: 'loss', db })
export const duration = (s: number): Quantity => ({ is: 'duration', s })
export const delay = (ms: number): Quantity => ({ is: 'delay', ms })
export const count = (value: number): Quantity => ({ is: 'count', count: value })
export const share = (value: number): Quantity => ({ is: 'share', share: value })

/** `F02:link/wide-to-main/to`, with `@segment` where it holds in one segment only. */
export function findingKey(id: string, at: Place): string {
  const where = at.on === 'link'
    ? `link/${at.link}/${at.part}`
    : at.on === 'port' ? `port/${at.device}/${at.port}` : at.on === 'device' ? `device/${at.device}` : at.on === 'sink' ? `sink/${at.want}` : at.on === 'kit' ? `kit/${at.item}` : 'show'
  return `${id}:${where}${at.segment ? `@${at.segment}` : ''}`
}

