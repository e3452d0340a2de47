import { and, asc, desc, eq, gt, inArray, isNull, lt } from 'drizzle-orm'
import { type Plan, freshId } from '#core/document'
import type { Verdict } from '#core/kernel'
import type { PlanSummary, ShowSummary } from '#shared/api'
import { BIN_DAYS, MAIN } from '../port'
import type { Judge } from '../../judge'
import type { PlanRow } from '../../judge/work'
import { type Database, columnsOf } from './rows'
import { journal, plans, shows } from './schema'

/** What lists show of a plan. It stands in the row, and is worked out anew where the plan or the program has changed. */
const SUMMARY = {
  show: plans.show,
  id: plans.id,
  revision: plans.revision,
  title: plans.title,
  basedOn: plans.basedOn,
  verdict: plans.verdict,
  checkedBy: plans.checkedBy,
}

/** Who checks a plan for its list, and under which name of the program. */
export interface Judging {
  readonly engine: string
  readonly judge: Judge
  /** Plans that are being checked, so that many who ask for one list wait for one check. */
  readonly checking: Map<string, Promise<SummaryRow | undefined>>
}

async function summaries(
  db: Database,
  judging: Judging,
  ofShows: readonly string[],
): Promise<Map<string, PlanSummary[]>> {
  const rows = ofShows.length
    ? await db
        .select(SUMMARY)
        .from(plans)
        .where(inArray(plans.show, [...ofShows]))
        .orderBy(asc(plans.id))
    : []
  const byShow = new Map<string, PlanSummary[]>()
  for (const row of rows) {
    const summary = await summaryFor(db, judging, row)
    if (summary) byShow.set(row.show, [...(byShow.get(row.show) ?? []), summary])
  }
  for (const list of byShow.values()) list.sort((a, b) => Number(b.id === MAIN) - Number(a.id === MAIN))
  return byShow
}

const NOTHING: Verdict = { arrive: 0, wanted: 0, H: 0, D: 0, R: 0, Q: 0, N: 0 }

/** One plan that cannot be read is told as that, and takes no other with it. */
async function summaryFor(db: Database, judging: Judging, row: SummaryRow): Promise<PlanSummary | undefined> {
  try {
    const current = row.checkedBy === judging.engine ? row : await summarised(db, judging, row)
    return current && summaryOf(current)
  } catch (error) {
    console.error(`interlumen: plan ${row.id} of ${row.show} cannot be read: ${(error as Error).message.slice(0, 200)}`)
    const { id, title, revision } = row
    return { id, title: title || id, revision, basedOn: null, verdict: NOTHING, damaged: true }
  }
}

type SummaryRow = { [K in keyof typeof SUMMARY]: (typeof SUMMARY)[K]['_']['data'] | null } & {
  show: string
  id: string
  revision: number
  title: string
}

const summaryOf = ({ id, title, revision, basedOn, verdict }: SummaryRow): PlanSummary => ({
  id,
  title,
  revision,
  basedOn: basedOn ? (JSON.parse(basedOn) as Plan['basedOn'])! : null,
  verdict: JSON.parse(verdict!) as Verdict,
})

function summarised(db: Database, judging: Judging, row: SummaryRow): Promise<SummaryRow | undefined> {
  const key = `${row.show}/${row.id}/${row.revision}`
  const found = judging.checking.get(key) ?? judged(db, judging, row).finally(() => judging.checking.delete(key))
  judging.checking.set(key, found)
  return found
}

/** Checks a plan for its list, and keeps the verdict in its row while the row is at that revision. */
async function judged(
  db: Database,
  { engine, judge }: Judging,
  { show, id }: Pick<SummaryRow, 'show' | 'id'>,
): Promise<SummaryRow | undefined> {
  const [row] = await db
    .select()
    .from(plans)
    .where(and(eq(plans.show, show), eq(plans.id, id)))
  if (!row) return undefined
  const { title, basedOn, verdict } = await judge.summary(row.document)
  const found = { title, basedOn, verdict: JSON.stringify(verdict), checkedBy: engine }
  await db
    .update(plans)
    .set(found)
    .where(and(eq(plans.show, show), eq(plans.id, id), eq(plans.revision, row.revision)))
  return { ...row, ...found }
}

