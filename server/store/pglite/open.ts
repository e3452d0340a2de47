import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import { sql } from 'drizzle-orm'
import type { Transaction } from '#core/document'
import type { Judged } from '#core/features/board'
import { HERE, type Judge } from '../../judge'
import { type PlanRow, rowOf } from '../../judge/work'
import { lockFolder } from '../lock'
import type { Store } from '../port'
import { appliedIn, dumpLive, dumpToFile, loadDump, pictureLine, readDump } from '../safe/dump'
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
import { Pictures } from '../safe/pictures'
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
  /** Works out what takes long; absent, the thread that asks does. */
  readonly judge?: Judge
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
  const pictures = new Pictures(root)
  try {
    await loadDump(opened.db, copy, bytes => pictures.put(bytes))
  } catch (error) {
    await opened.close()
    for (const name of ['postgres', 'pictures']) rmSync(join(root, name), { recursive: true, force: true })
    throw error
  }
  await opened.close()
  settleFolder(join(root, 'postgres'))
  writeIdentity(root, { ...identity, clean: true })
}

interface Turn<T> {
  /** Answers without a change where none is needed. */
  readonly before?: () => Promise<T | undefined>
  readonly ready?: planRows.Ready | undefined
  /** Somebody waits at a plan for it. */
  readonly edits?: boolean
}

/** The open folder: every change is a record in the log, on the disk itself, before it is made in the database. */
class Kept {
  /** What waits for its turn: what somebody edits goes before what somebody brings in. */
  private readonly waiting = { edits: [] as (() => Promise<void>)[], rest: [] as (() => Promise<void>)[] }
  private working: Promise<void> | undefined
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

