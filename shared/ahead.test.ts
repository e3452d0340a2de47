import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { aheadOf, screenFiles, type Chunk } from '../scripts/ahead'
import { SCREENS } from '../app/features'
import { headAhead, type Ahead } from './ahead'

const AHEAD: Ahead = {
  checker: 'check.worker-1.js',
  screens: { runs: { modules: ['a.js', 'b.js'], styles: ['a.css'] } },
}

describe('the head of a page', () => {
  it('begins worker, plan and the modules of its screen', () => {
    const head = headAhead('/shows/kiln-night/main/kit', { ...AHEAD, screens: { kit: AHEAD.screens.runs! } })
    expect(head).toContain("new Worker('/_nuxt/check.worker-1.js'")
    expect(head).toContain('["a.js","b.js"]')
    expect(head).toContain('<link rel="stylesheet" href="/_nuxt/a.css" crossorigin>')
    const script = /^<script>(.*?)<\/script>/.exec(head)![1]!
    expect(() => new Function(script)).not.toThrow()
  })
  it('begins no worker for the board, which is drawn from the verdict that comes with the plan', () => {
    const head = headAhead('/shows/kiln-night/main/runs', AHEAD)
    expect(head).not.toContain('new Worker')
    expect(head).toContain('judged')
    expect(() => new Function(/^<script>(.*?)<\/script>/.exec(head)![1]!)).not.toThrow()
  })
  it.each([
    ['/'],
    ['/shows/kiln-night/main'],
    ['/shows/kiln-night/main/runs/more'],
    ['/shows/Kiln/main/runs'],
    ["/shows/a'+alert(1)+'/main/runs"],
    ['/shows/a/<script>/runs'],
  ])('holds nothing at %s', path => expect(headAhead(path, AHEAD)).toBe(''))
  it('names no module of a screen that there is not, whatever it is called', () => {
    for (const screen of ['constructor', 'nowhere'])
      expect(headAhead(`/shows/a/main/${screen}`, AHEAD)).toContain('[].forEach')
  })
  it('is nothing where the build has no worker', () =>
    expect(headAhead('/shows/a/main/runs', { ...AHEAD, checker: undefined })).toBe(''))
})

describe('what a build has of each screen', () => {
  const chunk = (file: string, more: Partial<Chunk> = {}): Chunk => ({
    file,
    isEntry: false,
    imports: [],
    styles: [],
    ...more,
  })
  it('is its component with all that it imports, without the entry and what was not written', () => {
    const folder = mkdtempSync(join(tmpdir(), 'ahead-'))
    mkdirSync(join(folder, 'features/runs'), { recursive: true })
    writeFileSync(
      join(folder, 'features/runs/screen.ts'),
      "export const screen = {\n  id: 'runs',\n  load: () => import('./RunsScreen.vue'),\n}\n",
    )
    mkdirSync(join(folder, 'out'))
    for (const name of ['entry.js', 'runs.js', 'shared.js', 'page.js', 'check.worker-9.js', 'runs.css'])
      writeFileSync(join(folder, 'out', name), '')
    const found = aheadOf(
      [
        chunk('entry.js', { isEntry: true }),
        // A ring, and a file of another build.
        chunk('shared.js', { imports: ['entry.js', 'runs.js'] }),
        chunk('runs.js', {
          stands: '/here/app/features/runs/RunsScreen.vue',
          imports: ['shared.js', 'gone.js'],
          styles: ['runs.css', 'gone.css'],
        }),
        chunk('page.js', { stands: '/here/app/pages/shows/[show]/[plan]/[screen].vue', imports: ['entry.js'] }),
        chunk('gone.js'),
      ],
      join(folder, 'out'),
      join(folder, 'features'),
    )
    expect(found).toEqual({
      checker: 'check.worker-9.js',
      screens: { runs: { modules: ['page.js', 'runs.js', 'shared.js'], styles: ['runs.css'] } },
    })
  })
  it('knows the component of every screen', () => {
    const files = screenFiles(new URL('../app/features', import.meta.url).pathname)
    expect(Object.keys(files).sort()).toEqual(SCREENS.map(({ id }) => id).sort())
  })
})
