import type { PgliteDatabase } from 'drizzle-orm/pglite'
import { FORMAT_VERSION, type Plan } from '#core/document'
import { type PlanRow, rowOf } from '../../judge/work'
import type * as schema from './schema'

export type Database = PgliteDatabase<typeof schema>
export type Reader = Pick<Database, 'select'>

/** The columns of a row that is written anew. Its verdict is worked out when it is first asked for. */
export const columnsOf = ({ id: _, ...row }: PlanRow) => ({ ...row, format: FORMAT_VERSION, checkedBy: null })

export const planColumns = (plan: Plan) => columnsOf(rowOf('', plan))
