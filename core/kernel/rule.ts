import type { Anchor } from './anchor'
import type { Finding, Found, Severity } from './finding'
import type { Quantity } from './quantity'

/** A change that is offered: a title and its edits. One that gives up a demand says so. */
export interface Proposal<E> {
  readonly title: string
  readonly edits: readonly E[]
  readonly givesUp?: true
  /** Only worth offering when it suffices by itself; of these at most two are shown. */
  readonly alone?: true
}

/** A sentence with {quantities}, and how grave it is. */
export interface Message {
  readonly severity: Severity
  readonly says: string
  /** May be found beside another message of its rule at the same place: its key ends with its name. */
  readonly apart?: true
}

export type Messages = Readonly<Record<string, Message>>

/** The {names} in a sentence. */
type Names<S extends string> = S extends `${string}{${infer N}}${infer Rest}` ? N | Names<Rest> : never

/** Makes a finding of one message: every quantity that the sentence names must be given. */
export type Say<M extends Messages> = <K extends keyof M & string>(
  message: K,
  at: Anchor,
  quantities: Readonly<Record<Names<M[K]['says']>, Quantity>> & Readonly<Record<string, Quantity>>,
  run?: string,
) => Found

/** One fault of the catalogue, as a rule's own file writes it. */
export interface RuleDefinition<V, E, M extends Messages> {
  /** Its code in the catalogue of faults, the first part of a finding's key. */
  readonly code: string
  /** One line for help pages. */
  readonly about: string
  readonly messages: M
  /**
   * `segments`: asked of each segment, and told once with the list of those in which it holds; of the whole show where
   * it has none.
   */
  readonly asks?: 'segments'
  readonly find: (view: V, say: Say<M>) => readonly Found[]
  /** Only asked for when a finding is opened; best ones come first. */
  readonly remedies: (view: V, finding: Finding) => readonly Proposal<E>[]
}

export interface Rule<V, E> {
  readonly code: string
  readonly about: string
  readonly messages: Messages
  readonly asks?: 'segments'
  readonly find: (view: V) => readonly Found[]
  readonly remedies: (view: V, finding: Finding) => readonly Proposal<E>[]
}

export function ruleOf<V, E, const M extends Messages>(definition: RuleDefinition<V, E, M>): Rule<V, E> {
  const say: Say<M> = (message, at, quantities, run) => ({
    says: message,
    severity: definition.messages[message]!.severity,
    at,
    with: quantities,
    ...(run === undefined ? {} : { run }),
  })
  return { ...definition, find: view => definition.find(view, say) }
}
