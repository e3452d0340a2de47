import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { lockFolder } from '../lock'
import type { Store } from '../port'
import * as planRows from './plans'
import type { Database } from './rows'
import * as schema from './schema'
import * as showRows from './shows'
import { upgradePlans } from './upgrade'

/**
 * Opens (or begins) a data folder: takes its lock, starts the embedded database, brings the tables up to date. Verdicts
 * that another `engine` gave are worked out anew.
 */
export async function openStore(folder: string, engine: string): Promise<Store> {
  const root = resolve(folder)
  mkdirSync(root, { recursive: true })
  const unlock = lockFolder(root)
  try {
    const { PGlite } = await import('@electric-sql/pglite')
    const { drizzle } = await import('drizzle-orm/pglite')
    const { migrate } = await import('drizzle-orm/pglite/migrator')
    const client = await PGlite.create(join(root, 'postgres'))
    const db = drizzle(client, { schema, casing: 'snake_case' })
    await migrate(db, { migrationsFolder: migrationsFolder() })
    await upgradePlans(db)
    return storeOn(db, engine, async () => {
      await client.close()
      unlock()
    })
  } catch (error) {
    unlock()
    throw error
  }
}

function storeOn(db: Database, engine: string, close: () => Promise<void>): Store {
  return {
    listShows: binned => showRows.listShows(db, engine, binned),
    createShow: (file, seed) => showRows.createShow(db, file, seed),
    exportShow: show => showRows.exportShow(db, show),
    renameShow: (show, title) => showRows.renameShow(db, show, title),
    binShow: show => showRows.binShow(db, show),
    restoreShow: show => showRows.restoreShow(db, show),
    emptyBin: now => showRows.emptyBin(db, now),
    listPlans: show => showRows.listPlans(db, engine, show),
    beginPlan: (show, plan) => planRows.beginPlan(db, show, plan),
    removePlan: (show, plan) => planRows.removePlan(db, show, plan),
    openPlan: (show, plan, client) => planRows.openPlan(db, show, plan, client),
    journalAfter: (show, plan, revision) => planRows.journalAfter(db, show, plan, revision),
    write: (show, plan, base, transactions) => planRows.write(db, show, plan, base, transactions),
    close,
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
