import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { request } from 'node:http'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { canonicalPlan, canonicalText, openFile } from '#core/document'
import { check } from '#core/features'
import { judgedOf } from '#core/features/board'
import { packArchive, unpackArchive } from '../../shared/archive'
import { writePng } from '../../shared/png'
import { CLEAR, patches } from '../../testing/graphics'
import { REFUSED } from '../../testing/refused'

import { ask, dropFolder, preparedFolder, start, type Running } from './running'

let server: Running
beforeAll(async () => {
  server = await start(await preparedFolder())
})
afterAll(async () => {
  await server.stop()
  dropFolder(server.folder)
})

const demo = readFileSync(new URL('../../demo/kiln-night.json', import.meta.url), 'utf8')
const at = (path: string) => `${server.url}/api${path}`
const imported = async (): Promise<string> => (await ask<{ id: string }>(at('/shows/import'), 'POST', demo)).body.id
const rename = (seq: number, name: string, client = 'tests-one') => ({
  client,
  seq,
  title: `Call it ${name}`,
  edits: [{ do: 'set', at: ['devices', 'wide', 'name'], value: name }],
})
const write = (show: string, base: number, ...transactions: unknown[]) =>
  ask(at(`/shows/${show}/plans/main/transactions`), 'POST', { base, transactions })

const post = (path: string, body: Uint8Array) => ask(at(path), 'POST', body)
const art = writePng(patches(40, 20, CLEAR, [[5, 5, 20, 10, [200, 10, 10, 120]]]))
const hash = createHash('sha256').update(art).digest('hex')

/** A request with headers that fetch does not let through. */
const raw = (path: string, method: string, headers: Record<string, string>): Promise<number> =>
  new Promise((resolve, reject) => {
    const sent = request(`${server.url}${path}`, { method, headers }, response => {
      response.resume()
      resolve(response.statusCode!)
    })
    sent.once('error', reject)
    sent.end(method === 'GET' ? undefined : '{}')
  })

describe('pictures', () => {
  it('are kept by the hash of their bytes, once, and given back as they came', async () => {
    expect(await post('/pictures', art)).toMatchObject({ status: 201, body: { hash } })
    expect(await post('/pictures', art)).toMatchObject({ status: 201, body: { hash } })
    const answer = await fetch(at(`/pictures/${hash}`))
    expect(answer.headers.get('content-type')).toBe('image/png')
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff')
    expect(new Uint8Array(await answer.arrayBuffer())).toEqual(art)
    expect(readdirSync(join(server.folder, 'pictures'))).toEqual([`${hash}.png`])
  })
  it('that are none are refused with the reason, and nothing of them stays', async () => {
    const before = readdirSync(join(server.folder, 'pictures'))
    const told = async (bytes: Uint8Array) => {
      const { status, body } = await post('/pictures', bytes)
      return `${status} ${(body as { error: { found?: string; message: string } }).error.found ?? body.error.message}`
    }
    expect(await told(new TextEncoder().encode('<svg onload="alert(1)"/>'))).toBe('422 It is no PNG file.')
    expect(await told(art.subarray(0, 60))).toBe('422 It is cut off.')
    expect(await told(new Uint8Array(12_000_001))).toContain('413 The body is larger')
    for (const path of ['0'.repeat(64), '..%2F..%2Finterlumen.json', `${hash}.png`, 'x'])
      expect((await fetch(at(`/pictures/${path}`))).status).toBe(404)
    expect(readdirSync(join(server.folder, 'pictures'))).toEqual(before)
  })
  it('travel with their show in an archive, and with everything in a copy', async () => {
    await post('/pictures', art)
    const show = JSON.parse(demo)
    show.plans.main.graphics = { card: { title: 'Card', order: 1, file: hash, width: 40, height: 20 } }
    const { id } = (await ask<{ id: string }>(at('/shows/import'), 'POST', JSON.stringify(show))).body
    const exported = await fetch(at(`/shows/${id}/export`))
    expect(exported.headers.get('content-disposition')).toContain('kiln-night.interlumen.zip')
    const archive = new Uint8Array(await exported.arrayBuffer())
    expect([...unpackArchive(archive).pictures.keys()]).toEqual([hash])

    const other = await start(await preparedFolder())
    try {
      const api = (path: string) => `${other.url}/api${path}`
      expect((await fetch(api(`/pictures/${hash}`))).status).toBe(404)
      const lied = packArchive(JSON.stringify(show), new Map([['1'.repeat(64), art]]))
      expect(await ask(api('/shows/import'), 'POST', lied)).toMatchObject({
        status: 422,
        body: { error: { path: `/pictures/${'1'.repeat(64)}.png`, found: 'Its content is not what its name says.' } },
      })
      const shows = async () => (await ask<unknown[]>(api('/shows'))).body.length
      const count = await shows()
      expect((await ask(api('/shows/import'), 'POST', archive)).status).toBe(201)
      expect(await shows()).toBe(count + 1)
      expect(new Uint8Array(await (await fetch(api(`/pictures/${hash}`))).arrayBuffer())).toEqual(art)
    } finally {
      await other.stop()
      dropFolder(other.folder)
    }

    const copy = await (await fetch(at('/copy'))).text()
    const { folder } = (await ask<{ folder: string }>(at('/restore'), 'POST', copy)).body
    try {
      expect(new Uint8Array(readFileSync(join(folder, 'pictures', `${hash}.png`)))).toEqual(art)
    } finally {
      dropFolder(folder)
    }
    const torn = copy.replace(`"hash":"${hash}"`, `"hash":"${'2'.repeat(64)}"`)
    expect(torn).not.toBe(copy)
    expect((await ask(at('/restore'), 'POST', torn)).status).toBe(422)
  })
})

