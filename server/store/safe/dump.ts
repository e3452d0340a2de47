import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs'
import { dirname } from 'node:path'
import { and, eq, sql } from 'drizzle-orm'
import type { Database } from '../pglite/rows'
import { journal, marks, plans, shows } from '../pglite/schema'
import { settleEntry } from './log'
import { hashOf } from './pictures'

/** First line of a copy of everything. */
export interface DumpHead {
  readonly interlumen: 'copy'
  readonly version: 1
  readonly at: string
  /** The record of the log that the copy holds as its last. */
  readonly applied: number
}

const TABLES = { shows, plans, journal } as const
type TableName = keyof typeof TABLES

/** How far the log is worked in. */
export async function appliedIn(db: Pick<Database, 'select'>): Promise<number> {
  const [row] = await db.select().from(marks)
  return row?.applied ?? 0
}

/** Everything that is kept, as lines of JSON: a head, then a row a line. Consistent: it is read in one transaction. */
async function dumpLines(db: Database, take: (line: string) => void): Promise<void> {
  await db.transaction(async tx => {
    const head: DumpHead = {
      interlumen: 'copy',
      version: 1,
      at: new Date().toISOString(),
      applied: await appliedIn(tx as unknown as Database),
    }
    take(JSON.stringify(head))
    for (const [name, table] of Object.entries(TABLES))
      for (const row of await tx.select().from(table)) take(JSON.stringify({ in: name, row }))
  })
}

/**
 * The same while others write: each plan is taken with its journal in one moment, and between two of them whoever waits
 * has his turn. Shows hold together by themselves, so that the copy is one that the folder could have been.
 */
export async function dumpLive(db: Database, take: (line: string) => void): Promise<void> {
  const line = (name: TableName, row: unknown) => take(JSON.stringify({ in: name, row }))
  const head: DumpHead = {
    interlumen: 'copy',
    version: 1,
    at: new Date().toISOString(),
    applied: await appliedIn(db),
  }
  take(JSON.stringify(head))
  const begun = await db.select().from(shows)
  for (const row of begun) line('shows', row)
  for (const { id: show } of begun) {
    for (const { id: plan } of await db.select({ id: plans.id }).from(plans).where(eq(plans.show, show))) {
      const [rows, entries] = await db.transaction(async tx => [
        await tx
          .select()
          .from(plans)
          .where(and(eq(plans.show, show), eq(plans.id, plan))),
        await tx
          .select()
          .from(journal)
          .where(and(eq(journal.show, show), eq(journal.plan, plan))),
      ])
      for (const row of rows) line('plans', row)
      if (rows.length) for (const row of entries) line('journal', row)
      await new Promise(resolve => setImmediate(resolve))
    }
  }
}

/** Writes a copy beside the one that is there, and puts it in its place once it is on the disk. */
export async function dumpToFile(db: Database, file: string): Promise<void> {
  const draft = `${file}.draft`
  const fd = openSync(draft, 'w')
  try {
    await dumpLines(db, line => writeSync(fd, `${line}\n`))
    fsyncSync(fd)
  } finally {
    closeSync(fd)
  }
  renameSync(draft, file)
  settleEntry(dirname(file))
}

export class BadCopy extends Error {}

/** A picture as a line of a copy. */
export const pictureLine = (bytes: Uint8Array): string =>
  JSON.stringify({ in: 'pictures', row: { hash: hashOf(bytes), png: Buffer.from(bytes).toString('base64') } })

function pictureOf(row: Record<string, unknown>, n: number): Uint8Array {
  const bytes = Buffer.from(typeof row.png === 'string' ? row.png : '', 'base64')
  if (hashOf(bytes) !== row.hash) throw new BadCopy(`line ${n + 1}: a picture is not what its hash says`)
  return bytes
}

/**
 * Reads a copy into empty tables, all or nothing, and gives its pictures to `keep`. Throws BadCopy where it is none, or
 * was cut off in a line.
 */
export async function loadDump(
  db: Database,
  text: string,
  keep: (picture: Uint8Array) => void = () => undefined,
): Promise<DumpHead> {
  const lines = text.split('\n').filter(Boolean)
  const read = (line: string, n: number): unknown => {
    try {
      return JSON.parse(line)
    } catch {
      throw new BadCopy(`line ${n + 1} is no JSON: the copy is cut off or damaged`)
    }
  }
  const head = read(lines[0] ?? '', 0) as DumpHead
  if (head?.interlumen !== 'copy' || head.version !== 1)
    throw new BadCopy('this is no copy of Interlumen\u2019s data, or one of a newer version')
  await db.transaction(async tx => {
    for (const [n, line] of lines.slice(1).entries()) {
      const { in: name, row } = read(line, n + 1) as { in: TableName | 'pictures'; row: Record<string, unknown> }
      if (name === 'pictures') {
        keep(pictureOf(row, n + 1))
        continue
      }
      const table = Object.hasOwn(TABLES, name) ? TABLES[name] : undefined
      if (!table)
        throw new BadCopy(`line ${n + 2}: found ${JSON.stringify(name)}; allowed: ${Object.keys(TABLES).join(', ')}`)
      const dates = ['createdAt', 'updatedAt', 'deletedAt', 'at'].filter(key => typeof row[key] === 'string')
      const values = { ...row, ...Object.fromEntries(dates.map(key => [key, new Date(row[key] as string)])) }
      await tx.insert(table).values(values as never)
    }
    await tx
      .insert(marks)
      .values({ id: 1, applied: head.applied })
      .onConflictDoUpdate({ target: marks.id, set: { applied: sql`excluded.applied` } })
  })
  return head
}

export const readDump = (file: string): string | undefined =>
  existsSync(file) ? readFileSync(file, 'utf8') : undefined
