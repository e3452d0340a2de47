import { and, desc, eq, gt, inArray, isNull, max } from 'drizzle-orm'
import { type Edit, type Problem, type Transaction, applyEdits, freshId, transactionId } from '#core/document'
import type { JournalAnswer, JournalEntry, PlanState } from '#shared/api'
import { type Begun, type Beginning, MOST_PLANS, type Written } from '../port'
import { stored, transact } from '../../judge/work'
import { type Database, type Reader, columnsOf, planColumns } from './rows'
import { journal, plans, shows } from './schema'

/** How many of a client's own transactions come back for undo. */
const UNDO_DEPTH = 200

const here = (show: string, plan: string) => and(eq(plans.show, show), eq(plans.id, plan))

async function readPlan(db: Reader, show: string, plan: string) {
  const [row] = await db
    .select({ id: plans.id, revision: plans.revision, document: plans.document, title: shows.title })
    .from(plans)
    .innerJoin(shows, eq(shows.id, plans.show))
    .where(and(here(show, plan), isNull(shows.deletedAt)))
  return row && { show: { id: show, title: row.title }, id: row.id, revision: row.revision, plan: stored(row.document) }
}

async function readJournal(
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

/** What made a revision: the id of a transaction, or a snapshot. */
async function headAt(db: Reader, show: string, plan: string, revision: number): Promise<string | undefined> {
  const [row] = await db
    .select({ kind: journal.kind, client: journal.client, seq: journal.seq })
    .from(journal)
    .where(and(eq(journal.show, show), eq(journal.plan, plan), eq(journal.revision, revision)))
  return row && (row.kind === 'snapshot' ? 'snapshot' : transactionId({ client: row.client!, seq: row.seq! }))
}

async function lastSeq(db: Reader, show: string, plan: string, client: string): Promise<number> {
  const [row] = await db
    .select({ seq: max(journal.seq) })
    .from(journal)
    .where(and(eq(journal.show, show), eq(journal.plan, plan), eq(journal.client, client)))
  return row?.seq ?? 0
}

/** The revision of the newest snapshot: what lies before it was written in the words of an older version. */
async function lastSnapshot(db: Reader, show: string, plan: string): Promise<number> {
  const [row] = await db
    .select({ revision: max(journal.revision) })
    .from(journal)
    .where(and(eq(journal.show, show), eq(journal.plan, plan), eq(journal.kind, 'snapshot')))
  return row?.revision ?? 0
}

export async function openPlan(
  db: Database,
  show: string,
  plan: string,
  client: string | undefined,
): Promise<PlanState | undefined> {
  return db.transaction(async tx => {
    const state = await readPlan(tx, show, plan)
    if (!state) return undefined
    const head = await headAt(tx, show, plan, state.revision)
    const told = { ...state, ...(head === undefined ? {} : { head }) }
    if (client === undefined) return { ...told, mine: [], lastSeq: 0 }
    const since = await lastSnapshot(tx, show, plan)
    return {
      ...told,
      mine: await readJournal(tx, show, plan, since, { client, last: UNDO_DEPTH }),
      lastSeq: await lastSeq(tx, show, plan, client),
    }
  })
}

export async function journalAfter(
  db: Database,
  show: string,
  plan: string,
  revision: number,
): Promise<JournalAnswer | undefined> {
  return db.transaction(async tx => {
    // Of the plan the revision alone: where its document is damaged, its journal can still be read.
    const [row] = await tx
      .select({ revision: plans.revision })
      .from(plans)
      .innerJoin(shows, eq(shows.id, plans.show))
      .where(and(here(show, plan), isNull(shows.deletedAt)))
    const head = row && (await headAt(tx, show, plan, revision))
    return (
      row && {
        revision: row.revision,
        entries: await readJournal(tx, show, plan, revision),
        ...(head === undefined ? {} : { head }),
      }
    )
  })
}

/** The author is the server's word for who it is, so a retry may carry another. */
const said = ({ who: _, ...transaction }: Transaction): string => JSON.stringify(transaction)

interface Known {
  readonly accepted: { readonly id: string; readonly revision: number }[]
  readonly fresh: readonly Transaction[]
}

/** Parts what the journal has already from what is new. */
async function known(
  db: Reader,
  show: string,
  plan: string,
  transactions: readonly Transaction[],
): Promise<Known | Problem> {
  const rows = await db
    .select({ revision: journal.revision, content: journal.content })
    .from(journal)
    .where(
      and(
        eq(journal.show, show),
        eq(journal.plan, plan),
        inArray(
          journal.seq,
          transactions.map(({ seq }) => seq),
        ),
      ),
    )
  const there = new Map(
    rows.map(({ revision, content }) => {
      const transaction = JSON.parse(content) as Transaction
      return [transactionId(transaction), { revision, transaction }]
    }),
  )
  const accepted: { id: string; revision: number }[] = []
  const fresh: Transaction[] = []
  for (const transaction of transactions) {
    const id = transactionId(transaction)
    const entry = there.get(id)
    if (!entry) fresh.push(transaction)
    else if (said(entry.transaction) === said(transaction)) accepted.push({ id, revision: entry.revision })
    else
      return {
        path: '/transactions',
        found: `${id} with other edits than were written under it`,
        allowed: 'a sequence number that was not used, or the same transaction again',
      }
  }
  return { accepted, fresh }
}

/** The answer to a write that changes nothing, for whom nothing need be put in the log; undefined for all others. */
export async function unwritten(
  db: Database,
  show: string,
  plan: string,
  base: number,
  transactions: readonly Transaction[],
  head: string | undefined,
): Promise<Written | undefined> {
  return db.transaction(async (tx): Promise<Written | undefined> => {
    const [row] = await tx
      .select({ revision: plans.revision })
      .from(plans)
      .innerJoin(shows, eq(shows.id, plans.show))
      .where(and(here(show, plan), isNull(shows.deletedAt)))
    if (!row) return { outcome: 'missing' }
    if (base > row.revision) return { outcome: 'ahead' }
    // The same number for another state: an older folder was put here, and written since.
    if (head !== undefined && (await headAt(tx, show, plan, base)) !== head) return { outcome: 'ahead' }
    if (base === row.revision) return undefined
    const parted = await known(tx, show, plan, transactions)
    if ('path' in parted || parted.fresh.length < transactions.length) return undefined
    return { outcome: 'behind', revision: row.revision, newer: await readJournal(tx, show, plan, base) }
  })
}

/** What transactions come to on a revision of the plan, worked out before it was their turn. */
export interface Ready {
  readonly base: number
  readonly made: ReturnType<typeof transact>
}

/** The document of a plan while it is at a revision. */
export async function documentAt(
  db: Reader,
  show: string,
  plan: string,
  revision: number,
): Promise<string | undefined> {
  const [row] = await db
    .select({ document: plans.document })
    .from(plans)
    .where(and(here(show, plan), eq(plans.revision, revision)))
  return row?.document
}

export async function write(
  db: Database,
  show: string,
  plan: string,
  base: number,
  transactions: readonly Transaction[],
  ready?: Ready,
): Promise<Written> {
  return db.transaction(async (tx): Promise<Written> => {
    const state = await readPlan(tx, show, plan)
    if (!state) return { outcome: 'missing' }
    const parted = await known(tx, show, plan, transactions)
    if ('path' in parted) return { outcome: 'refused', problem: parted }
    const { accepted, fresh } = parted
    if (fresh.length === 0) return { outcome: 'written', revision: state.revision, accepted, fresh: [] }
    const behind = async (): Promise<Written> => ({
      outcome: 'behind',
      revision: (await readPlan(tx, show, plan))!.revision,
      newer: await readJournal(tx, show, plan, base),
    })
    // Whoever is ahead of what is kept here made it on a state that is gone.
    if (base > state.revision) return { outcome: 'ahead' }
    if (base !== state.revision) return behind()
    const made =
      ready && ready.base === base && fresh.length === transactions.length
        ? ready.made
        : transact(state.plan, base, fresh)
    if ('path' in made) return { outcome: 'refused', problem: made }
    const revision = base + fresh.length
    // The revision is asked for where it is set: of two writers on one base, one finds nothing to set.
    const set = await tx
      .update(plans)
      .set({ ...columnsOf(made.row), revision })
      .where(and(here(show, plan), eq(plans.revision, base)))
      .returning({ id: plans.id })
    if (set.length === 0) return behind()
    await tx.insert(journal).values(
      made.entries.map(entry => ({
        show,
        plan,
        revision: entry.revision,
        kind: 'transaction',
        client: entry.transaction.client,
        seq: entry.transaction.seq,
        title: entry.transaction.title,
        content: JSON.stringify(entry.transaction),
        inverse: JSON.stringify(entry.inverse),
      })),
    )
    await tx.update(shows).set({ updatedAt: new Date() }).where(eq(shows.id, show))
    const news = made.entries.map(entry => ({ id: transactionId(entry.transaction), revision: entry.revision }))
    return { outcome: 'written', revision, accepted: [...accepted, ...news], fresh: made.entries }
  })
}

/** An id for a plan of that title that no plan of the show has. */
export async function freePlanId(db: Database, show: string, title: string): Promise<string> {
  const ids = await db.select({ id: plans.id }).from(plans).where(eq(plans.show, show))
  return freshId(title, Object.fromEntries(ids.map(plan => [plan.id, true])), Math.random)
}

export async function beginPlan(
  db: Database,
  id: string,
  show: string,
  { title, from, base, edits }: Beginning,
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
    const outcome = applyEdits(state.plan, [...edits, { do: 'set', at: ['title'], value: title }])
    if (!outcome.ok) return { outcome: 'refused', problem: outcome.problem }
    const columns = planColumns({ ...outcome.value.plan, basedOn: { plan: from, revision: base } })
    await tx.insert(plans).values({ show, id, revision: 0, ...columns })
    await tx.insert(journal).values({ show, plan: id, revision: 0, kind: 'snapshot', content: columns.document })
    await tx.update(shows).set({ updatedAt: new Date() }).where(eq(shows.id, show))
    return { outcome: 'begun', id }
  })
}

export async function removePlan(db: Database, show: string, plan: string): Promise<boolean> {
  return db.transaction(async tx => {
    const gone = await tx.delete(plans).where(here(show, plan)).returning({ id: plans.id })
    await tx.delete(journal).where(and(eq(journal.show, show), eq(journal.plan, plan)))
    return gone.length > 0
  })
}