describe('shows', () => {
  it('begins, renames, duplicates, bins and restores', async () => {
    const {
      status,
      body: { id },
    } = await ask(at('/shows'), 'POST', { title: 'Open day' })
    expect(status).toBe(201)
    expect((await ask(at(`/shows/${id}`), 'PATCH', { title: 'Open night' })).status).toBe(200)
    const copy = (await ask(at(`/shows/${id}/duplicate`), 'POST')).body.id
    const titles = async (query = '') =>
      (await ask<{ title: string }[]>(at(`/shows${query}`))).body.map(({ title }) => title)
    expect(await titles()).toEqual(expect.arrayContaining(['Open night', 'Open night, copy']))
    expect((await ask(at(`/shows/${copy}`), 'DELETE')).status).toBe(200)
    expect(await titles()).not.toContain('Open night, copy')
    expect(await titles('?bin=1')).toContain('Open night, copy')
    expect((await ask(at(`/shows/${copy}/plans/main`))).status).toBe(404)
    expect((await ask(at(`/shows/${copy}/restore`), 'POST')).status).toBe(200)
    expect(await titles()).toContain('Open night, copy')
  })
  it('restores a copy into a folder of its own while it serves, and refuses what is none', async () => {
    const id = await imported()
    await write(id, 0, rename(1, 'Before the copy'))
    const text = await (await fetch(at('/copy'))).text()
    const { status, body } = await ask<{ folder: string }>(at('/restore'), 'POST', text)
    expect(status).toBe(200)
    expect(body.folder).toContain(`${server.folder}-restored-`)
    const again = await start(body.folder)
    try {
      const { plan } = (await ask(`${again.url}/api/shows/${id}/plans/main`)).body
      expect(plan.devices.wide.name).toBe('Before the copy')
    } finally {
      await again.stop()
      dropFolder(body.folder)
    }
    const bad = await ask(at('/restore'), 'POST', text.slice(0, -30))
    expect(bad.status).toBe(422)
    expect(bad.body.error.message).toMatch(/not restored: line \d+ is no JSON/)
    expect((await ask(at('/health'))).status).toBe(200)
  })
  it('gives back what was imported, in canonical form', async () => {
    const id = await imported()
    const text = await (await fetch(at(`/shows/${id}/export`))).text()
    const opened = openFile(demo)
    expect(opened.ok && text).toBe(opened.ok && canonicalText(opened.value))
  })
  it('tells the verdict of a plan as it is now, however often it has changed', async () => {
    const show = await imported()
    const listed = async () =>
      (await ask<any[]>(at('/shows'))).body.find(({ id }) => id === show).plans.map((plan: any) => plan.verdict.D)
    expect(await listed()).toEqual([0])
    const cut = { client: 'tests-one', seq: 1, title: 'Cut', edits: [{ do: 'disconnect', id: 'wide-to-main' }] }
    expect((await write(show, 0, cut)).status).toBe(200)
    expect(await listed()).not.toEqual([0])
  })
  it('tells the verdict of each plan', async () => {
    const id = await imported()
    const show = (await ask<any[]>(at('/shows'))).body.find(candidate => candidate.id === id)
    expect(show.plans).toMatchObject([{ id: 'main', revision: 0, verdict: { arrive: 8, wanted: 8, D: 0 } }])
  })
})

