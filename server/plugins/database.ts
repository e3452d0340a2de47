import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { openFile, problemText } from '#core/document'
import { besideEntry } from '../db/open'
import { createShow, emptyBin } from '../db/shows'
import { FolderInUse } from '../db/lock'
import { startDatabase, stopDatabase } from '../utils/database'

export default defineNitroPlugin(nitro => {
  startDatabase()
    .then(async ({ db }) => {
      await emptyBin(db, new Date())
      if (process.env.INTERLUMEN_DEMO === '1') await plantDemo(db)
    })
    .catch((error: unknown) => {
      console.error(
        `interlumen: ${error instanceof FolderInUse ? error.message : ((error as Error).stack ?? String(error))}`,
      )
      process.exit(1)
    })
  nitro.hooks.hook('close', stopDatabase)
})

/** Puts the demo shows in, each once: what a user made of one, or threw away, stays as it is. */
async function plantDemo(db: Parameters<typeof createShow>[0]): Promise<void> {
  const folder = besideEntry('demo') ?? 'demo'
  for (const name of readdirSync(folder)
    .filter(file => file.endsWith('.json'))
    .sort()
    .reverse()) {
    const opened = openFile(readFileSync(join(folder, name), 'utf8'))
    if (!opened.ok) throw new Error(`${name}: ${problemText(opened.problem)}`)
    await createShow(db, opened.value, name)
  }
}
