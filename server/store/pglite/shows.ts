import { and, asc, desc, eq, inArray, isNotNull, isNull, lt } from 'drizzle-orm'
import { FORMAT_VERSION, type Plan, type ShowFile, freshId } from '#core/document'
import { check } from '#core/features'
import type { Verdict } from '#core/kernel'
import type { PlanSummary, ShowSummary } from '#shared/api'
import { BIN_DAYS, MAIN } from '../port'
import { type Database, planColumns, stored } from './rows'
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

async function summaries(
  db: Database,
  engine: string,
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
    const summary = await summaryFor(db, engine, row)
    if (summary) byShow.set(row.show, [...(byShow.get(row.show) ?? []), summary])
  }
  for (const list of byShow.values()) list.sort((a, b) => Number(b.id === MAIN) - Number(a.id === MAIN))
  return byShow
}

const NOTHING: Verdict = { arrive: 0, wanted: 0, H: 0, D: 0, R: 0, Q: 0, N: 0 }

/** One plan that cannot be read is told as that, and takes no other with it. */
async function summaryFor(db: Database, engine: string, row: SummaryRow): Promise<PlanSummary | undefined> {
  try {
    const current = row.checkedBy === engine ? row : await summarised(db, engine, row)
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

/** Checks a plan for its list, and keeps the verdict in its row while the row is at that revision. */
async function summarised(
  db: Database,
  engine: string,
  { show, id }: Pick<SummaryRow, 'show' | 'id'>,
): Promise<SummaryRow | undefined> {
  const [row] = await db
    .select()
    .from(plans)
    .where(and(eq(plans.show, show), eq(plans.id, id)))
  if (!row) return undefined
  const plan = stored(row.document)
  const { title, basedOn } = planColumns(plan)
  const found = { title, basedOn, verdict: JSON.stringify(check(plan).verdict), checkedBy: engine }
  await db
    .update(plans)
    .set(found)
    .where(and(eq(plans.show, show), eq(plans.id, id), eq(plans.revision, row.revision)))
  return { ...row, ...found }
}

export async function listShows(db: Database, engine: string, binned: boolean): Promise<ShowSummary[]> {
  const rows = await db
    .select()
    .from(shows)
    .where(binned ? isNotNull(shows.deletedAt) : isNull(shows.deletedAt))
    .orderBy(desc(shows.updatedAt), asc(shows.id))
  const found = await summaries(
    db,
    engine,
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

export async function listPlans(db: Database, engine: string, show: string): Promise<PlanSummary[] | undefined> {
  const [row] = await db
    .select({ id: shows.id })
    .from(shows)
    .where(and(eq(shows.id, show), isNull(shows.deletedAt)))
  return row && ((await summaries(db, engine, [show])).get(show) ?? [])
}

/** An id for a show of that title that no show has. */
export async function freeShowId(db: Database, title: string): Promise<string> {
  const taken = Object.fromEntries((await db.select({ id: shows.id }).from(shows)).map(({ id }) => [id, true]))
  return freshId(title, taken, Math.random)
}

export async function createShow(db: Database, id: string, file: ShowFile, seed?: string): Promise<string | undefined> {
  return db.transaction(async tx => {
    if (seed !== undefined && (await tx.select({ id: shows.id }).from(shows).where(eq(shows.seed, seed))).length > 0)
      return undefined
    await tx.insert(shows).values({ id, title: file.show.title, ...(seed === undefined ? {} : { seed }) })
    for (const [planId, plan] of Object.entries(file.plans)) {
      const columns = planColumns(plan)
      await tx.insert(plans).values({ show: id, id: planId, revision: 0, ...columns })
      await tx
        .insert(journal)
        .values({ show: id, plan: planId, revision: 0, kind: 'snapshot', content: columns.document })
    }
    return id
  })
}

export async function exportShow(db: Database, id: string): Promise<ShowFile | undefined> {
  const [row] = await db.select().from(shows).where(eq(shows.id, id))
  if (!row) return undefined
  const planRows = await db.select().from(plans).where(eq(plans.show, id))
  const ids = new Set(planRows.map(plan => plan.id))
  return {
    format: FORMAT_VERSION,
    show: { title: row.title },
    plans: Object.fromEntries(planRows.map(plan => [plan.id, standing(stored(plan.document), ids)])),
  }
}

/** A plan whose base was taken away is based on nothing. */
function standing(plan: Plan, ids: ReadonlySet<string>): Plan {
  const { basedOn, ...rest } = plan
  return basedOn && ids.has(basedOn.plan) ? plan : rest
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
    const gone = await tx.delete(shows).where(lt(shows.deletedAt, before)).returning(ID)
    for (const { id } of gone) await tx.delete(journal).where(eq(journal.show, id))
  })
}
