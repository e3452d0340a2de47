import { and, asc, eq } from 'drizzle-orm'
import { type Plan, type Transaction, applyEdits, canonicalPlan, completePlan } from '#core/document'
import type { Database } from './rows'
import { journal, plans } from './schema'

/** A plan whose document is not what its journal leads to. */
export interface Difference {
  readonly show: string
  readonly plan: string
  readonly what: string
}

/** Holds every plan against its journal: the last snapshot with every transaction since must give the very document. */
export async function verifyPlans(db: Database): Promise<Difference[]> {
  const found: Difference[] = []
  for (const { show, id } of await db.select({ show: plans.show, id: plans.id }).from(plans)) {
    const what = await differs(db, show, id)
    if (what) found.push({ show, plan: id, what })
    // Whoever waits for an answer goes first.
    await new Promise(resolve => setImmediate(resolve))
  }
  return found
}

async function differs(db: Database, show: string, plan: string): Promise<string | undefined> {
  const [row] = await db
    .select()
    .from(plans)
    .where(and(eq(plans.show, show), eq(plans.id, plan)))
  const entries = await db
    .select()
    .from(journal)
    .where(and(eq(journal.show, show), eq(journal.plan, plan)))
    .orderBy(asc(journal.revision))
  if (!row) return undefined
  try {
    const from = entries.findLastIndex(({ kind }) => kind === 'snapshot')
    if (from < 0) return 'its journal has no beginning'
    let document = completePlan(JSON.parse(entries[from]!.content) as Plan)
    for (const entry of entries.slice(from + 1)) {
      const applied = applyEdits(document, (JSON.parse(entry.content) as Transaction).edits)
      if (!applied.ok) return `revision ${entry.revision} does not hold: ${applied.problem.path}`
      document = applied.value.plan
    }
    const last = entries.at(-1)!.revision
    if (last !== row.revision) return `it is at revision ${row.revision}, and its journal ends at ${last}`
    const same = canonicalPlan(document) === canonicalPlan(completePlan(JSON.parse(row.document) as Plan))
    return same ? undefined : 'its document is not what its journal leads to'
  } catch (error) {
    return `it cannot be read (${(error as Error).message.slice(0, 120)})`
  }
}
