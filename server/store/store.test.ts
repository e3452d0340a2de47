import { cpSync, existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { DEFINITIONS, type Transaction, canonicalText, openFile } from '#core/document'
import { openStore, restoreCopy } from './pglite/open'
import type { Store } from './port'
import { BadCopy } from './safe/dump'
import { BadFolder } from './safe/folder'
import { NoRoom, WriteLog, readLog } from './safe/log'

const folders: string[] = []
const fresh = (): string => {
  const folder = mkdtempSync(join(tmpdir(), 'interlumen-store-'))
  folders.push(folder)
  return folder
}
afterAll(() => folders.forEach(folder => rmSync(folder, { recursive: true, force: true })))

const demo = openFile(readFileSync(new URL('../../demo/kiln-night.json', import.meta.url), 'utf8'))
if (!demo.ok) throw new Error(demo.problem.path)
const file = demo.value
const rename = (seq: number, value: string): Transaction => ({
  client: 'tests',
  seq,
  title: `Rename ${seq}`,
  edits: [{ do: 'set', at: ['devices', 'wide', 'name'], value }],
})
const open = (folder: string, more = {}) => openStore(folder, { engine: 'tests', ...more })
/** The folder as it is on the disk while the store is open: as a kill leaves it. */
function killed(folder: string): string {
  const copy = fresh()
  cpSync(folder, copy, { recursive: true })
  return copy
}
const otherBoot = (folder: string): void => {
  const path = join(folder, 'interlumen.json')
  writeFileSync(path, JSON.stringify({ ...JSON.parse(readFileSync(path, 'utf8')), boot: 'before-the-power-cut' }))
}
const said = vi.spyOn(console, 'error').mockImplementation(() => undefined)
afterEach(() => void said.mockClear())

/** A store with a show, ten writes acknowledged, a second show in the bin, and the database as it was before them. */
async function begin(): Promise<{ store: Store; folder: string; show: string; early: string }> {
  const folder = fresh()
  const store = await open(folder)
  const early = join(fresh(), 'postgres')
  cpSync(join(folder, 'postgres'), early, { recursive: true })
  const show = (await store.createShow(file))!
  for (let n = 0; n < 10; n++)
    expect((await store.write(show, 'main', n, [rename(n + 1, `Wide ${n + 1}`)])).outcome).toBe('written')
  const other = (await store.createShow(file))!
  await store.binShow(other)
  await store.beginPlan(show, { title: 'Version B', from: 'main', base: 10, edits: [] })
  return { store, folder, show, early }
}
/** As it stands on the disk while that store is open, and the same one closed. */
let killedAt: string
let closed: string
let show: string
let early: string
let epoch: string
beforeAll(async () => {
  const begun = await begin()
  killedAt = killed(begun.folder)
  ;({ show, early } = begun)
  ;({ epoch } = begun.store)
  await begun.store.close()
  closed = begun.folder
}, 120_000)

async function holdsAll(store: Store, show: string): Promise<void> {
  const { revision, entries } = (await store.journalAfter(show, 'main', 0))!
  expect(revision).toBe(10)
  expect(entries.map(({ transaction }) => transaction.title)).toEqual(
    Array.from({ length: 10 }, (_, i) => `Rename ${i + 1}`),
  )
  expect((await store.openPlan(show, 'main', undefined))!.plan.devices.wide!.name).toBe('Wide 10')
  expect((await store.listPlans(show))!.map(({ title }) => title)).toContain('Version B')
  expect(await store.listShows(true)).toHaveLength(1)
  expect(await store.verify()).toEqual([])
}

describe('the data folder', () => {
  it('has every acknowledged write after a kill, after a power cut that took the database back, and after damage', async () => {
    const plain = killed(killedAt)
    const back = killed(killedAt)
    const torn = killed(killedAt)
    const again = await open(plain)
    await holdsAll(again, show)
    await again.close()

    // What the database had written was in memory alone; the log was on the disk.
    rmSync(join(back, 'postgres'), { recursive: true })
    cpSync(early, join(back, 'postgres'), { recursive: true })
    otherBoot(back)
    const after = await open(back)
    await holdsAll(after, show)
    expect(after.epoch).toBe(epoch)
    await after.close()
    expect(said.mock.calls.join()).toMatch(/was open when the machine stopped/)

    rmSync(join(torn, 'postgres', 'PG_VERSION'))
    const mended = await open(torn)
    await holdsAll(mended, show)
    await mended.close()
    expect(said.mock.calls.join()).toMatch(/is damaged \(PG_VERSION is missing\).*built anew/)
    expect(readdirSync(torn).some(name => name.startsWith('postgres.aside-'))).toBe(true)
  }, 120_000)

  it('is never begun over anything else, nor opened when it is newer', async () => {
    const foreign = fresh()
    writeFileSync(join(foreign, 'holiday.jpg'), 'x')
    await expect(open(foreign)).rejects.toThrow(/not empty and holds no data of Interlumen \(found holiday.jpg\)/)
    expect(readdirSync(foreign)).toEqual(['holiday.jpg'])

    const newer = fresh()
    writeFileSync(
      join(newer, 'interlumen.json'),
      JSON.stringify({ interlumen: 'data', version: 99, id: 'x', epoch: 'y' }),
    )
    await expect(open(newer)).rejects.toThrow(/written by a newer version/)

    const bare = fresh()
    const store = await open(bare)
    await store.close()
    rmSync(join(bare, 'postgres', 'global', 'pg_control'))
    rmSync(join(bare, 'safe'), { recursive: true })
    await expect(open(bare)).rejects.toThrow(BadFolder)
    expect(existsSync(join(bare, 'postgres', 'global', 'pg_control'))).toBe(false)
  }, 60_000)

  it('lists a plan that cannot be read as damaged, beside all others, and still gives its journal', async () => {
    const folder = killed(closed)
    const db = await PGlite.create(join(folder, 'postgres'))
    await db.query(`update plans set document = '{"devices": ', checked_by = null where show = $1 and id = 'main'`, [
      show,
    ])
    await db.close()
    const hurt = await open(folder)
    const [listed] = (await hurt.listShows(false)).filter(({ id }) => id === show)
    expect(listed!.plans.map(({ id, damaged }) => [id, damaged])).toEqual([
      ['main', true],
      [listed!.plans[1]!.id, undefined],
    ])
    expect((await hurt.journalAfter(show, 'main', 0))!.entries).toHaveLength(10)
    expect(await hurt.verify()).toMatchObject([{ show, plan: 'main', what: expect.stringMatching(/cannot be read/) }])
    await hurt.close()
  }, 60_000)

  it('refuses writes while the disk is full, reads on, and writes again when there is room', async () => {
    const settings = { engine: 'tests', spareMb: 1 }
    const folder = killed(closed)
    const full = await openStore(folder, settings)
    settings.spareMb = 1e9
    await expect(full.write(show, 'main', 10, [rename(11, 'Eleven')])).rejects.toThrow(NoRoom)
    await expect(full.write(show, 'main', 10, [rename(11, 'Eleven')])).rejects.toThrow(/full: \d+ MB are free/)
    await holdsAll(full, show)
    settings.spareMb = 1
    expect((await full.write(show, 'main', 10, [rename(11, 'Eleven')])).outcome).toBe('written')
    await full.close()
  }, 60_000)

  it('is copied whole while it is open, and restored into a new folder under another epoch', async () => {
    const store = await open(killed(closed))
    const lines: string[] = []
    await store.copyLines(line => lines.push(line))
    const exported = (await store.exportText(show))!.text
    await store.close()
    const folder = join(fresh(), 'new')
    await restoreCopy(folder, lines.join('\n'))
    const restored = await open(folder)
    await holdsAll(restored, show)
    expect((await restored.exportText(show))!.text).toBe(exported)
    expect(restored.epoch).not.toBe(epoch)
    await restored.close()
    await expect(restoreCopy(folder, lines.join('\n'))).rejects.toThrow(/not empty/)
    await expect(restoreCopy(join(fresh(), 'new'), lines.join('\n').slice(0, -20))).rejects.toThrow(BadCopy)
    await expect(restoreCopy(join(fresh(), 'new'), '{"format":3}')).rejects.toThrow(/no copy/)
  }, 60_000)
})

describe('a write', () => {
  it('that was made on another state of the same number is told so, and nothing is written', async () => {
    const store = await open(killed(closed))
    const { revision, head } = (await store.openPlan(show, 'main', 'tests'))!
    expect([revision, head]).toEqual([10, 'tests:10'])
    expect(await store.write(show, 'main', 10, [rename(11, 'Eleven')], 'somebody:3')).toEqual({ outcome: 'ahead' })
    expect((await store.write(show, 'main', 10, [rename(11, 'Eleven')], head)).outcome).toBe('written')
    // The same again, as a page does that was not answered.
    expect((await store.write(show, 'main', 10, [rename(11, 'Eleven')], head)).outcome).toBe('written')
    expect((await store.journalAfter(show, 'main', 10))!.head).toBe(head)
    await store.close()
  }, 60_000)
})

describe('an export', () => {
  it('can be imported whatever was written, and gives the same file again', async () => {
    const store = await open(killed(closed))
    const [, version] = (await store.listPlans(show))!
    const begun = await store.beginPlan(show, { title: 'On B', from: version!.id, base: 0, edits: [] })
    expect(begun.outcome).toBe('begun')
    // What it is based on goes.
    await store.removePlan(show, version!.id)
    // Edits fill a collection as far as a file may hold it, and no further.
    const circuit = (n: number) =>
      ({ do: 'add', collection: 'circuits', id: `c-${n}`, value: { title: `C ${n}`, order: n, amps: 16 } }) as const
    const { most } = DEFINITIONS.circuits
    const full = {
      client: 'tests',
      seq: 100,
      title: 'Circuits',
      edits: Array.from({ length: most }, (_, n) => circuit(n)),
    }
    expect((await store.write(show, 'main', 10, [full])).outcome).toBe('written')
    const more = await store.write(show, 'main', 11, [{ ...full, seq: 101, edits: [circuit(most)] }])
    expect(more).toMatchObject({ outcome: 'refused', problem: { allowed: `at most ${most} circuits in a plan` } })
    const first = (await store.exportText(show))!.text
    const opened = openFile(first)
    if (!opened.ok) throw new Error(opened.problem.path)
    const again = (await store.createShow(opened.value))!
    expect((await store.exportText(again))!.text).toBe(first)
    await store.close()
  }, 60_000)
})

describe('a large file', () => {
  const bytes = new TextEncoder().encode(
    canonicalText({
      ...file,
      show: { title: 'Large' },
      plans: Object.fromEntries(
        Array.from({ length: 40 }, (_, n) => [n ? `v-${n}` : 'main', { ...file.plans.main!, title: `Plan ${n}` }]),
      ),
    }),
  )
  it('lets a save go before its plans, shows when all are there, and leaves nothing where it was cut off', async () => {
    const folder = killed(closed)
    const store = await open(folder)
    let done = false
    const brought = store.importShow(bytes).then(answer => {
      done = true
      return answer
    })
    const parts = () =>
      readLog<{ op: string }>(join(folder, 'safe', 'log.jsonl')).filter(({ op }) => op === 'addRow').length
    while (parts() === 0) await new Promise(resolve => setTimeout(resolve, 1))
    expect((await store.write(show, 'main', 10, [rename(11, 'Meanwhile')])).outcome).toBe('written')
    expect(done).toBe(false)
    expect((await store.listShows(false)).map(({ title }) => title)).not.toContain('Large')
    const half = killed(folder)
    expect(await brought).toMatchObject({ id: expect.stringMatching(/^large/) })
    expect((await store.listShows(false)).find(({ title }) => title === 'Large')!.plans).toHaveLength(40)
    await store.close()
    const after = await open(half)
    expect((await after.openPlan(show, 'main', undefined))!.plan.devices.wide!.name).toBe('Meanwhile')
    for (const binned of [false, true])
      expect((await after.listShows(binned)).map(({ title }) => title)).not.toContain('Large')
    await after.close()
  }, 120_000)
})

describe('the log of writes', () => {
  it('cuts off a torn last line, and goes on behind the last whole one', async () => {
    const path = join(fresh(), 'log.jsonl')
    const log = new WriteLog(path, true)
    await log.append({ n: 1 })
    await log.append({ n: 2, text: 'two\nlines' })
    log.close()
    writeFileSync(path, `${readFileSync(path, 'utf8')}{"n": 3, "te`)
    expect(readLog(path)).toEqual([{ n: 1 }, { n: 2, text: 'two\nlines' }])
    const again = new WriteLog(path, true)
    await again.append({ n: 3 })
    again.close()
    expect(readLog(path)).toEqual([{ n: 1 }, { n: 2, text: 'two\nlines' }, { n: 3 }])
  })
})
