import type { PgliteDatabase } from 'drizzle-orm/pglite'
import { FORMAT_VERSION, type Plan, completePlan } from '#core/document'
import type * as schema from './schema'

export type Database = PgliteDatabase<typeof schema>
export type Reader = Pick<Database, 'select'>

/** A plan as it is kept; one from before a collection existed has it empty. */
export const stored = (document: string): Plan => completePlan(JSON.parse(document) as Plan)

/** The columns of a plan's row that follow from the plan. Its verdict is worked out when it is first asked for. */
export const planColumns = (plan: Plan) => ({
  document: JSON.stringify(plan),
  format: FORMAT_VERSION,
  title: plan.title,
  basedOn: plan.basedOn ? JSON.stringify(plan.basedOn) : null,
  checkedBy: null,
})
