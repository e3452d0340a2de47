import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { HERE, judgeBeside } from './index'

const folder = mkdtempSync(join(tmpdir(), 'interlumen-judge-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const bytes = (text: string) => new TextEncoder().encode(text)

describe('a judge', () => {
  it('tells why a file cannot be used, with its place', async () =>
    expect(await HERE.prepare(bytes('{"format": 3, "show": {}, "plans": {}}'))).toMatchObject({
      ok: false,
      problem: { path: expect.stringMatching(/^\/(show|plans)/) },
    }))
  it('whose thread dies fails what was asked, and begins another for the next', async () => {
    const script = join(folder, 'judge.mjs')
    writeFileSync(
      script,
      `import { parentPort } from 'node:worker_threads'\nparentPort.once('message', () => process.exit(3))`,
    )
    const judge = judgeBeside(script)
    await expect(judge.summary('{}')).rejects.toThrow(/the judge (ended|failed)/)
    await expect(judge.summary('{}')).rejects.toThrow(/the judge (ended|failed)/)
  })
  it('answers in the thread that asks where no other was built', () =>
    expect(judgeBeside(join(folder, 'none.mjs'))).toBe(HERE))
})