export async function listShows(db: Database, judging: Judging, binned: boolean): Promise<ShowSummary[]> {
  const rows = await db
    .select()
    .from(shows)
    .where(binned ? gt(shows.deletedAt, BEING_BROUGHT_IN) : isNull(shows.deletedAt))
    .orderBy(desc(shows.updatedAt), asc(shows.id))
  const found = await summaries(
    db,
    judging,
    rows.map(({ id }) => id),
  )
  return rows.map(({ id, title, updatedAt, deletedAt }) => ({
    id,
    title,
    updatedAt: updatedAt.toISOString(),
    deletedAt: deletedAt?.toISOString() ?? null,
    plans: found.get(id) ?? [],
  }))
}

export async function listPlans(db: Database, judging: Judging, show: string): Promise<PlanSummary[] | undefined> {
  const [row] = await db
    .select({ id: shows.id })
    .from(shows)
    .where(and(eq(shows.id, show), isNull(shows.deletedAt)))
  return row && ((await summaries(db, judging, [show])).get(show) ?? [])
}

/** An id for a show of that title that no show has. */
export async function freeShowId(db: Database, title: string): Promise<string> {
  const taken = Object.fromEntries((await db.select({ id: shows.id }).from(shows)).map(({ id }) => [id, true]))
  return freshId(title, taken, Math.random)
}

/** A show that is still brought in lies in the bin since then: no list has it, and no age of the bin. */
const BEING_BROUGHT_IN = new Date(0)

/** Puts a show in with its first plans; `more` keeps it hidden until all are there. */
export async function createShow(
  db: Database,
  { id, title, rows, seed, more }: { id: string; title: string; rows: readonly PlanRow[]; seed?: string; more?: true },
): Promise<string | undefined> {
  return db.transaction(async tx => {
    if (seed !== undefined && (await tx.select({ id: shows.id }).from(shows).where(eq(shows.seed, seed))).length > 0)
      return undefined
    const hidden = more ? { deletedAt: BEING_BROUGHT_IN } : {}
    await tx.insert(shows).values({ id, title, ...hidden, ...(seed === undefined ? {} : { seed }) })
    for (const row of rows) await addRow(tx as unknown as Database, id, row)
    return id
  })
}

export async function addRow(db: Database, show: string, row: PlanRow): Promise<void> {
  await db.insert(plans).values({ show, id: row.id, revision: 0, ...columnsOf(row) })
  await db.insert(journal).values({ show, plan: row.id, revision: 0, kind: 'snapshot', content: row.document })
}

/** What was being brought in when the server ended was never acknowledged. */
export async function dropHalf(db: Database): Promise<void> {
  await db.transaction(async tx => {
    const gone = await tx.delete(shows).where(eq(shows.deletedAt, BEING_BROUGHT_IN)).returning(ID)
    for (const { id } of gone) await tx.delete(journal).where(eq(journal.show, id))
  })
}

/** A show and its plans as they are kept. */
export async function showRows(
  db: Database,
  id: string,
): Promise<{ readonly title: string; readonly rows: readonly Pick<PlanRow, 'id' | 'document'>[] } | undefined> {
  const [row] = await db.select().from(shows).where(eq(shows.id, id))
  if (!row) return undefined
  const rows = await db.select({ id: plans.id, document: plans.document }).from(plans).where(eq(plans.show, id))
  return { title: row.title, rows }
}

const ID = { id: shows.id }

export async function renameShow(db: Database, id: string, title: string): Promise<boolean> {
  const there = and(eq(shows.id, id), isNull(shows.deletedAt))
  return (await db.update(shows).set({ title, updatedAt: new Date() }).where(there).returning(ID)).length > 0
}

export async function binShow(db: Database, id: string): Promise<boolean> {
  const there = and(eq(shows.id, id), isNull(shows.deletedAt))
  return (await db.update(shows).set({ deletedAt: new Date() }).where(there).returning(ID)).length > 0
}

export async function restoreShow(db: Database, id: string): Promise<boolean> {
  return (await db.update(shows).set({ deletedAt: null }).where(eq(shows.id, id)).returning(ID)).length > 0
}

export async function emptyBin(db: Database, now: Date): Promise<void> {
  const before = new Date(now.getTime() - BIN_DAYS * 86_400_000)
  await db.transaction(async tx => {
    const gone = await tx
      .delete(shows)
      .where(and(lt(shows.deletedAt, before), gt(shows.deletedAt, BEING_BROUGHT_IN)))
      .returning(ID)
    for (const { id } of gone) await tx.delete(journal).where(eq(journal.show, id))
  })
}
