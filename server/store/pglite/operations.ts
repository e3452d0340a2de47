import { sql } from 'drizzle-orm'
import type { ShowFile, Transaction } from '#core/document'
import type { Beginning } from '../port'
import * as planRows from './plans'
import type { Database } from './rows'
import { marks } from './schema'
import * as showRows from './shows'

/** Everything that changes what is kept, as a record of the log: done again on the same state, it does the same. */
export type Operation =
  | { readonly op: 'createShow'; readonly id: string; readonly file: ShowFile; readonly seed?: string }
  | { readonly op: 'renameShow'; readonly show: string; readonly title: string }
  | { readonly op: 'binShow' | 'restoreShow'; readonly show: string }
  | { readonly op: 'emptyBin'; readonly now: string }
  | { readonly op: 'beginPlan'; readonly id: string; readonly show: string; readonly plan: Beginning }
  | { readonly op: 'removePlan'; readonly show: string; readonly plan: string }
  | {
      readonly op: 'write'
      readonly show: string
      readonly plan: string
      readonly base: number
      readonly transactions: readonly Transaction[]
    }

export type Recorded = Operation & { readonly n: number }

function done(db: Database, record: Operation): Promise<unknown> {
  switch (record.op) {
    case 'createShow':
      return showRows.createShow(db, record.id, record.file, record.seed)
    case 'renameShow':
      return showRows.renameShow(db, record.show, record.title)
    case 'binShow':
      return showRows.binShow(db, record.show)
    case 'restoreShow':
      return showRows.restoreShow(db, record.show)
    case 'emptyBin':
      return showRows.emptyBin(db, new Date(record.now))
    case 'beginPlan':
      return planRows.beginPlan(db, record.id, record.show, record.plan)
    case 'removePlan':
      return planRows.removePlan(db, record.show, record.plan)
    case 'write':
      return planRows.write(db, record.show, record.plan, record.base, record.transactions)
  }
}

/** Does what a record says, and notes in the same transaction that it is done. */
export function perform<T>(db: Database, { n, ...record }: Recorded): Promise<T> {
  return db.transaction(async tx => {
    const result = (await done(tx as unknown as Database, record as Operation)) as T
    await tx
      .insert(marks)
      .values({ id: 1, applied: n })
      .onConflictDoUpdate({ target: marks.id, set: { applied: sql`excluded.applied` } })
    return result
  })
}