  /** One after the other: edits in the order in which they are asked for, and all else in its own when no edit waits. */
  change<T>(operation: () => Operation | Promise<Operation>, { before, ready, edits }: Turn<T> = {}): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      const lane = edits ? this.waiting.edits : this.waiting.rest
      lane.push(() => this.make(operation, before, ready).then(resolve, reject))
      this.working ??= this.work()
    })
  }

  private async work(): Promise<void> {
    for (
      let next = this.waiting.edits.shift() ?? this.waiting.rest.shift();
      next;
      next = this.waiting.edits.shift() ?? this.waiting.rest.shift()
    )
      await next()
    this.working = undefined
  }

  private async make<T>(
    operation: () => Operation | Promise<Operation>,
    before: Turn<T>['before'],
    ready: planRows.Ready | undefined,
  ): Promise<T> {
    const answer = await before?.()
    if (answer !== undefined) return answer
    needRoom(this.root, this.settings.spareMb ?? 64)
    const record: Recorded = { ...(await operation()), n: this.n + 1 }
    await this.log.append(record).catch((error: NodeJS.ErrnoException) => {
      throw error.code === 'ENOSPC' ? new NoRoom(0, this.settings.spareMb ?? 64) : error
    })
    this.n += 1
    return perform<T>(this.db, record, ready)
  }

  async close(opened: Opened): Promise<void> {
    await this.working
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

/** Characters of documents that are put in at once: what is larger lets others write in between. */
const AT_ONCE = 500_000
/** Edits of one write from which on they are worked out before it is its turn. */
const MANY_EDITS = 100

const isHeavy = (transactions: readonly Transaction[]): boolean =>
  transactions.reduce((sum, { edits }) => sum + edits.length, 0) > MANY_EDITS

/** All at once where they are small, else one by one. */
const partsOf = (rows: readonly PlanRow[]): readonly (readonly PlanRow[])[] =>
  rows.reduce((sum, { document }) => sum + document.length, 0) <= AT_ONCE ? [rows] : rows.map(row => [row])

/** Edits that are many, worked out on the plan as it stands before it is their turn. */
async function workedOut(
  db: Database,
  judge: Judge,
  { show, plan, base }: { readonly show: string; readonly plan: string; readonly base: number },
  transactions: readonly Transaction[],
): Promise<planRows.Ready | undefined> {
  const document = await planRows.documentAt(db, show, plan, base)
  return document === undefined ? undefined : { base, made: await judge.transactOn(document, base, transactions) }
}

/** The last plans that pages were opened with, by what made their state. */
const MOST_JUDGED = 20

/** Works out what pages show once a state, and goes on with it for the next who asks where somebody did not wait. */
function judgedOnce(judge: Judge): Store['judged'] {
  const known = new Map<string, Promise<Judged | undefined>>()
  return ({ show, id, revision, head, plan }, ms) => {
    const key = [show.id, id, revision, head].join('/')
    const found = known.get(key) ?? judge.judged(plan).catch(() => undefined)
    known.delete(key)
    known.set(key, found)
    if (known.size > MOST_JUDGED) known.delete(known.keys().next().value!)
    return Promise.race([found, setTimeout(ms, undefined, { ref: false })])
  }
}

/** What a store does with pictures alone. */
const keptPictures = (pictures: Pictures, judge: Judge): Pick<Store, 'picture' | 'keepPicture'> => ({
  picture: hash => pictures.get(hash),
  keepPicture: async bytes => {
    const wrong = await judge.pictureProblem(bytes)
    return wrong === undefined ? { hash: pictures.put(bytes) } : { wrong }
  },
})

async function storeOn(kept: Kept, opened: Opened, unlock: () => void): Promise<Store> {
  const { db, settings, identity } = await kept.begin()
  const { engine, judge = HERE } = settings
  const judging: showRows.Judging = { engine, judge, checking: new Map() }
  await showRows.dropHalf(db)
  const pictures = new Pictures(kept.root, settings.spareMb)
  const bringIn = async (title: string, rows: readonly PlanRow[], seed?: string): Promise<string | undefined> => {
    const parts = partsOf(rows)
    const id = await kept.change<string | undefined>(async () => ({
      op: 'bringIn',
      id: await showRows.freeShowId(db, title),
      title,
      rows: parts[0]!,
      ...(seed === undefined ? {} : { seed }),
      ...(parts.length > 1 ? { more: true } : {}),
    }))
    if (id === undefined || parts.length === 1) return id
    for (const row of parts.slice(1).flat()) await kept.change(() => ({ op: 'addRow', show: id, row }))
    await kept.change(() => ({ op: 'reveal', show: id }))
    return id
  }
  return {
    epoch: identity.epoch,
    listShows: binned => showRows.listShows(db, judging, binned),
    createShow: ({ show, plans }, seed) =>
      bringIn(
        show.title,
        Object.entries(plans).map(([id, plan]) => rowOf(id, plan)),
        seed,
      ),
    importShow: async bytes => {
      const prepared = await judge.prepare(bytes)
      if (!prepared.ok) return prepared
      for (const picture of prepared.pictures ?? []) pictures.put(picture)
      return { id: (await bringIn(prepared.title, prepared.rows))! }
    },
    ...keptPictures(pictures, judge),
    judged: judgedOnce(judge),
    duplicateShow: async show => {
      const found = await showRows.showRows(db, show)
      if (!found) return undefined
      const text = await judge.fileText(`${found.title.slice(0, 113)}, copy`, found.rows)
      const prepared = await judge.prepare(new TextEncoder().encode(text))
      if (!prepared.ok) throw new Error(`a show that was kept cannot be read: ${prepared.problem.path}`)
      return bringIn(prepared.title, prepared.rows)
    },
    exportText: async show => {
      const found = await showRows.showRows(db, show)
      return found && { title: found.title, text: await judge.fileText(found.title, found.rows) }
    },
    renameShow: (show, title) => kept.change(() => ({ op: 'renameShow', show, title })),
    binShow: show => kept.change(() => ({ op: 'binShow', show })),
    restoreShow: show => kept.change(() => ({ op: 'restoreShow', show })),
    emptyBin: now => kept.change(() => ({ op: 'emptyBin', now: now.toISOString() })),
    listPlans: show => showRows.listPlans(db, judging, show),
    beginPlan: (show, plan) =>
      kept.change(async () => ({ op: 'beginPlan', id: await planRows.freePlanId(db, show, plan.title), show, plan })),
    removePlan: (show, plan) => kept.change(() => ({ op: 'removePlan', show, plan })),
    openPlan: (show, plan, client) => planRows.openPlan(db, show, plan, client),
    journalAfter: (show, plan, revision) => planRows.journalAfter(db, show, plan, revision),
    write: async (show, plan, base, transactions, head) => {
      const ready = isHeavy(transactions) ? await workedOut(db, judge, { show, plan, base }, transactions) : undefined
      return kept.change(() => ({ op: 'write', show, plan, base, transactions }), {
        before: () => planRows.unwritten(db, show, plan, base, transactions, head),
        ready,
        edits: true,
      })
    },
    copyLines: async take => {
      await dumpLive(db, take)
      pictures.each(bytes => take(pictureLine(bytes)))
    },
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
