import { and, asc, desc, eq, gt, isNotNull, isNull, lt, max } from 'drizzle-orm'
import {
  type Edit,
  FORMAT_VERSION,
  type Outcome,
  type Plan,
  type Problem,
  type ShowFile,
  type Transaction,
  applyEdits,
  completePlan,
  freshId,
  transactionId,
} from '#core/document'
import { check } from '#core/features'
import type { Verdict } from '#core/kernel'

import type { Database } from './types'
import { journal, plans, shows } from './schema'

/** The plan that a show begins with; it cannot be removed. */
export const MAIN = 'main'
const mainFirst = (a: { readonly id: string }, b: { readonly id: string }): number =>
  Number(b.id === MAIN) - Number(a.id === MAIN)

type Reader = Pick<Database, 'select'>

export interface ShowSummary {
  readonly id: string
  readonly title: string
  readonly updatedAt: string
  readonly deletedAt: string | null
  readonly plans: readonly {
    readonly id: string
    readonly title: string
    readonly revision: number
    readonly verdict: Verdict
  }[]
}

export interface JournalEntry {
  readonly revision: number
  readonly transaction: Transaction
  readonly inverse: readonly Edit[]
}

export interface PlanState {
  readonly show: { readonly id: string; readonly title: string }
  readonly id: string
  readonly revision: number
  readonly plan: Plan
}

/** A plan as it is kept; one from before a collection existed has it empty. */
const stored = (document: string): Plan => completePlan(JSON.parse(document) as Plan)

const verdicts = new Map<string, { revision: number; verdict: Verdict }>()

function verdictOf(
  show: string,
  { id, revision, document }: { id: string; revision: number; document: string },
): Verdict {
  const key = `${show}/${id}`
  const known = verdicts.get(key)
  if (known?.revision === revision) return known.verdict
  const { verdict } = check(stored(document))
  verdicts.set(key, { revision, verdict })
  return verdict
}

/** Shows with their plans and verdicts, the one changed last first; `binned` gives those in the bin. */
export async function listShows(db: Database, binned = false): Promise<ShowSummary[]> {
  const rows = await db
    .select()
    .from(shows)
    .where(binned ? isNotNull(shows.deletedAt) : isNull(shows.deletedAt))
    .orderBy(desc(shows.updatedAt), asc(shows.id))
  const planRows = await db.select().from(plans).orderBy(asc(plans.id))
  return rows.map(row => ({
    id: row.id,
    title: row.title,
    updatedAt: row.updatedAt.toISOString(),
    deletedAt: row.deletedAt?.toISOString() ?? null,
    plans: planRows
      .filter(({ show }) => show === row.id)
      .sort(mainFirst)
      .map(plan => ({
        id: plan.id,
        title: (JSON.parse(plan.document) as Plan).title,
        revision: plan.revision,
        verdict: verdictOf(row.id, plan),
      })),
  }))
}

/** Puts a show into the database; returns its id, or undefined when that seed was planted before. */
export async function createShow(db: Database, file: ShowFile, seed?: string): Promise<string | undefined> {
  return db.transaction(async tx => {
    if (seed !== undefined && (await tx.select({ id: shows.id }).from(shows).where(eq(shows.seed, seed))).length > 0)
      return undefined
    const taken = Object.fromEntries((await tx.select({ id: shows.id }).from(shows)).map(({ id }) => [id, true]))
    const id = freshId(file.show.title, taken, Math.random)
    await tx.insert(shows).values({ id, title: file.show.title, ...(seed === undefined ? {} : { seed }) })
    for (const [planId, plan] of Object.entries(file.plans)) {
      const document = JSON.stringify(plan)
      await tx.insert(plans).values({ show: id, id: planId, revision: 0, document, format: FORMAT_VERSION })
      await tx.insert(journal).values({ show: id, plan: planId, revision: 0, kind: 'snapshot', content: document })
    }
    return id
  })
}

/** The whole show as a file; undefined where there is none. */
export async function exportShow(db: Database, id: string): Promise<ShowFile | undefined> {
  const [row] = await db.select().from(shows).where(eq(shows.id, id))
  if (!row) return undefined
  const planRows = await db.select().from(plans).where(eq(plans.show, id))
  return {
    format: FORMAT_VERSION,
    show: { title: row.title },
    plans: Object.fromEntries(planRows.map(plan => [plan.id, stored(plan.document)])),
  }
}

export async function renameShow(db: Database, id: string, title: string): Promise<boolean> {
  return (
    (
      await db
        .update(shows)
        .set({ title, updatedAt: new Date() })
        .where(and(eq(shows.id, id), isNull(shows.deletedAt)))
        .returning({ id: shows.id })
    ).length > 0
  )
}

