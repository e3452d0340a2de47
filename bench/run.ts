// npm run bench: reports speeds. In Node.js: resolve, trace and check. On the built server in Chromium: from an edit to
// its verdict in the store, the round trip of a write, the first usable paint of the board, and what a first visit loads, and how long a save waits for others.
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { resolve, runsOf, trace } from '#core/chain'
import { FORMAT_VERSION, canonicalText } from '#core/document'
import { check } from '#core/features'
import { PRESETS, choose, chooserOf, taskOf } from '#core/features/patch'
import { inPlace, ladder } from '#core/features/standard'
import { remediesOf } from '#core/propose'

import { ask, dropFolder, freshFolder, start } from '../server/tests/running'
import { confusion } from '../testing/drawn'
import highsLoader from 'highs'

import { greedyMinor } from './greedy'
import { hall } from './halls'
import { found, layers, overMoments } from './keys'
import { largePlan, twoSwitchers } from './plans'
import { drawing, multiviewing } from './drawing'
import { show } from './show'
import { stalls } from './stalls'

const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))]!
const report = (what: string, values: readonly number[]) =>
  console.log(
    `${what.padEnd(58)} median ${quantile(values, 0.5).toFixed(2).padStart(8)} ms   p95 ${quantile(values, 0.95).toFixed(2).padStart(8)} ms`,
  )

function time(work: () => unknown, times: number): number[] {
  for (let i = 0; i < times; i++) work()
  return Array.from({ length: times }, () => {
    const begun = performance.now()
    work()
    return performance.now() - begun
  })
}

console.log(`Node.js ${process.version}`)
for (const sources of [10, 60, 200, 1000]) {
  const plan = largePlan(sources)
  const chain = resolve(plan)
  const checked = check(plan)
  const hops = runsOf(chain, trace(chain)).reduce((sum, { links }) => sum + 2 * links.length + 1, 0)
  console.log(
    `\n${sources} sources, ${Object.keys(plan.devices).length} devices, ${Object.keys(plan.links).length} links, ${hops} hops, ${checked.findings.length} findings`,
  )
  report(
    '  resolve',
    time(() => resolve(plan), 100),
  )
  report(
    '  trace',
    time(() => trace(chain), 100),
  )
  report(
    '  resolve + trace + check',
    time(() => check(plan), 100),
  )
  if (sources < 200 && checked.findings.length)
    report(
      '  all remedies of a finding, each tried',
      checked.findings.slice(0, 8).map(finding => time(() => remediesOf(checked, finding), 3)[2]!),
    )
}

const two = check(twoSwitchers(24))
const rungs = ladder(two, inPlace)
console.log(`\n24 sources on two switchers, ${rungs.length} standards, ${two.findings.length} findings`)
report(
  '  the ladder: every standard planned, applied and checked',
  time(() => ladder(two, inPlace), 10),
)

const highs = await highsLoader()
show(highs, report)

for (const width of [640, 1280])
  for (const [what, times] of [
    ['program drawn', drawing(width, 300).slice(50)],
    ['program and multiview of nine drawn, two keys', multiviewing(width, 300).slice(50)],
  ] as const) {
    report(`  ${what}, ${width}x${(width * 9) / 16}, all moving, a mix, keys`, times)
    console.log(
      `${''.padEnd(58)} ${((100 * times.filter(ms => ms > 20).length) / times.length).toFixed(0)} % of frames over 20 ms`,
    )
  }
console.log('\nOne layer more at 1280x720, in one thread')
for (const [layer, kernels, plainly] of layers(40))
  console.log(
    `  ${layer.padEnd(56)} kernels ${kernels.toFixed(2).padStart(8)} ms   plainly ${plainly.toFixed(0).padStart(6)} ms`,
  )
console.log('\n300 graphics drawn by chance: there and told, there and silent, told and not there, neither')
for (const [code, row] of Object.entries(confusion(300).table)) console.log(`  ${code}  ${row.join('  ')}`)
console.log(`  one overlay measured over 40 photographs of 1280x720: ${overMoments(40).toFixed(0)} ms`)
report('  the best setting of a panel of 100 steps, of 30 graphics', found(30))

for (const [sources, switchers] of [
  [8, 1],
  [24, 2],
  [48, 4],
] as const) {
  const checked = check(hall(sources, switchers))
  const runs = Array.from({ length: 3 }, () => {
    const begun = performance.now()
    const task = taskOf(checked)
    const looked = performance.now()
    const chooser = chooserOf(task, PRESETS.even.weights)
    const solution = choose(highs, chooser)
    const proven = performance.now()
    if (typeof solution === 'string') throw new Error(solution)
    return { task, solution, ways: looked - begun, proof: proven - begun, columns: chooser.program.size.columns }
  })
  const { task, solution, columns } = runs[0]!
  const cheapest = choose(highs, chooserOf(task, PRESETS.money.weights))
  console.log(
    `\n${sources} sources on ${switchers} switcher${switchers > 1 ? 's' : ''}, unwired: ${task.demands.length} questions, ${task.demands.reduce((sum, { choices }) => sum + choices.length, 0)} ways, ${columns} unknowns, ${solution.proven ? 'proven' : 'not proven'}`,
  )
  report(
    '  all ways found',
    runs.map(({ ways }) => ways),
  )
  report(
    '  best patch found and proven, ways included',
    runs.map(({ proof }) => proof),
  )
  const greedy = greedyMinor(task)
  console.log(
    `  price of the patch: ${(solution.minor / 100).toFixed(0)}, least money ${typeof cheapest === 'string' ? cheapest : (cheapest.minor / 100).toFixed(0)}, a plain greedy patch ${greedy === undefined ? 'leaves somebody out' : (greedy / 100).toFixed(0)}; gear alone ${(task.bareMinor / 100).toFixed(0)}`,
  )
  console.log(
    `  memory: process ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB, of which the solver ${(highs.memoryBytes / 1e6).toFixed(0)} MB`,
  )
}

