// npm test: installs what is missing and runs every check. Ends with one line over all of them.
import { readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, chromium, install, npm, run } from './run.mjs'

let passed = 0
let failed = 0
const times = []

async function step(name, work) {
  console.log(`\n== ${name}`)
  const start = Date.now()
  const [good, bad] = await work()
  passed += good
  failed += bad
  times.push(`${name} ${((Date.now() - start) / 1000).toFixed(0)} s`)
}

const single = async code => ((await code) === 0 ? [1, 0] : [0, 1])

/** Runs a test runner that writes its counts as JSON; a runner that dies counts as one failure. */
async function counted(args, env, read) {
  const file = join(tmpdir(), `interlumen-${process.pid}-${times.length}.json`)
  const code = await run(npm, [...args(file)], { env: env(file) })
  try {
    const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')))
    return [good, Math.max(bad, code === 0 ? 0 : 1)]
  }
  catch {
    return [0, 1]
  }
  finally {
    rmSync(file, { force: true })
  }
}

const vitest = config => counted(
  file => ['exec', '--', 'vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${file}`, ...(config ? ['--config', config] : [])],
  () => ({}),
  json => [json.numPassedTests, json.numFailedTests + json.testResults.filter(result => result.status === 'failed' && result.assertionResults.length === 0).length],
)

try {
  await install()
  chromium()
  await step('lint', () => single(run(npm, ['run', '-s', 'lint'])))
  await step('types', () => single(run(npm, ['run', '-s', 'types'])))
  await step('unit tests', () => vitest())
  await step('build', () => single(build()))
  await step('server tests', () => vitest('vitest.server.config.ts'))
  await step('browser tests', () => counted(
    () => ['exec', '--', 'playwright', 'test', '--reporter=list,json'],
    file => ({ PLAYWRIGHT_JSON_OUTPUT_NAME: file }),
    json => [json.stats.expected, json.stats.unexpected + json.stats.flaky],
  ))
}
catch (error) {
  console.error(`interlumen: ${error.message}`)
  failed++
}
console.log(`\n${times.join(', ')}`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
