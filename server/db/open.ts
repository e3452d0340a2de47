import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { lockFolder } from './lock'
import * as schema from './schema'
import type { Database } from './types'
import { upgradePlans } from './upgrade'

export interface OpenDatabase {
  readonly db: Database
  close(): Promise<void>
}

/** Opens (or begins) the data folder: takes its lock, starts the embedded database, brings the tables up to date. */
export async function openDatabase(folder: string): Promise<OpenDatabase> {
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
    return {
      db,
      async close() {
        await client.close()
        unlock()
      },
    }
  } catch (error) {
    unlock()
    throw error
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
