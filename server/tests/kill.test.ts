import { readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { afterAll, describe, expect, it } from 'vitest'
import { type Plan, applyEdits, canonicalPlan, openFile } from '#core/document'
import { SOAK } from '../../testing/soak'
import { ask, dropFolder, freshFolder, launch, preparedFolder, start, type Running } from './running'

const KILLS = SOAK ? 200 : 10
const demo = readFileSync(new URL('../../demo/kiln-night.json', import.meta.url), 'utf8')
const folders: string[] = []
afterAll(() => folders.forEach(dropFolder))

/** A client that writes without pause and keeps what it was told. */
class Writer {
  seq = 0
  base = 0
  readonly acknowledged = new Map<number, number>()
  private unanswered: { client: string; seq: number; title: string; edits: unknown[] } | undefined

  constructor(readonly client: string) {}

  async run(url: string, show: string, until: () => boolean): Promise<void> {
    while (!until()) {
      // What was not answered is sent again as it was, as a page does after a crash.
      this.unanswered ??= {
        client: this.client,
        seq: ++this.seq,
        title: `Write ${this.seq}`,
        edits: [
          {
            do: 'set',
            at: ['devices', this.client === 'writer-a' ? 'wide' : 'close', 'name'],
            value: `${this.client} ${this.seq}`,
          },
        ],
      }
      try {
        const sent = performance.now()
        const { status, body } = await ask(`${url}/api/shows/${show}/plans/main/transactions`, 'POST', {
          base: this.base,
          transactions: [this.unanswered],
        })
        if (status === 200) {
          this.acknowledged.set(this.unanswered.seq, body.accepted[0].revision)
          this.base = body.revision
          this.unanswered = undefined
          // Leaves the other client a turn, however slow the machine is.
          const took = performance.now() - sent
          await new Promise(resolve => setTimeout(resolve, Math.random() * (20 + 3 * took)))
        } else if (status === 409) this.base = body.error.revision
        else throw new Error(`${status} ${JSON.stringify(body)}`)
      } catch (error) {
        if (error instanceof TypeError) return
        throw error
      }
    }
  }
}

const answered = (writers: readonly Writer[]): number =>
  writers.reduce((sum, { acknowledged }) => sum + acknowledged.size, 0)

describe('killed at any moment', () => {
  it(`loses nothing that was acknowledged, in ${KILLS} kills with two clients writing`, async () => {
    const folder = await preparedFolder()
    folders.push(folder)
    const opened = openFile(demo)
    if (!opened.ok) throw new Error(opened.problem.path)
    const begin = opened.value.plans.main!
    const writers = [new Writer('writer-a'), new Writer('writer-b')]
    let server: Running = await start(folder)
    const show = (await ask<{ id: string }>(`${server.url}/api/shows/import`, 'POST', demo)).body.id
    for (let kill = 0; kill < KILLS; kill++) {
      let over = false
      const writing = writers.map(writer => writer.run(server.url, show, () => over))
      const before = answered(writers)
      await new Promise(resolve => setTimeout(resolve, 50 + Math.random() * 1100))
      // Every other kill meets a server that has answered, however slow the machine is.
      if (kill % 2 === 1)
        for (let i = 0; i < 400 && answered(writers) === before; i++)
          await new Promise(resolve => setTimeout(resolve, 50))
      await server.stop('SIGKILL')
      over = true
      await Promise.all(writing)
      server = await start(folder)
      const { body } = await ask(`${server.url}/api/shows/${show}/plans/main/journal?after=0`)
      const revisions = body.entries.map((entry: any) => entry.revision)
      expect(revisions).toEqual(revisions.map((_: number, i: number) => i + 1))
      for (const writer of writers) {
        const mine = body.entries.filter((entry: any) => entry.transaction.client === writer.client)
        const seqs = mine.map((entry: any) => entry.transaction.seq)
        expect(new Set(seqs).size).toBe(seqs.length)
        for (const [seq, revision] of writer.acknowledged)
          expect(mine.find((entry: any) => entry.transaction.seq === seq)?.revision).toBe(revision)
      }
      let plan: Plan = begin
      for (const { transaction } of body.entries) {
        const applied = applyEdits(plan, transaction.edits)
        if (!applied.ok) throw new Error(applied.problem.path)
        plan = applied.value.plan
      }
      const stored = (await ask(`${server.url}/api/shows/${show}/plans/main`)).body
      expect(stored.revision).toBe(body.revision)
      expect(canonicalPlan(stored.plan)).toBe(canonicalPlan(plan))
    }
    const written = writers.map(({ acknowledged }) => acknowledged.size)
    console.log(`${KILLS} kills, ${written.join(' + ')} acknowledged writes, none lost`)
    // Which of the two is faster is the machine's affair.
    expect(Math.min(...written)).toBeGreaterThan(0)
    expect(answered(writers)).toBeGreaterThanOrEqual(Math.floor(KILLS / 2))
    expect(await server.stop('SIGTERM')).toBe(0)
  }, 900_000)

  it('starts again after being killed in its very first seconds', async () => {
    const folder = freshFolder()
    folders.push(folder)
    for (const wait of [300, 900, 2000]) {
      const early = await launch(folder)
      await new Promise(resolve => setTimeout(resolve, wait))
      expect(await early.stop('SIGKILL')).toBe('SIGKILL')
    }
    const server = await start(folder)
    expect((await ask(`${server.url}/api/shows`)).status).toBe(200)
    await server.stop()
  })
})

describe('the data folder', () => {
  it('belongs to one process: a second one is refused, and says so', async () => {
    const folder = await preparedFolder()
    folders.push(folder)
    const first = await start(folder)
    await expect(start(folder)).rejects.toThrow(/ended with 1: .*the data folder .* is in use by process \d+/s)
    expect(await first.stop('SIGTERM')).toBe(0)
    const again = await start(folder)
    expect(await again.stop('SIGTERM')).toBe(0)
  })
  it('ends with a sentence when its port is taken, and gives the folder back', async () => {
    const folder = await preparedFolder()
    folders.push(folder)
    const taken = createServer().listen(0, '127.0.0.1')
    await new Promise(resolve => taken.once('listening', resolve))
    const { port } = taken.address() as { port: number }
    await expect(start(folder, { PORT: String(port), NITRO_PORT: String(port) })).rejects.toThrow(
      new RegExp(`port ${port} is in use by another program`),
    )
    taken.close()
    const again = await start(folder)
    await again.stop()
  })
  it('sends every page and file with its policy, and no script that is not known', async () => {
    const folder = await preparedFolder()
    folders.push(folder)
    const server = await start(folder)
    for (const path of ['/', '/mark.svg', '/api/health', '/no-such-file.js']) {
      const { headers } = await fetch(`${server.url}${path}`)
      expect(headers.get('x-content-type-options'), path).toBe('nosniff')
      const policy = headers.get('content-security-policy')!
      expect(policy, path).toMatch(/default-src 'self'.*frame-ancestors 'none'/)
      expect(policy, path).not.toMatch(/script-src[^;]*'unsafe-inline'/)
    }
    const { headers } = await fetch(`${server.url}/`)
    expect(headers.get('content-security-policy')).toMatch(/script-src 'self' 'wasm-unsafe-eval' 'sha256-/)
    await server.stop()
  })
  it('is served on other interfaces only with a join code', async () => {
    const folder = await preparedFolder()
    folders.push(folder)
    await expect(start(folder, { NITRO_HOST: '0.0.0.0' })).rejects.toThrow(/set INTERLUMEN_JOIN_CODE/)
    await expect(start(folder, { NITRO_HOST: '0.0.0.0', INTERLUMEN_JOIN_CODE: 'booth-7' })).rejects.toThrow(
      /has 7 characters; it needs at least 8/,
    )
    const server = await launch(folder, { NITRO_HOST: '0.0.0.0', INTERLUMEN_JOIN_CODE: 'booth-code-7' })
    const status = async (path: string, headers: Record<string, string> = {}) =>
      (await fetch(`${server.url}${path}`, { headers, redirect: 'manual' })).status
    for (let i = 0; i < 400 && (await status('/').catch(() => 0)) === 0; i++)
      await new Promise(resolve => setTimeout(resolve, 50))
    expect(await status('/api/shows')).toBe(403)
    expect(await status('/?join=wrong-7')).toBe(403)
    const joined = await fetch(`${server.url}/?join=booth-code-7`, { redirect: 'manual' })
    const cookie = joined.headers.get('set-cookie')!
    expect(joined.status).toBe(302)
    expect(cookie).toMatch(/HttpOnly.*SameSite=Strict/)
    expect(cookie).not.toContain('booth-code-7')
    expect(await status('/api/shows', { cookie: cookie.split(';')[0]! })).toBe(200)
    // Files of the page are behind the same door.
    expect(await status('/mark.svg')).toBe(403)
    expect(await status('/mark.svg', { cookie: cookie.split(';')[0]! })).toBe(200)
    expect(await status('/api/shows', { cookie: 'interlumen-join=booth-code-7' })).toBe(403)
    await server.stop()
  })
})
