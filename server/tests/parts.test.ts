import { existsSync, mkdtempSync, readFileSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { FolderInUse, lockFolder } from '../store/lock'
import { Gate } from '../utils/gate'
import { policyFor, scriptHashes } from '../utils/policy'
import { hostName, isLoopback, mayServe, mayWrite } from '../utils/host'

describe('host names', () => {
  it.each([
    ['127.0.0.1', true],
    ['127.1.2.3', true],
    ['localhost', true],
    ['::1', true],
    ['[::1]', true],
    ['0.0.0.0', false],
    ['128.0.0.1', false],
    ['127.0.0.1.evil.example', false],
    ['evil.example', false],
  ])('%s is this machine: %s', (host, is) => expect(isLoopback(host)).toBe(is))
  it.each<[string | undefined, string, string[], boolean]>([
    ['localhost:3000', '127.0.0.1', [], true],
    ['127.0.0.1:3000', '127.0.0.1', [], true],
    ['[::1]:3000', '127.0.0.1', [], true],
    [undefined, '127.0.0.1', [], false],
    ['evil.example', '127.0.0.1', [], false],
    ['192.0.2.7:80', '127.0.0.1', [], false],
    ['192.0.2.7:80', '0.0.0.0', [], true],
    ['[2001:db8::1]:80', '0.0.0.0', [], true],
    ['evil.example', '0.0.0.0', [], false],
    ['booth.example:80', '0.0.0.0', ['booth.example'], true],
    ['BOOTH.example', '127.0.0.1', ['booth.example'], true],
  ])('%s, listening on %s with names %j: %s', (host, bound, names, is) => expect(mayServe(host, bound, names)).toBe(is))
  it('drop the port', () => expect([hostName('A.example:80'), hostName('[::1]:80')]).toEqual(['a.example', '[::1]']))
})

describe('writes', () => {
  it.each<[string | undefined, string | undefined, string, boolean]>([
    [undefined, undefined, 'localhost:1', true],
    ['http://localhost:1', 'same-origin', 'localhost:1', true],
    ['http://localhost:1', undefined, 'LOCALHOST:1', true],
    ['http://localhost:2', undefined, 'localhost:1', false],
    ['http://evil.example', undefined, 'localhost:1', false],
    ['null', undefined, 'localhost:1', false],
    ['rubbish', undefined, 'localhost:1', false],
    [undefined, 'cross-site', 'localhost:1', false],
    [undefined, 'same-site', 'localhost:1', false],
    [undefined, 'none', 'localhost:1', true],
  ])('from %s (%s) to %s: %s', (origin, site, host, is) => expect(mayWrite(origin, site, host)).toBe(is))
})

describe('the lock of a folder', () => {
  const folder = () => mkdtempSync(join(tmpdir(), 'interlumen-lock-'))
  const lockOf = (path: string) => join(path, 'interlumen.lock')
  it('is given back', async () => {
    const path = folder()
    const unlock = await lockFolder(path)
    expect(JSON.parse(readFileSync(lockOf(path), 'utf8'))).toMatchObject({ pid: process.pid })
    unlock()
    expect(existsSync(lockOf(path))).toBe(false)
  })
  it.each([
    ['of a process that is gone', JSON.stringify({ pid: 2 ** 22 - 1, began: '1' })],
    ['of another process that took the number of a gone one', JSON.stringify({ pid: 1, began: '-1' })],
    ['that cannot be read', 'half wri'],
    ['of this machine before it was started anew', JSON.stringify({ pid: 1, began: '', boot: 'before' })],
  ])('%s is taken over', async (_, lock) => {
    const path = folder()
    writeFileSync(lockOf(path), lock)
    ;(await lockFolder(path))()
  })
  it('of a running process is respected', async () => {
    const path = folder()
    const stat = readFileSync('/proc/1/stat', 'utf8')
    writeFileSync(lockOf(path), JSON.stringify({ pid: 1, began: stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] }))
    await expect(lockFolder(path)).rejects.toThrow(FolderInUse)
    await expect(lockFolder(path)).rejects.toThrow(/in use by process 1;/)
    expect(existsSync(lockOf(path))).toBe(true)
  })
  // The same number may run here: in another container it says nothing.
  const elsewhere = { pid: process.pid, began: '1', host: 'booth-two', boot: 'another', space: 'pid:[1]' }
  it('of another machine is respected while it is touched', async () => {
    const path = folder()
    writeFileSync(lockOf(path), JSON.stringify(elsewhere))
    const beat = setInterval(() => utimesSync(lockOf(path), new Date(), new Date(Date.now() + 1000)), 200)
    await expect(lockFolder(path, undefined, 2000)).rejects.toThrow(/in use by process \d+ on booth-two/)
    clearInterval(beat)
  })
  it('of another machine is taken over once it stands still', async () => {
    const path = folder()
    writeFileSync(lockOf(path), JSON.stringify(elsewhere))
    ;(await lockFolder(path, undefined, 300))()
  })
})

describe('the gate', () => {
  it('gives a pass that does not tell the code, and another after each start', () => {
    const [gate, later] = [new Gate('kiln-night-7'), new Gate('kiln-night-7')]
    expect(gate.try('kiln-night-7', 'a', 0)).toEqual({ ok: true, wait: 0 })
    expect(gate.knows(gate.pass)).toBe(true)
    expect(gate.pass).not.toContain('kiln-night-7')
    expect(gate.knows(later.pass)).toBe(false)
    expect(gate.knows('kiln-night-7')).toBe(false)
    expect(gate.knows(undefined)).toBe(false)
  })
  it('slows down who guesses, the right code too, and nobody else', () => {
    const gate = new Gate('kiln-night-7')
    for (let n = 0; n < 4; n++) expect(gate.try(`guess-${n}`, 'a', 0)).toEqual({ ok: false, wait: 0 })
    // The fifth waits 2 s, each further one twice as long.
    expect(gate.try('guess', 'a', 0)).toEqual({ ok: false, wait: 2000 })
    expect(gate.try('kiln-night-7', 'a', 1999)).toEqual({ ok: false, wait: 1 })
    expect(gate.try('kiln-night-7', 'b', 1999)).toEqual({ ok: true, wait: 0 })
    expect(gate.try('guess', 'a', 2000)).toEqual({ ok: false, wait: 4000 })
    expect(gate.try('kiln-night-7', 'a', 6000)).toEqual({ ok: true, wait: 0 })
    expect(gate.try('guess', 'a', 6000)).toEqual({ ok: false, wait: 0 })
  })
})

describe('the policy of a page', () => {
  it('names the scripts that stand in it by the hash of their text, and allows no other', () => {
    // printf 'alert(1)' | openssl dgst -sha256 -binary | base64
    const html =
      '<script>alert(1)</script><script src="/a.js"></script><script type="application/json">{"a":1}</script>'
    expect(scriptHashes(html)).toEqual(['sha256-bhHHL3z2vDgxUt0W3dWQOrprscmda2Y5pLsLg4GF+pI='])
    expect(policyFor(scriptHashes(html))).toMatch(/script-src 'self' 'wasm-unsafe-eval' 'sha256-bhHHL3/)
    expect(policyFor([])).not.toMatch(/script-src[^;]*unsafe-inline/)
  })
})