describe('plans beside the main one', () => {
  const begin = (show: string, body: object) =>
    ask<any>(at(`/shows/${show}/plans`), 'POST', { title: 'With a scaler', from: 'main', base: 0, edits: [], ...body })
  it('begin as a copy with edits, are listed, changed by themselves, exported with the show, and removed for good', async () => {
    const show = await imported()
    const { status, body } = await begin(show, {
      edits: [{ do: 'set', at: ['devices', 'wide', 'name'], value: 'Wider camera' }],
    })
    expect(status).toBe(201)
    const { body: list } = await ask<any[]>(at(`/shows/${show}/plans`))
    expect(list).toMatchObject([
      { id: 'main', title: 'Main plan', basedOn: null, revision: 0 },
      {
        id: body.id,
        title: 'With a scaler',
        basedOn: { plan: 'main', revision: 0 },
        revision: 0,
        verdict: { arrive: 8 },
      },
    ])
    const read = async (plan: string) => (await ask<any>(at(`/shows/${show}/plans/${plan}`))).body
    expect((await read(body.id)).plan.devices.wide.name).toBe('Wider camera')
    expect((await read('main')).plan.devices.wide.name).toBe('Wide camera')
    expect(
      (
        await ask(at(`/shows/${show}/plans/${body.id}/transactions`), 'POST', {
          base: 0,
          transactions: [rename(1, 'Widest')],
        })
      ).status,
    ).toBe(200)
    expect((await read('main')).revision).toBe(0)
    const exported = openFile(await (await fetch(at(`/shows/${show}/export`))).text())
    expect(exported.ok && Object.keys(exported.value.plans).sort()).toEqual(['main', body.id].sort())
    expect((await ask(at(`/shows/${show}/plans/${body.id}`), 'DELETE')).status).toBe(200)
    expect((await ask(at(`/shows/${show}/plans/${body.id}`))).status).toBe(404)
    expect((await ask<any[]>(at(`/shows/${show}/plans`))).body).toHaveLength(1)
  })
  it.each<[string, object, number, object]>([
    ['a revision that is past', { base: 7 }, 409, { code: 'behind', revision: 0 }],
    ['a plan that is not there', { from: 'other' }, 404, { code: 'not-found' }],
    ['no name', { title: ' ' }, 422, { code: 'refused', path: '/title' }],
    ['edits that are none', { edits: [{ do: 'dance' }] }, 422, { code: 'refused' }],
    [
      'edits that do not hold',
      { edits: [{ do: 'disconnect', id: 'nothing' }] },
      422,
      { code: 'refused', path: '/edits/0/id' },
    ],
    ['an unknown key', { more: 1 }, 422, { code: 'refused' }],
  ])('are refused with %s, and nothing is written', async (_, change, status, error) => {
    const show = await imported()
    expect(await begin(show, change)).toMatchObject({ status, body: { error } })
    expect((await ask<any[]>(at(`/shows/${show}/plans`))).body).toHaveLength(1)
  })
  it('keep the one that the show began with', async () => {
    const show = await imported()
    expect(await ask(at(`/shows/${show}/plans/main`), 'DELETE')).toMatchObject({
      status: 422,
      body: { error: { code: 'refused' } },
    })
    expect((await ask(at('/shows/nothing-here/plans'))).status).toBe(404)
  })
})

