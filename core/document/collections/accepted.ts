import { collection, object, ref } from '#core/kernel'

// A rule and the place of its finding, as the engine of core/kernel writes it.
const FINDING = '^[A-Z][0-9]{2}:[a-z0-9/@-]{1,220}$'

/** A risk or a loss of quality that somebody takes, knowing it. */
export interface Acceptance {
  /** Key of the finding. */
  readonly finding: string
  readonly reason: string
}

export const accepted = collection<Acceptance>({
  name: 'accepted',
  entry: 'acceptance',
  about: 'Risks and losses of quality that somebody takes, with the reason.',
  most: 2000,
  schema: object(['finding', 'reason'], { finding: { type: 'string', pattern: FINDING }, reason: ref('note') }),
  words: ({ finding, reason }) => `${finding}: ${reason}`,
})