const folder = freshFolder()
const server = await start(folder)
const {
  body: { id },
} = await ask<{ id: string }>(
  `${server.url}/api/shows/import`,
  'POST',
  canonicalText({ format: FORMAT_VERSION, show: { title: 'Sixty' }, plans: { main: largePlan(60) } }),
)
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})
console.log(`\nChromium ${browser.version()}, 60 sources`)

const paints: number[] = []
for (let i = 0; i < 9; i++) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.goto(`${server.url}/shows/${id}/main/runs`, { waitUntil: 'commit' })
  // A look at the page meanwhile would cost it time.
  await page.waitForTimeout(2000)
  // Where nothing stood before the board, its frame is on the screen when the browser says so.
  paints.push(
    await page.evaluate(() =>
      Math.max(
        ...['interlumen:board', 'first-contentful-paint'].map(name => performance.getEntriesByName(name)[0]!.startTime),
      ),
    ),
  )
  await page.context().close()
}
report('  first usable paint of the board, from navigation', paints)

const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
const scripts: number[] = []
page.on('response', async response => {
  if (new URL(response.url()).pathname.endsWith('.js')) scripts.push(gzipSync(await response.body()).length)
})
await page.goto(`${server.url}/shows/${id}/main/runs`)
await page.waitForFunction(() => performance.getEntriesByName('interlumen:board').length > 0)
await page.waitForTimeout(500)
console.log(
  `  JavaScript of a first visit to the board, gzip: ${(scripts.reduce((sum, size) => sum + size, 0) / 1000).toFixed(0)} kB in ${scripts.length} files`,
)
for (let i = 0; i < 60; i++) {
  await page.evaluate(async metres => {
    interface Store {
      commit(title: string, edits: unknown[]): Promise<boolean>
    }
    const app = (
      document.querySelector('#__nuxt') as unknown as {
        __vue_app__: { config: { globalProperties: { $pinia: { _s: Map<string, Store> } } } }
      }
    ).__vue_app__
    await app.config.globalProperties.$pinia._s
      .get('plan')!
      .commit('Measure', [{ do: 'set', at: ['links', 'source-001-c-a', 'routeM'], value: metres }])
  }, 10 + i)
  await page.waitForTimeout(60)
}
const measured = (name: string) =>
  page.evaluate(measure => performance.getEntriesByName(measure).map(({ duration }) => duration), name)
report(
  '  from dispatch of an edit to the verdict in the store',
  (await measured('interlumen:edit-to-verdict')).slice(10),
)
report('  round trip of a write to the server', (await measured('interlumen:write')).slice(10))
// The board of 60 sources scrolled for two seconds: how long each frame took.
// As text: what tsx makes of named functions does not run in the page.
const frames = await page.evaluate<number[]>(`new Promise((resolve) => {
  const area = document.querySelector('.board .scroll')
  const times = []
  let last = performance.now()
  requestAnimationFrame(function step(now) {
    times.push(now - last)
    last = now
    area.scrollTop += area.scrollTop + area.clientHeight >= area.scrollHeight - 1 ? -area.scrollTop : 24
    if (times.length < 180) requestAnimationFrame(step)
    else resolve(times.slice(1))
  })
})`)
report(`  a frame while ${await page.locator('.lanes > li').count()} lanes scroll`, frames)
// In the page's own worker, as the Standard screen asks for it.
const {
  body: { id: ladderShow },
} = await ask<{ id: string }>(
  `${server.url}/api/shows/import`,
  'POST',
  canonicalText({ format: FORMAT_VERSION, show: { title: 'Two switchers' }, plans: { main: twoSwitchers(24) } }),
)
await page.goto(`${server.url}/shows/${ladderShow}/main/standard`)
await page.getByText(/standards tried in/).waitFor()
const tries: number[] = []
for (let i = 0; i < 8; i++) {
  await page.reload()
  tries.push(Number(/tried in (\d+)/.exec(await page.getByText(/standards tried in/).innerText())![1]))
}
report('  the ladder in the worker of a fresh page, 24 sources', tries)
await browser.close()
await server.stop()
dropFolder(folder)
console.log('\nThe save of one client while another asks for what is heavy')
await stalls()
