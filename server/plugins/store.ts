import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { openFile, problemText } from '#core/document'
import { FolderInUse } from '../store/lock'
import { BadFolder } from '../store/safe/folder'
import { besideEntry } from '../store/pglite/open'
import type { Store } from '../store/port'
import { startStore, stopStore } from '../utils/store'

export default defineNitroPlugin(nitro => {
  startStore(useRuntimeConfig().app.buildId)
    .then(async store => {
      await store.emptyBin(new Date())
      if (process.env.INTERLUMEN_DEMO === '1') await plantDemo(store)
      // In the background: nobody waits for it, and what differs is told.
      for (const { show, plan, what } of await store.verify())
        console.error(`interlumen: plan ${plan} of ${show} is not what its journal leads to: ${what}`)
    })
    .catch((error: unknown) => {
      console.error(
        `interlumen: ${error instanceof FolderInUse || error instanceof BadFolder ? error.message : ((error as Error).stack ?? String(error))}`,
      )
      process.exit(1)
    })
  nitro.hooks.hook('close', stopStore)
})

/** Puts the demo shows in, each once: what a user made of one, or threw away, stays as it is. */
async function plantDemo(store: Store): Promise<void> {
  const folder = besideEntry('demo') ?? 'demo'
  for (const name of readdirSync(folder)
    .filter(file => file.endsWith('.json'))
    .sort()
    .reverse()) {
    const opened = openFile(readFileSync(join(folder, name), 'utf8'))
    if (!opened.ok) throw new Error(`${name}: ${problemText(opened.problem)}`)
    await store.createShow(opened.value, name)
  }
  // Shows first: they are what a page that is open already waits for.
  const pictures = join(folder, 'pictures')
  for (const name of existsSync(pictures) ? readdirSync(pictures) : [])
    if (name.endsWith('.png')) await store.keepPicture(readFileSync(join(pictures, name)))
}