export async function binShow(db: Database, id: string): Promise<boolean> {
  return (
    (
      await db
        .update(shows)
        .set({ deletedAt: new Date() })
        .where(and(eq(shows.id, id), isNull(shows.deletedAt)))
        .returning({ id: shows.id })
    ).length > 0
  )
}

export async function restoreShow(db: Database, id: string): Promise<boolean> {
  return (
    (await db.update(shows).set({ deletedAt: null }).where(eq(shows.id, id)).returning({ id: shows.id })).length > 0
  )
}

/** Days after which a show in the bin is gone for good. */
export const BIN_DAYS = 30

export async function emptyBin(db: Database, now: Date): Promise<void> {
  const before = new Date(now.getTime() - BIN_DAYS * 86_400_000)
  await db.transaction(async tx => {
    const gone = await tx.delete(shows).where(lt(shows.deletedAt, before)).returning({ id: shows.id })
    for (const { id } of gone) await tx.delete(journal).where(eq(journal.show, id))
  })
}

export async function readPlan(db: Reader, show: string, plan: string): Promise<PlanState | undefined> {
  const [row] = await db
    .select({ id: plans.id, revision: plans.revision, document: plans.document, title: shows.title })
    .from(plans)
    .innerJoin(shows, eq(shows.id, plans.show))
    .where(and(eq(plans.show, show), eq(plans.id, plan), isNull(shows.deletedAt)))
  return row && { show: { id: show, title: row.title }, id: row.id, revision: row.revision, plan: stored(row.document) }
}

/** The transactions after a revision, oldest first; `last` limits them to the newest. */
export async function readJournal(
  db: Reader,
  show: string,
  plan: string,
  after: number,
  { client, last }: { client?: string; last?: number } = {},
): Promise<JournalEntry[]> {
  const rows = await db
    .select()
    .from(journal)
    .where(
      and(
        eq(journal.show, show),
        eq(journal.plan, plan),
        eq(journal.kind, 'transaction'),
        gt(journal.revision, after),
        ...(client === undefined ? [] : [eq(journal.client, client)]),
      ),
    )
    .orderBy(desc(journal.revision))
    .limit(last ?? 100_000)
  return rows.reverse().map(row => ({
    revision: row.revision,
    transaction: JSON.parse(row.content) as Transaction,
    inverse: JSON.parse(row.inverse!) as Edit[],
  }))
}

export async function lastSeq(db: Reader, show: string, plan: string, client: string): Promise<number> {
  const [row] = await db
    .select({ seq: max(journal.seq) })
    .from(journal)
    .where(and(eq(journal.show, show), eq(journal.plan, plan), eq(journal.client, client)))
  return row?.seq ?? 0
}

/** The revision of the newest snapshot: what lies before it was written in the words of an older version. */
export async function lastSnapshot(db: Reader, show: string, plan: string): Promise<number> {
  const [row] = await db
    .select({ revision: max(journal.revision) })
    .from(journal)
    .where(and(eq(journal.show, show), eq(journal.plan, plan), eq(journal.kind, 'snapshot')))
  return row?.revision ?? 0
}

export type Written =
  | {
      readonly outcome: 'written'
      readonly revision: number
      readonly accepted: readonly { readonly id: string; readonly revision: number }[]
      readonly fresh: readonly JournalEntry[]
    }
  /** The plan has moved on: nothing was written; what is newer is told. */
  | { readonly outcome: 'behind'; readonly revision: number; readonly newer: readonly JournalEntry[] }
  | { readonly outcome: 'refused'; readonly problem: Problem }
  | { readonly outcome: 'missing' }

/**
 * Writes transactions that were made on revision `base`: all or none, in one database transaction together with the
 * plan. Transactions that are in the journal already (a retry) are acknowledged again and not applied twice.
 */
