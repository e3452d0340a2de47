import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { sql } from 'drizzle-orm'
import { lockFolder } from '../lock'
import type { Store } from '../port'
import { appliedIn, dumpLines, dumpToFile, loadDump, readDump } from '../safe/dump'
import {
  BadFolder,
  type Identity,
  beginFolder,
  bootId,
  missingFrom,
  readIdentity,
  settleFolder,
  writeIdentity,
} from '../safe/folder'
import { NoRoom, WriteLog, needRoom, readLog } from '../safe/log'
import { type Operation, type Recorded, perform } from './operations'
import * as planRows from './plans'
import type { Database } from './rows'
import * as schema from './schema'
import * as showRows from './shows'
import { upgradePlans } from './upgrade'
import { verifyPlans } from './verify'

export interface Settings {
  /** Names this build of the program: verdicts that another one gave are worked out anew. */
  readonly engine: string
  /** Megabytes of the disk that are kept free: with less, nothing is written. */
  readonly spareMb?: number
  /** False: writes are acknowledged before they are on the disk itself, and a power cut may lose the last of them. */
  readonly sync?: boolean
}

/** Bytes of log after which a new copy of everything is made when the folder is opened or closed. */
const LONG_LOG = 8_000_000

interface Opened {
  readonly db: Database
  readonly close: () => Promise<void>
}

/**
 * Opens (or begins) a data folder: takes its lock, makes sure that it is whole, starts the embedded database, works in
 * what the log has and the database lacks. A database that a power cut may have damaged, or that does not open, is built
 * anew from the last copy and the log; the old one is kept beside. Throws FolderInUse, BadFolder.
 */
export async function openStore(folder: string, settings: Settings): Promise<Store> {
  const root = resolve(folder)
  mkdirSync(root, { recursive: true })
  const unlock = await lockFolder(root, () => {
    console.error(`interlumen: the data folder ${root} was taken over by another process; this one ends.`)
    process.exit(1)
  })
  try {
    const identity = readIdentity(root) ?? beginFolder(root)
    const safe = join(root, 'safe')
    mkdirSync(safe, { recursive: true })
    const files = { copy: join(safe, 'copy.jsonl'), log: join(safe, 'log.jsonl') }
    const opened = await wholeDatabase(root, identity, files)
    const { db } = opened
    const log = new WriteLog(files.log, settings.sync ?? true)
    await workIn(db, readLog<Recorded>(files.log))
    const upgraded = await upgradePlans(db)
    if (!existsSync(files.copy) || upgraded || log.bytes > LONG_LOG) {
      await dumpToFile(db, files.copy)
      rmSync(files.log, { force: true })
      log.close()
      return storeOn(
        new Kept(db, new WriteLog(files.log, settings.sync ?? true), root, settings, identity),
        opened,
        unlock,
      )
    }
    return storeOn(new Kept(db, log, root, settings, identity), opened, unlock)
  } catch (error) {
    unlock()
    throw error
  }
}

/** The database as it lies there, or built anew. */
async function wholeDatabase(
  root: string,
  identity: Identity,
  files: { readonly copy: string; readonly log: string },
): Promise<Opened> {
  const path = join(root, 'postgres')
  const began = readIdentity(root) !== undefined
  const copy = readDump(files.copy)
  const anew = async (why: string): Promise<Opened> => {
    if (copy === undefined)
      throw new BadFolder(`the database in ${root} ${why}, and there is no copy of it in ${root}/safe.`)
    const aside = `${path}.aside-${new Date().toISOString().replace(/[:.]/g, '-')}`
    if (existsSync(path)) renameSync(path, aside)
    console.error(
      `interlumen: the database in ${root} ${why}: it is built anew from the copy and the log in safe, and the old one is kept as ${aside}.`,
    )
    const opened = await databaseIn(path)
    await loadDump(opened.db, copy)
    return opened
  }
  if (!began) {
    // A database that was not begun to the end is none: it takes its place when it is whole.
    if (!existsSync(path)) {
      const draft = `${path}.begun`
      rmSync(draft, { recursive: true, force: true })
      const first = await databaseIn(draft)
      await first.close()
      renameSync(draft, path)
    }
    return databaseIn(path)
  }
  const missing = missingFrom(path)
  if (missing.length) return anew(`is damaged (${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing)`)
  if (!identity.clean && identity.boot !== bootId() && copy !== undefined)
    return anew('was open when the machine stopped')
  try {
    return await databaseIn(path)
  } catch (error) {
    return anew(`does not open (${(error as Error).message.slice(0, 200)})`)
  }
}

async function databaseIn(path: string): Promise<Opened> {
  const { PGlite } = await import('@electric-sql/pglite')
  const { drizzle } = await import('drizzle-orm/pglite')
  const { migrate } = await import('drizzle-orm/pglite/migrator')
  const client = await PGlite.create(path)
  const db = drizzle(client, { schema, casing: 'snake_case' })
  const folder = migrationsFolder()
  await newerTables(db, folder)
  await migrate(db, { migrationsFolder: folder })
  return { db, close: () => client.close() }
}

/** Throws where the tables were made by more migrations than this program has. */
async function newerTables(db: Database, folder: string): Promise<void> {
  const { readMigrationFiles } = await import('drizzle-orm/migrator')
  const known = readMigrationFiles({ migrationsFolder: folder }).length
  const there = await db.execute<{ n: number }>(
    sql`select count(*)::int as n from pg_tables where schemaname = 'drizzle' and tablename = '__drizzle_migrations'`,
  )
  if (there.rows[0]!.n === 0) return
  const made = await db.execute<{ n: number }>(sql`select count(*)::int as n from drizzle.__drizzle_migrations`)
  if (made.rows[0]!.n > known)
    throw new BadFolder('the database was written by a newer version of Interlumen; it is left as it is.')
}

