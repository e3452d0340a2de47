import { and, eq, lt } from 'drizzle-orm'
import { FORMAT_VERSION, migratePlan, problemText } from '#core/document'
import { type Database, planColumns } from './rows'
import { journal, plans } from './schema'

/**
 * Brings plans that an older version of the program wrote up to this one, each in a transaction of its own: the plan,
 * and a snapshot in its journal under the next revision. A plan that cannot be read is left as it is and told. True where
 * there were any.
 */
export async function upgradePlans(db: Database): Promise<boolean> {
  const old = await db
    .select({ show: plans.show, id: plans.id, format: plans.format })
    .from(plans)
    .where(lt(plans.format, FORMAT_VERSION))
  for (const { show, id, format } of old) {
    await db.transaction(async tx => {
      const [row] = await tx
        .select()
        .from(plans)
        .where(and(eq(plans.show, show), eq(plans.id, id)))
      const migrated = migratePlan(JSON.parse(row!.document), format)
      if (!migrated.ok) {
        console.error(`interlumen: plan ${id} of ${show} is left in format ${format}: ${problemText(migrated.problem)}`)
        return
      }
      const columns = planColumns(migrated.value)
      const revision = row!.revision + 1
      await tx
        .update(plans)
        .set({ ...columns, revision })
        .where(and(eq(plans.show, show), eq(plans.id, id)))
      await tx.insert(journal).values({ show, plan: id, revision, kind: 'snapshot', content: columns.document })
    })
  }
  return old.length > 0
}