describe('transactions', () => {
  it('are written once, however often they are sent', async () => {
    const show = await imported()
    expect(await write(show, 0, rename(1, 'One'))).toMatchObject({
      status: 200,
      body: { revision: 1, accepted: [{ id: 'tests-one:1', revision: 1 }] },
    })
    expect(await write(show, 0, rename(1, 'One'))).toMatchObject({
      status: 200,
      body: { revision: 1, accepted: [{ id: 'tests-one:1', revision: 1 }] },
    })
    expect(await write(show, 1, rename(1, 'Other'))).toMatchObject({
      status: 422,
      body: { error: { code: 'refused' } },
    })
    const { body } = await ask(at(`/shows/${show}/plans/main/journal?after=0`))
    expect(body.entries).toHaveLength(1)
  })
  it('that are behind get what is newer, and nothing is written', async () => {
    const show = await imported()
    await write(show, 0, rename(1, 'Theirs', 'tests-two'))
    const answer = await write(show, 0, rename(1, 'Mine'))
    expect(answer).toMatchObject({
      status: 409,
      body: {
        error: {
          code: 'behind',
          revision: 1,
          newer: [
            {
              revision: 1,
              transaction: { client: 'tests-two', title: 'Call it Theirs' },
              inverse: [{ value: 'Wide camera' }],
            },
          ],
        },
      },
    })
    expect((await ask(at(`/shows/${show}/plans/main`))).body.plan.devices.wide.name).toBe('Theirs')
    expect((await write(show, 1, rename(1, 'Mine'))).body.revision).toBe(2)
  })
  it('hold together or not at all', async () => {
    const show = await imported()
    const bad = { client: 'tests-one', seq: 2, title: 'Bad', edits: [{ do: 'disconnect', id: 'nope' }] }
    expect(await write(show, 0, rename(1, 'Half'), bad)).toMatchObject({
      status: 422,
      body: { error: { path: '/transactions/1/edits/0/id', found: '"nope"' } },
    })
    expect((await ask(at(`/shows/${show}/plans/main`))).body).toMatchObject({
      revision: 0,
      plan: { devices: { wide: { name: 'Wide camera' } } },
    })
  })
  it('carry the name that their browser told the server, not one that they claim', async () => {
    const show = await imported()
    const told = await fetch(at('/me'), { method: 'PUT', body: JSON.stringify({ name: 'Ada' }) })
    const cookie = told.headers.getSetCookie()[0]!.split(';')[0]!
    const claimed = { ...rename(1, 'Claimed'), who: 'Somebody else' }
    const body = { base: 0, transactions: [claimed] }
    const send = (headers: Record<string, string>) =>
      ask(at(`/shows/${show}/plans/main/transactions`), 'POST', body, headers)
    expect((await send({ cookie })).status).toBe(200)
    // The same again without the name is the same transaction, acknowledged again.
    expect((await send({})).body).toMatchObject({ revision: 1, accepted: [{ id: 'tests-one:1', revision: 1 }] })
    await ask(at(`/shows/${show}/plans/main/transactions`), 'POST', { base: 1, transactions: [rename(2, 'Nameless')] })
    const { entries } = (await ask(at(`/shows/${show}/plans/main/journal?after=0`))).body
    expect(entries.map((entry: any) => entry.transaction.who)).toEqual(['Ada', undefined])
    const long = await ask(at('/me'), 'PUT', { name: 'x'.repeat(41) })
    expect(long).toMatchObject({ status: 422, body: { error: { path: '/name' } } })
  })
  it('of many who write on one revision: one is written, the others are behind', async () => {
    const show = await imported()
    const clients = Array.from({ length: 8 }, (_, i) => `tests-${i}-at-once`)
    const answers = await Promise.all(clients.map(client => write(show, 0, rename(1, client, client))))
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array(7).fill(409)])
    expect((await ask(at(`/shows/${show}/plans/main`))).body.revision).toBe(1)
  })
  it('come back to their client for undo', async () => {
    const show = await imported()
    await write(show, 0, rename(1, 'Mine'), rename(2, 'Mine again'))
    await write(show, 2, rename(1, 'Theirs', 'tests-two'))
    const { body } = await ask(at(`/shows/${show}/plans/main?client=tests-one`))
    expect(body.mine.map((entry: any) => entry.transaction.seq)).toEqual([1, 2])
    expect(body.lastSeq).toBe(2)
  })
})