/** Does what the log has and the database lacks. What was refused then is refused again. */
async function workIn(db: Database, records: readonly Recorded[]): Promise<void> {
  const applied = await appliedIn(db)
  for (const record of records.filter(({ n }) => n > applied))
    try {
      await perform(db, record)
    } catch (error) {
      console.error(
        `interlumen: record ${record.n} of the log (${record.op}) does not hold: ${(error as Error).message.slice(0, 200)}`,
      )
    }
}

/** Begins a folder with what a copy holds, under a new epoch. Throws BadFolder where the folder is not empty, and BadCopy. */
export async function restoreCopy(folder: string, copy: string): Promise<void> {
  const root = resolve(folder)
  mkdirSync(root, { recursive: true })
  if (readdirSync(root).length > 0)
    throw new BadFolder(`the folder ${root} is not empty; a copy is restored into a new one.`)
  const identity = beginFolder(root)
  const opened = await databaseIn(join(root, 'postgres'))
  try {
    await loadDump(opened.db, copy)
  } catch (error) {
    await opened.close()
    rmSync(join(root, 'postgres'), { recursive: true })
    throw error
  }
  await opened.close()
  settleFolder(join(root, 'postgres'))
  writeIdentity(root, { ...identity, clean: true })
}

/** The open folder: every change is a record in the log, on the disk itself, before it is made in the database. */
class Kept {
  private queue: Promise<unknown> = Promise.resolve()
  private n = 0

  constructor(
    readonly db: Database,
    readonly log: WriteLog,
    readonly root: string,
    readonly settings: Settings,
    readonly identity: Identity,
  ) {
    writeIdentity(root, { ...identity, boot: bootId(), clean: false })
  }

  async begin(): Promise<this> {
    this.n = await appliedIn(this.db)
    return this
  }

  /** One after the other, in the order in which they are asked for. */
  change<T>(operation: () => Operation | Promise<Operation>, before?: () => Promise<T | undefined>): Promise<T> {
    const next = this.queue.then(async () => {
      const answer = await before?.()
      if (answer !== undefined) return answer
      needRoom(this.root, this.settings.spareMb ?? 64)
      const record: Recorded = { ...(await operation()), n: this.n + 1 }
      await this.log.append(record).catch((error: NodeJS.ErrnoException) => {
        throw error.code === 'ENOSPC' ? new NoRoom(0, this.settings.spareMb ?? 64) : error
      })
      this.n += 1
      return perform<T>(this.db, record)
    })
    this.queue = next.catch(() => undefined)
    return next
  }

  async close(opened: Opened): Promise<void> {
    await this.queue
    if (this.log.bytes > LONG_LOG) {
      await dumpToFile(this.db, join(this.root, 'safe', 'copy.jsonl'))
      rmSync(this.log.file, { force: true })
    }
    await opened.close()
    this.log.close()
    settleFolder(join(this.root, 'postgres'))
    writeIdentity(this.root, { ...this.identity, boot: bootId(), clean: true })
  }
}

async function storeOn(kept: Kept, opened: Opened, unlock: () => void): Promise<Store> {
  const { db, settings, identity } = await kept.begin()
  const { engine } = settings
  return {
    epoch: identity.epoch,
    listShows: binned => showRows.listShows(db, engine, binned),
    createShow: (file, seed) =>
      kept.change(async () => ({
        op: 'createShow',
        id: await showRows.freeShowId(db, file.show.title),
        file,
        ...(seed === undefined ? {} : { seed }),
      })),
    exportShow: show => showRows.exportShow(db, show),
    renameShow: (show, title) => kept.change(() => ({ op: 'renameShow', show, title })),
    binShow: show => kept.change(() => ({ op: 'binShow', show })),
    restoreShow: show => kept.change(() => ({ op: 'restoreShow', show })),
    emptyBin: now => kept.change(() => ({ op: 'emptyBin', now: now.toISOString() })),
    listPlans: show => showRows.listPlans(db, engine, show),
    beginPlan: (show, plan) =>
      kept.change(async () => ({ op: 'beginPlan', id: await planRows.freePlanId(db, show, plan.title), show, plan })),
    removePlan: (show, plan) => kept.change(() => ({ op: 'removePlan', show, plan })),
    openPlan: (show, plan, client) => planRows.openPlan(db, show, plan, client),
    journalAfter: (show, plan, revision) => planRows.journalAfter(db, show, plan, revision),
    write: (show, plan, base, transactions) =>
      kept.change(
        () => ({ op: 'write', show, plan, base, transactions }),
        () => planRows.unwritten(db, show, plan, base, transactions),
      ),
    copyLines: take => dumpLines(db, take),
    verify: () => verifyPlans(db),
    close: async () => {
      await kept.close(opened)
      unlock()
    },
  }
}

/** Beside the built server's entry, or in the sources. */
function migrationsFolder(): string {
  return besideEntry('migrations') ?? fileURLToPath(new URL('./migrations', import.meta.url))
}

/** A folder that the build put beside the server's entry; undefined when not running from a build. */
export function besideEntry(name: string): string | undefined {
  const path = join(dirname(process.argv[1] ?? ''), name)
  return existsSync(path) ? path : undefined
}
