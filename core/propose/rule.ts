import type { Graphic } from '#core/picture'
import type { Traced } from '#core/chain'
import type { Edit, Plan, ShowFile } from '#core/document'
import {
  type Checked as CheckedView,
  type Feature as FeatureOf,
  type Messages,
  type Proposal as ProposalOf,
  type Rule as RuleOf,
  type RuleDefinition,
  ruleOf,
} from '#core/kernel'

export type Proposal = ProposalOf<Edit>
export type Rule = RuleOf<Traced, Edit>
export type Checked = CheckedView<Traced, Edit>

/** One fault of the catalogue. */
export const rule = <const M extends Messages>(definition: RuleDefinition<Traced, Edit, M>): Rule => ruleOf(definition)

/** What a command of the command line is given. */
export interface CommandContext {
  readonly show: ShowFile
  readonly planId: string
  readonly plan: Plan
  readonly checked: Checked
  readonly values: ReadonlyMap<string, string>
  readonly json: boolean
  /** Sets names and figures apart where the output can: on a terminal. */
  readonly strong: (words: string) => string
  /** A picture of the show by the hash of its file, where it is at hand. */
  readonly picture: (file: string) => Graphic | undefined
  /** The solver, loaded when it is needed. */
  readonly solver: () => Promise<unknown>
}

export type Feature = FeatureOf<Traced, Edit>
export const feature = (definition: Feature): Feature => definition