describe('a plan that a page opens', () => {
  it('comes with the verdict of its own state where that is asked for, and else without', async () => {
    const show = await imported()
    const bare = await ask(at(`/shows/${show}/plans/main?client=tests-one`))
    expect(bare.body).not.toHaveProperty('judged')
    const seen = async () => (await ask(at(`/shows/${show}/plans/main?client=tests-one&judged`))).body
    const shown = ({ plan }: any) => JSON.parse(JSON.stringify(judgedOf(check(plan))))
    // The first is worked out by a thread that starts, which a page does not wait for.
    await expect.poll(async () => (await seen()).judged, { timeout: 20_000 }).toBeDefined()
    const before = await seen()
    expect(before.judged).toEqual(shown(before))
    await write(show, 0, rename(1, 'Other'))
    await expect.poll(async () => (await seen()).judged, { timeout: 20_000 }).toBeDefined()
    const after = await seen()
    expect(after.judged).toEqual(shown(after))
    expect(JSON.stringify(after.judged.board)).toContain('Other')
    expect(JSON.stringify(before.judged.board)).not.toContain('Other')
  })
})

/** Reads a stream of events until `enough` of them have come, or three seconds have passed. */
async function hear(
  show: string,
  after: number,
  enough: number,
  meanwhile: () => Promise<unknown> = async () => {},
): Promise<{ event: string; data: string }[]> {
  const response = await fetch(at(`/shows/${show}/plans/main/events?after=${after}`), {
    signal: AbortSignal.timeout(20_000),
  })
  expect(response.headers.get('content-type')).toContain('text/event-stream')
  const reader = response.body!.getReader()
  const started = meanwhile()
  let text = ''
  const events = () =>
    text
      .split('\n\n')
      .slice(0, -1)
      .map(block => ({ event: /^event: (.*)$/m.exec(block)?.[1] ?? '', data: /^data: (.*)$/m.exec(block)?.[1] ?? '' }))
  while (events().length < enough) {
    const { done, value } = await reader.read()
    if (done) break
    text += new TextDecoder().decode(value)
  }
  await started
  await reader.cancel()
  return events()
}

describe('events', () => {
  it('tell what was written before and what is written meanwhile, in order and with its inverse', async () => {
    const show = await imported()
    await write(show, 0, rename(1, 'Before'))
    await write(show, 1, rename(2, 'Also before'))
    const events = await hear(show, 1, 3, () => write(show, 2, rename(1, 'Meanwhile', 'tests-two')))
    expect(events.map(({ event }) => event)).toEqual(['open', 'written', 'written'])
    const entries = events.slice(1).flatMap(({ data }) => JSON.parse(data) as any[])
    expect(entries.map(entry => [entry.revision, entry.transaction.title])).toEqual([
      [2, 'Call it Also before'],
      [3, 'Call it Meanwhile'],
    ])
    expect(entries[1].inverse).toMatchObject([{ do: 'set', value: 'Also before' }])
  })
  it('are told once for a transaction that is sent twice', async () => {
    const show = await imported()
    await write(show, 0, rename(1, 'One'))
    const events = await hear(show, 1, 2, async () => {
      await write(show, 0, rename(1, 'One'))
      await write(show, 1, rename(2, 'Two'))
    })
    expect((JSON.parse(events[1]!.data) as any[]).map(entry => entry.revision)).toEqual([2])
  })
  it('belong to a plan that is there, from a revision that is one', async () => {
    expect(await ask(at('/shows/nope/plans/main/events'))).toMatchObject({
      status: 404,
      body: { error: { code: 'not-found' } },
    })
    const show = await imported()
    expect(await ask(at(`/shows/${show}/plans/main/events?after=-1`))).toMatchObject({
      status: 422,
      body: { error: { path: '/after' } },
    })
  })
})

describe('bad files', () => {
  it('are refused with their place, all of them, and leave nothing behind', async () => {
    const count = async () => (await ask<unknown[]>(at('/shows'))).body.length
    const before = await count()
    const taken: string[] = []
    for (const { name, text, path } of REFUSED) {
      const { status, body } = await ask(at('/shows/import'), 'POST', text)
      const told =
        status === 413
          ? text.length > 10_000_000
          : status === 422 && body.error.path === path && body.error.found && body.error.allowed
      if (!told) taken.push(`${name}: ${status} ${JSON.stringify(body).slice(0, 120)}`)
    }
    expect(taken).toEqual([])
    expect(await count()).toBe(before)
    expect((await ask(at('/health'))).status).toBe(200)
  }, 240_000)
})

