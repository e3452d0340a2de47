import { sql } from 'drizzle-orm'
import type { ShowFile, Transaction } from '#core/document'
import { type PlanRow, rowOf } from '../../judge/work'
import type { Beginning } from '../port'
import * as planRows from './plans'
import type { Database } from './rows'
import { marks } from './schema'
import * as showRows from './shows'

/** Everything that changes what is kept, as a record of the log: done again on the same state, it does the same. */
export type Operation =
  /** As logs of before had it. */
  | { readonly op: 'createShow'; readonly id: string; readonly file: ShowFile; readonly seed?: string }
  | {
      readonly op: 'bringIn'
      readonly id: string
      readonly title: string
      readonly rows: readonly PlanRow[]
      readonly seed?: string
      /** Not all of its plans: it shows when `reveal` says so. */
      readonly more?: true
    }
  | { readonly op: 'addRow'; readonly show: string; readonly row: PlanRow }
  | { readonly op: 'reveal'; readonly show: string }
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

function done(db: Database, record: Operation, ready?: planRows.Ready): Promise<unknown> {
  switch (record.op) {
    case 'createShow':
      return showRows.createShow(db, {
        id: record.id,
        title: record.file.show.title,
        rows: Object.entries(record.file.plans).map(([id, plan]) => rowOf(id, plan)),
        ...(record.seed === undefined ? {} : { seed: record.seed }),
      })
    case 'bringIn':
      return showRows.createShow(db, record)
    case 'addRow':
      return showRows.addRow(db, record.show, record.row)
    case 'reveal':
      return showRows.restoreShow(db, record.show)
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
      return planRows.write(db, record.show, record.plan, record.base, record.transactions, ready)
  }
}

/** Does what a record says, and notes in the same transaction that it is done. */
export function perform<T>(db: Database, { n, ...record }: Recorded, ready?: planRows.Ready): Promise<T> {
  return db.transaction(async tx => {
    const result = (await done(tx as unknown as Database, record as Operation, ready)) as T
    await tx
      .insert(marks)
      .values({ id: 1, applied: n })
      .onConflictDoUpdate({ target: marks.id, set: { applied: sql`excluded.applied` } })
    return result
  })
}
