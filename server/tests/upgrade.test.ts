import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { PGlite } from '@electric-sql/pglite'
import { FORMAT_VERSION, openFile } from '#core/document'
import { ask, dropFolder, preparedFolder, start } from './running'

const folders: string[] = []
afterAll(() => folders.forEach(dropFolder))

const sample = readFileSync(new URL('../../core/document/samples/format-2.json', import.meta.url), 'utf8')

/** A data folder as the version before wrote it: one plan in format 2, changed once by a client. */
async function oldFolder(): Promise<string> {
  const folder = await preparedFolder()
  folders.push(folder)
  const db = await PGlite.create(join(folder, 'postgres'))
  const document = JSON.stringify(JSON.parse(sample).plans.main)
  const content = JSON.stringify({ client: 'an-old-tab', seq: 1, title: 'Rename', edits: [] })
  await db.query(`insert into shows (id, title) values ('old-show', 'Old show'), ('odd-show', 'Odd show')`)
  await db.query(`insert into plans (show, id, revision, document) values ('old-show', 'main', 1, $1)`, [document])
  await db.query(`insert into plans (show, id, revision, document) values ('odd-show', 'main', 0, '{"title": ""}')`)
  await db.query(
    `insert into journal (show, plan, revision, kind, content) values ('old-show', 'main', 0, 'snapshot', $1)`,
    [document],
  )
  await db.query(
    `insert into journal (show, plan, revision, kind, client, seq, title, content, inverse)
     values ('old-show', 'main', 1, 'transaction', 'an-old-tab', 1, 'Rename', $1, '[]')`,
    [content],
  )
  await db.close()
  return folder
}

describe('a data folder of an older version', () => {
  it('is read in the words of today, with a snapshot under the next revision; what cannot be read is told and left', async () => {
    const opened = openFile(sample)
    if (!opened.ok) throw new Error(opened.problem.path)
    const folder = await oldFolder()
    const server = await start(folder)
    const address = `${server.url}/api/shows/old-show`
    const { body } = await ask(`${address}/plans/main?client=an-old-tab`)
    expect(body).toMatchObject({ revision: 2, plan: opened.value.plans.main, mine: [], lastSeq: 1 })
    expect((await ask(`${address}/export`)).body.format).toBe(FORMAT_VERSION)
    const edits = [{ do: 'set', at: ['devices', 'cam', 'name'], value: 'Wide' }]
    const transactions = [{ client: 'an-old-tab', seq: 2, title: 'Name', edits }]
    const written = await ask(`${address}/plans/main/transactions`, 'POST', { base: 2, transactions })
    expect(written).toMatchObject({ status: 200, body: { revision: 3 } })
    await server.stop()
    expect(server.output()).toMatch(/plan main of odd-show is left in format 2: .*title/)
    // A second start finds nothing to do.
    const again = await start(folder)
    const now = await ask(`${again.url}/api/shows/old-show/plans/main`)
    expect(now.body).toMatchObject({ revision: 3, plan: { devices: { cam: { name: 'Wide' } } } })
    await again.stop()
  })
})