describe('bad requests', () => {
  it.each<[string, string, string, unknown, number, string]>([
    ['no JSON', 'POST', '/shows', '{', 422, 'refused'],
    ['no title', 'POST', '/shows', { title: '' }, 422, 'refused'],
    ['an unknown key', 'POST', '/shows', { title: 'x', admin: true }, 422, 'refused'],
    ['a title that is too long', 'POST', '/shows', { title: 'x'.repeat(121) }, 422, 'refused'],
    ['no plan file', 'POST', '/shows/import', '[]', 422, 'refused'],
    ['__proto__ in a file', 'POST', '/shows/import', '{"format":1,"__proto__":{}}', 422, 'refused'],
    ['an unknown show', 'GET', '/shows/nope/plans/main', undefined, 404, 'not-found'],
    ['a show with a strange name', 'GET', '/shows/..%2f..%2fetc/plans/main', undefined, 404, 'not-found'],
    ['an unknown route', 'GET', '/nope', undefined, 404, 'not-found'],
    ['a revision that is none', 'GET', '/shows/nope/plans/main/journal?after=x', undefined, 422, 'refused'],
    ['no transactions', 'POST', '/shows/nope/plans/main/transactions', { base: 0, transactions: [] }, 422, 'refused'],
    [
      'a write to an unknown show',
      'POST',
      '/shows/nope/plans/main/transactions',
      { base: 0, transactions: [rename(1, 'x')] },
      404,
      'not-found',
    ],
    ['too large a body', 'POST', '/shows', `{"title":"${'x'.repeat(2_100_000)}"}`, 413, 'too-large'],
    ['too large a file', 'POST', '/shows/import', `{"a":"${'x'.repeat(20_100_000)}"}`, 413, 'too-large'],
  ])('%s', async (_, method, path, body, status, code) => {
    const answer = await ask(at(path), method, body)
    expect(answer).toMatchObject({ status, body: { error: { code, message: expect.any(String) } } })
  })
  it('answers only to its own name', async () => {
    expect(await raw('/api/shows', 'GET', { host: 'evil.example' })).toBe(403)
    expect(await raw('/', 'GET', { host: 'evil.example:80' })).toBe(403)
    expect(await raw('/api/shows', 'GET', { host: 'localhost:1' })).toBe(200)
  })
  it('takes writes from its own page only', async () => {
    const host = new URL(server.url).host
    expect(await raw('/api/shows', 'POST', { host, origin: 'http://evil.example' })).toBe(403)
    expect(await raw('/api/shows', 'POST', { host, 'sec-fetch-site': 'cross-site' })).toBe(403)
    expect(await raw('/api/shows', 'POST', { host, origin: 'null' })).toBe(403)
    expect(await raw('/api/shows', 'POST', { host, origin: `http://${host}` })).toBe(422)
  })
  it('names in the page of a plan what it begins ahead, which is there, by a script that the policy lets run', async () => {
    for (const screen of ['runs', 'overlays', 'cost']) {
      const answer = await fetch(`${server.url}/shows/any/main/${screen}`, { headers: { accept: 'text/html' } })
      const html = await answer.text()
      const script = /<script>(\(function\(m\).*?)<\/script>/.exec(html)![1]!
      const hash = createHash('sha256').update(script).digest('base64')
      expect(answer.headers.get('content-security-policy')).toContain(`'sha256-${hash}'`)
      const names = [
        ...html.matchAll(/"\/_nuxt\/([^"]+)"/g),
        ...script.matchAll(/['"](?:\/_nuxt\/)?([^'"/]+\.(?:js|css))['"]/g),
      ]
      expect(names.length).toBeGreaterThan(4)
      for (const [, name] of names) expect((await fetch(`${server.url}/_nuxt/${name}`)).status, name).toBe(200)
    }
  })
  it('lets a page load nothing from elsewhere', async () => {
    const policy = (await fetch(server.url)).headers.get('content-security-policy')
    expect(policy).toContain("default-src 'self'")
  })
})

describe('plans that are stored', () => {
  it('are what replaying the journal gives', async () => {
    const show = await imported()
    for (let i = 0; i < 5; i++) await write(show, i, rename(i + 1, `Name ${i}`))
    const { body } = await ask(at(`/shows/${show}/plans/main`))
    const opened = openFile(demo)
    if (!opened.ok) throw new Error()
    const expected = {
      ...opened.value.plans.main!,
      devices: {
        ...opened.value.plans.main!.devices,
        wide: { ...opened.value.plans.main!.devices.wide!, name: 'Name 4' },
      },
    }
    expect(canonicalPlan(body.plan)).toBe(canonicalPlan(expected))
  })
})
