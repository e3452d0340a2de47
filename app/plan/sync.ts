import { type Clash, type Edit, type Plan, type Transaction, applyEdits, clashOf, transactionId } from '#core/document'
import type { JournalEntry } from '#shared/api'
import type { Done } from './undo'

/** Two changes that meet: mine, which waits, and theirs, which stands. `undo`: mine takes an older change of mine back. */
export interface Question {
  readonly mine: Transaction
  readonly theirs: JournalEntry
  readonly clash: Clash
  readonly undo: boolean
}

/** A plan in this tab: what the server has, and what of mine is on its way there. */
export interface Copy {
  /** As the server has it, at `revision`. */
  readonly settled: Plan
  readonly revision: number
  /** The entry that made that revision, where it is known. */
  readonly head?: string
  /** Mine that the server has not acknowledged, oldest first. */
  readonly pending: readonly Transaction[]
  /** As it is seen: `settled` with `pending` on top. */
  readonly plan: Plan
  /** My transactions, oldest first, with what takes them back. */
  readonly done: readonly Done[]
  /** What waits for an answer, oldest first. */
  readonly questions: readonly Question[]
}

export function copyOf(plan: Plan, revision: number, mine: readonly JournalEntry[], head?: string): Copy {
  return { settled: plan, ...at(revision, head), pending: [], plan, done: mine, questions: [] }
}

const at = (revision: number, head: string | undefined): Pick<Copy, 'revision' | 'head'> => ({
  revision,
  ...(head === undefined ? {} : { head }),
})

/** The copy with a change of mine, which was applied to what is seen. */
export function changed(copy: Copy, transaction: Transaction, plan: Plan, inverse: readonly Edit[]): Copy {
  return {
    ...copy,
    plan,
    pending: [...copy.pending, transaction],
    done: [...copy.done, { transaction, inverse }],
  }
}

const idsOf = (entries: readonly { readonly transaction: Transaction }[]): Set<string> =>
  new Set(entries.map(({ transaction }) => transactionId(transaction)))

function advance(plan: Plan, transactions: readonly Transaction[]): Plan {
  let next = plan
  for (const { edits } of transactions) {
    const applied = applyEdits(next, edits)
    if (applied.ok) next = applied.value.plan
  }
  return next
}

/** The server has what was sent, and is at revision `now`; `made` tells the revision of each by its id. */
export function acknowledged(
  copy: Copy,
  now: number,
  sent: readonly Transaction[],
  made: ReadonlyMap<string, number>,
): Copy {
  const { head, ...rest } = copy
  const last = [...made].find(([, revision]) => revision === now)?.[0]
  return {
    ...rest,
    // What the stream has told meanwhile is in already.
    settled: advance(
      copy.settled,
      sent.filter(transaction => copy.pending.includes(transaction)),
    ),
    ...at(Math.max(copy.revision, now), copy.revision >= now ? head : last),
    pending: copy.pending.filter(transaction => !sent.includes(transaction)),
    done: copy.done.map(entry => {
      const revision = made.get(transactionId(entry.transaction))
      return revision === undefined ? entry : { ...entry, revision }
    }),
  }
}

/** The server refused these: the copy without them. */
export function withdrawn(copy: Copy, refused: readonly Transaction[]): Copy {
  const ids = new Set(refused.map(transactionId))
  const pending = copy.pending.filter(transaction => !ids.has(transactionId(transaction)))
  return {
    ...copy,
    pending,
    plan: advance(copy.settled, pending),
    done: copy.done.filter(({ transaction }) => !ids.has(transactionId(transaction))),
  }
}

export interface Rebased {
  readonly copy: Copy
  /** Of mine, what no longer holds and was dropped. */
  readonly lost: readonly Transaction[]
  /** What meets a change of somebody else: each is among the questions of the copy. */
  readonly asked: readonly Question[]
  /** What others wrote. */
  readonly heard: readonly JournalEntry[]
}

/** Somebody wrote meanwhile: theirs goes under mine. `written` holds all entries after the revision of the copy, in order; older ones are in already. */
export function rebased(copy: Copy, written: readonly JournalEntry[], me: string): Rebased {
  const newer = written.filter(({ revision }) => revision > copy.revision)
  const settled = advance(
    copy.settled,
    newer.map(({ transaction }) => transaction),
  )
  const last = newer.at(-1)
  const { head, ...rest } = copy
  const now = last ? at(last.revision, transactionId(last.transaction)) : at(copy.revision, head)
  return layered({ ...rest, settled, ...now }, newer, me)
}

/**
 * Lays what is on its way over what the server has, where `settled` holds the `newer` entries already. What the server
 * turns out to have is no longer on its way; what meets a change of somebody else becomes a question.
 */
export function layered(copy: Copy, newer: readonly JournalEntry[], me: string): Rebased {
  const known = idsOf([...newer, ...copy.done.filter(({ revision }) => revision !== undefined)])
  const heard = newer.filter(({ transaction }) => transaction.client !== me)
  const lost: Transaction[] = []
  const asked: Question[] = []
  const pending: Transaction[] = []
  const made: Done[] = []
  const told = idsOf(copy.done)
  let plan = copy.settled
  for (const transaction of copy.pending) {
    if (known.has(transactionId(transaction))) continue
    const question = meeting(transaction, heard)
    if (question) {
      asked.push(question)
      continue
    }
    const applied = applyEdits(plan, transaction.edits)
    if (!applied.ok) {
      lost.push(transaction)
      continue
    }
    plan = applied.value.plan
    pending.push(transaction)
    if (!told.has(transactionId(transaction))) made.push({ transaction, inverse: applied.value.inverse })
  }
  const waiting = new Set(asked.map(({ mine }) => transactionId(mine)))
  const done = [...copy.done, ...made].filter(({ transaction }) => !waiting.has(transactionId(transaction)))
  return { copy: { ...copy, pending, plan, done, questions: [...copy.questions, ...asked] }, lost, asked, heard }
}

function meeting(mine: Transaction, others: readonly JournalEntry[]): Question | undefined {
  for (const theirs of others) {
    const clash = clashOf(mine.edits, theirs.transaction.edits)
    if (clash) return { mine, theirs, clash, undo: false }
  }
  return undefined
}

/** Entries of mine that were written in another tab, so that this one can undo them too. */
export function adopted(copy: Copy, entries: readonly JournalEntry[], me: string): Copy {
  const known = idsOf(copy.done)
  const tabs = entries.filter(({ transaction }) => transaction.client === me && !known.has(transactionId(transaction)))
  return tabs.length ? { ...copy, done: [...copy.done, ...tabs] } : copy
}
