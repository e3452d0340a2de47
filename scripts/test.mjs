// npm test: installs what is missing and runs every check. Ends with one line over all of them.
// npm run soak is the same with everything tried where npm test tries a sample; it takes an hour.
import { readFileSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, chromium, install, npm, run } from './run.mjs'

const begun = Date.now()
const seconds = since => `${((Date.now() - since) / 1000).toFixed(0)} s`
let passed = 0
let failed = 0
const times = []

/** Runs one step; what it prints comes out whole when it ends, so that steps side by side do not mix. */
async function step(name, work) {
  const start = Date.now()
  let printed = ''
  console.log(`== ${name}: begun at ${seconds(begun)}`)
  const [good, bad] = await work(text => (printed += text))
  passed += good
  failed += bad
  times.push(`${name} ${seconds(start)}`)
  console.log(
    `${bad || process.env.CI_VERBOSE ? printed : printed.split('\n').slice(-12).join('\n')}\n== ${name}: ${good} passed, ${bad} failed in ${seconds(start)}\n`,
  )
}

const single = async code => ((await code) === 0 ? [1, 0] : [0, 1])

/** Runs a test runner that writes its counts as JSON; a runner that dies counts as one failure. */
async function counted(args, env, read, onOutput) {
  const file = join(tmpdir(), `interlumen-${process.pid}-${args('').join('-').replace(/\W+/g, '')}.json`)
  const code = await run(npm, [...args(file)], { env: env(file), onOutput })
  try {
    const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')))
    return [good, Math.max(bad, code === 0 ? 0 : 1)]
  } catch {
    return [0, 1]
  } finally {
    rmSync(file, { force: true })
  }
}

const deadFiles = ({ testResults }) =>
  testResults.filter(({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0).length

const vitest = config => onOutput =>
  counted(
    file => [
      ...['exec', '--', 'vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
      ...(config ? ['--config', config] : []),
    ],
    () => ({ INTERLUMEN_WORKERS: String(Math.max(1, availableParallelism() - 1)), NO_COLOR: '1' }),
    json => [json.numPassedTests, json.numFailedTests + deadFiles(json)],
    onOutput,
  )

const script = name => onOutput => single(run(npm, ['run', '-s', name], { onOutput, env: { NO_COLOR: '1' } }))

try {
  await install()
  chromium()
  const walks = onOutput =>
    counted(
      () => ['exec', '--', 'playwright', 'test', '--reporter=list,json'],
      file => ({ PLAYWRIGHT_JSON_OUTPUT_NAME: file, NO_COLOR: '1' }),
      json => [json.stats.expected, json.stats.unexpected + json.stats.flaky],
      onOutput,
    )
  // On two cores, pairs of what keeps both busy; where there are more, tests and walks take them. Types write where the build does, and the rest needs the build. The walks
  // take both cores alone, and the kills want time to write in.
  await Promise.all([step('build', onOutput => single(build(onOutput))), step('lint', script('lint'))])
  await Promise.all([
    step('types', script('types')).then(() => step('server tests', vitest('vitest.server.config.ts'))),
    step('unit tests', vitest()),
  ])
  await step('browser tests', walks)
} catch (error) {
  console.error(`interlumen: ${error.message}`)
  failed++
}
console.log(`\n${times.join(', ')}; ${seconds(begun)} in all`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
