import { spawnSync } from 'node:child_process'
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { SOAK } from '../../testing/soak'
import { ask, dropFolder, freshFolder, preparedFolder, start } from './running'

describe('a process that hangs', () => {
  it('is ended by its watch, with a sentence', () => {
    const watch = fileURLToPath(new URL('../utils/watch.ts', import.meta.url))
    const folder = freshFolder()
    const script = join(folder, 'hangs.mts')
    writeFileSync(
      script,
      `import { watchMyself } from ${JSON.stringify(watch)}
      watchMyself(400)
      setTimeout(() => { for (;;); }, 900)`,
    )
    const { signal, stderr } = spawnSync(process.execPath, ['--import', 'tsx', script], {
      encoding: 'utf8',
      timeout: 60_000,
    })
    dropFolder(folder)
    expect(signal).toBe('SIGKILL')
    expect(stderr).toMatch(/the server hangs and is ended; nothing that was acknowledged is lost/)
  })
})

// It mounts a file system of its own, which only the administrator of a machine may.
describe.runIf(SOAK)('a file system that is really full', () => {
  it('refuses writes, answers, reads, and writes again when there is room', async () => {
    const root = freshFolder()
    const disk = join(root, 'disk')
    mkdirSync(disk)
    const mount = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=160m', 'tmpfs', disk], { encoding: 'utf8' })
    expect(mount.stderr).toBe('')
    const prepared = await preparedFolder()
    spawnSync('cp', ['-r', prepared, join(disk, 'data')])
    const server = await start(join(disk, 'data'), { INTERLUMEN_SPARE_MB: '0' })
    try {
      const { id } = (await ask(`${server.url}/api/shows`, 'POST', { title: 'Full' })).body
      const write = (seq: number, base: number) =>
        ask(`${server.url}/api/shows/${id}/plans/main/transactions`, 'POST', {
          base,
          transactions: [
            { client: 'tests', seq, title: 'T', edits: [{ do: 'set', at: ['title'], value: `T ${seq}` }] },
          ],
        })
      expect((await write(1, 0)).status).toBe(200)
      const ballast = join(disk, 'ballast')
      spawnSync('dd', ['if=/dev/zero', `of=${ballast}`, 'bs=64k'])
      let base = 1
      let refused: number | undefined
      for (let seq = 2; seq < 4000 && refused === undefined; seq++) {
        const { status, body } = await write(seq, base)
        if (status === 200) base = body.revision
        else refused = status
      }
      expect(refused).toBe(507)
      expect((await ask(`${server.url}/api/shows/${id}/plans/main`)).body.revision).toBe(base)
      rmSync(ballast)
      expect((await write(9000, base)).status).toBe(200)
    } finally {
      await server.stop()
      spawnSync('umount', [disk])
      dropFolder(root)
      dropFolder(prepared)
    }
  })
})