export async function writeTransactions(
  db: Database,
  show: string,
  plan: string,
  base: number,
  transactions: readonly Transaction[],
): Promise<Written> {
  return db.transaction(async (tx): Promise<Written> => {
    const state = await readPlan(tx, show, plan)
    if (!state) return { outcome: 'missing' }
    const accepted: { id: string; revision: number }[] = []
    const fresh: Transaction[] = []
    for (const transaction of transactions) {
      const [known] = await tx
        .select({ revision: journal.revision, content: journal.content })
        .from(journal)
        .where(
          and(
            eq(journal.show, show),
            eq(journal.plan, plan),
            eq(journal.client, transaction.client),
            eq(journal.seq, transaction.seq),
          ),
        )
      if (!known) fresh.push(transaction)
      else if (JSON.stringify(JSON.parse(known.content)) === JSON.stringify(transaction))
        accepted.push({ id: transactionId(transaction), revision: known.revision })
      else
        return {
          outcome: 'refused',
          problem: {
            path: '/transactions',
            found: `${transactionId(transaction)} with other edits than were written under it`,
            allowed: 'a sequence number that was not used, or the same transaction again',
          },
        }
    }
    if (fresh.length === 0) return { outcome: 'written', revision: state.revision, accepted, fresh: [] }
    if (base !== state.revision)
      return { outcome: 'behind', revision: state.revision, newer: await readJournal(tx, show, plan, base) }
    let { plan: next, revision } = state
    const entries: JournalEntry[] = []
    for (const [i, transaction] of fresh.entries()) {
      const applied: Outcome<{ plan: Plan; inverse: readonly Edit[] }> = applyEdits(next, transaction.edits)
      if (!applied.ok)
        return {
          outcome: 'refused',
          problem: { ...applied.problem, path: `/transactions/${i}${applied.problem.path}` },
        }
      next = applied.value.plan
      revision += 1
      await tx.insert(journal).values({
        show,
        plan,
        revision,
        kind: 'transaction',
        client: transaction.client,
        seq: transaction.seq,
        title: transaction.title,
        content: JSON.stringify(transaction),
        inverse: JSON.stringify(applied.value.inverse),
      })
      accepted.push({ id: transactionId(transaction), revision })
      entries.push({ revision, transaction, inverse: applied.value.inverse })
    }
    await tx
      .update(plans)
      .set({ document: JSON.stringify(next), revision, format: FORMAT_VERSION })
      .where(and(eq(plans.show, show), eq(plans.id, plan)))
    await tx.update(shows).set({ updatedAt: new Date() }).where(eq(shows.id, show))
    return { outcome: 'written', revision, accepted, fresh: entries }
  })
}

export interface PlanSummary {
  readonly id: string
  readonly title: string
  readonly revision: number
  readonly basedOn: Plan['basedOn'] | null
  readonly verdict: Verdict
}

/** The plans of a show, the main one first; undefined where there is no such show. */
export async function listPlans(db: Reader, show: string): Promise<PlanSummary[] | undefined> {
  const [row] = await db
    .select({ id: shows.id })
    .from(shows)
    .where(and(eq(shows.id, show), isNull(shows.deletedAt)))
  if (!row) return undefined
  const rows = await db.select().from(plans).where(eq(plans.show, show)).orderBy(asc(plans.id))
  return rows
    .map(plan => {
      const { title, basedOn } = stored(plan.document)
      return { id: plan.id, title, revision: plan.revision, basedOn: basedOn ?? null, verdict: verdictOf(show, plan) }
    })
    .sort(mainFirst)
}

const MOST_PLANS = 100

export type Begun =
  | { readonly outcome: 'begun'; readonly id: string }
  | { readonly outcome: 'behind'; readonly revision: number }
  | { readonly outcome: 'refused'; readonly problem: Problem }
  | { readonly outcome: 'missing' }

/** Begins a plan beside another one: a copy of it as it was at `base`, with edits made to it. */
export async function beginPlan(
  db: Database,
  show: string,
  {
    title,
    from,
    base,
    edits,
  }: { readonly title: string; readonly from: string; readonly base: number; readonly edits: readonly Edit[] },
): Promise<Begun> {
  return db.transaction(async (tx): Promise<Begun> => {
    const state = await readPlan(tx, show, from)
    if (!state) return { outcome: 'missing' }
    if (state.revision !== base) return { outcome: 'behind', revision: state.revision }
    const ids = await tx.select({ id: plans.id }).from(plans).where(eq(plans.show, show))
    if (ids.length >= MOST_PLANS)
      return {
        outcome: 'refused',
        problem: { path: '/', found: `${ids.length} plans`, allowed: `at most ${MOST_PLANS} plans in a show` },
      }
    const applied = applyEdits(state.plan, [...edits, { do: 'set', at: ['title'], value: title }])
    if (!applied.ok) return { outcome: 'refused', problem: applied.problem }
    const id = freshId(title, Object.fromEntries(ids.map(plan => [plan.id, true])), Math.random)
    const document = JSON.stringify({ ...applied.value.plan, basedOn: { plan: from, revision: base } })
    await tx.insert(plans).values({ show, id, revision: 0, document, format: FORMAT_VERSION })
    await tx.insert(journal).values({ show, plan: id, revision: 0, kind: 'snapshot', content: document })
    await tx.update(shows).set({ updatedAt: new Date() }).where(eq(shows.id, show))
    return { outcome: 'begun', id }
  })
}

/** Takes a plan away for good, with its journal; false where there is none. */
export async function removePlan(db: Database, show: string, plan: string): Promise<boolean> {
  return db.transaction(async tx => {
    const gone = await tx
      .delete(plans)
      .where(and(eq(plans.show, show), eq(plans.id, plan)))
      .returning({ id: plans.id })
    await tx.delete(journal).where(and(eq(journal.show, show), eq(journal.plan, plan)))
    return gone.length > 0
  })
}
