import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { openFile } from '#core/plan'

const root = fileURLToPath(new URL('..', import.meta.url))
const run = (args: string[], input?: string) => spawnSync(process.execPath, ['--import', 'tsx', 'cli/interlumen.ts', ...args], { cwd: root, encoding: 'utf8', input })
const CLEAN = 'demo/kiln-night.json'
const DRAFT = 'demo/kiln-night-draft.json'

describe('check', () => {
  it('ends with 0 for a clean plan', () => {
    const { status, stdout } = run(['check', CLEAN])
    expect(stdout).toContain('8 of 8 pictures arrive')
    expect(status).toBe(0)
  })
  it('ends with 1 when something is dark, and says what and how to mend it', () => {
    const { status, stdout } = run(['check', DRAFT])
    expect(stdout).toMatch(/D {2}F02:link\/captions-to-main\/to\n.*1080p60.*\n {3}1\. Set Caption computer to 1080p59.94 {2}\(then 4 of 8\)/)
    expect(status).toBe(1)
  })
  it('prints JSON', () => {
    const { status, stdout } = run(['check', DRAFT, '--json'])
    const { verdict, findings } = JSON.parse(stdout)
    expect(status).toBe(1)
    expect(verdict).toMatchObject({ arrive: 0, wanted: 8, D: 5 })
    const long = findings.find(({ id }: { id: string }) => id === 'L01')
    expect(long).toMatchObject({ key: 'L01:link/close-to-main/cable', severity: 'D', at: { on: 'link', link: 'close-to-main', part: 'cable' }, numbers: { length: { value: 25, unit: 'm' }, reach: { value: 15, unit: 'm' } } })
    expect(long.remedies[0]).toMatchObject({ title: 'Take 30 m Optical HDMI', edits: expect.any(Array) })
  })
  it.each([
    ['a file that is not there', ['check', 'nope.json'], /nope\.json: ENOENT/],
    ['a file that is no plan', ['check', 'package.json'], /package\.json: \/format: found nothing; allowed: 2/],
    ['a plan that the file lacks', ['check', CLEAN, '--plan', 'other'], /no plan other; the file has main/],
    ['an unknown argument', ['check', CLEAN, '--loud'], /unknown argument --loud/],
    ['no command', [], /usage:/],
    ['an unknown finding', ['apply', DRAFT, '--finding', 'X', '--remedy', '1'], /no finding X; there are: F02/],
    ['an unknown remedy', ['apply', DRAFT, '--finding', 'F02:link/captions-to-main/to', '--remedy', '99'], /no remedy 99; there are 1 to/],
  ])('ends with 2 for %s', (_, args, message) => {
    const { status, stderr, stdout } = run(args)
    expect(stderr).toMatch(message)
    expect(stdout).toBe('')
    expect(status).toBe(2)
  })
})

describe('apply', () => {
  it('mends the draft remedy by remedy until the check ends with 0', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'interlumen-cli-')), 'plan.json')
    writeFileSync(file, readFileSync(join(root, DRAFT)))
    for (let i = 0; i < 5; i++) {
      const { findings } = JSON.parse(run(['check', file, '--json']).stdout)
      const { status, stdout } = run(['apply', file, '--finding', findings[0].key, '--remedy', '1'])
      expect(status).toBe(0)
      expect(openFile(stdout).ok).toBe(true)
      writeFileSync(file, stdout)
    }
    expect(run(['check', file]).status).toBe(0)
    expect(run(['check', '-'], readFileSync(file, 'utf8')).status).toBe(0)
  })
})
