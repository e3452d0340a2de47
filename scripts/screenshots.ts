// Makes docs/screenshots from the demo shows, on the built server with a data folder of its own.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium, type Page } from '@playwright/test'
import { dropFolder, freshFolder, start } from '../server/tests/running'

const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url))
mkdirSync(folder, { recursive: true })
const data = freshFolder()
const server = await start(data, { INTERLUMEN_DEMO: '1' })
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
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })

const shoot = async (name: string, on: Page = page) => {
  await on.waitForFunction(() => document.querySelector('canvas[aria-busy=true]') === null)
  await on.waitForTimeout(700)
  await on.screenshot({ path: join(folder, `${name}.png`) })
}
let shows: { id: string; title: string }[] = []
// The demo shows are put in while the server answers already.
while (!shows.some(({ title }) => title === 'Three-hall Science Fair')) {
  await page.waitForTimeout(300)
  shows = (await (await page.request.get(`${server.url}/api/shows`)).json()) as typeof shows
}
const open = async (title: string, screen: string, ready: string, on: Page = page) => {
  await on.goto(`${server.url}/shows/${shows.find(show => show.title === title)!.id}/main/${screen}`)
  await on.locator(ready).first().waitFor()
}
const theme = (look: 'night' | 'day') => page.evaluate(to => localStorage.setItem('interlumen:theme', to), look)
const HARBOUR = 'Harbour Robotics Cup'
const MILL = 'Paper Mill Lectures, unwired'
const DRAFT = 'Harbour Robotics Cup, first draft'

await page.goto(server.url)
await page.locator('a.open').first().waitFor()
await theme('night')
await page.reload()
await page.locator('a.open').first().waitFor()
await shoot('shows')
await open(HARBOUR, 'brief', '.brief')
await shoot('brief')
await open(HARBOUR, 'kit', '.list')
await page.getByRole('option', { name: /^Main/ }).click()
await shoot('kit')
await open(DRAFT, 'standard', '[role=grid]')
await shoot('standard')
await open(HARBOUR, 'order', 'h1')
await shoot('order')
await open(MILL, 'patch', '.asks')
await page.keyboard.press('l')
await page.getByText(/ways that were listed for \d+ pictures/).waitFor({ timeout: 180_000 })
await shoot('patch')
await open(HARBOUR, 'switchers', '.sheet-steps')
await shoot('switchers')
await open(HARBOUR, 'outputs', '.cell canvas')
for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
await shoot('outputs')
await open('Observatory Quiz, first draft', 'overlays', '.picture canvas')
await page.getByRole('option', { name: /^Score/ }).click()
await page.getByText(/^measured in/).waitFor()
await shoot('overlays')
await open('Bookshop Reading', 'sound', '.hearing table')
await page.getByRole('option', { name: /Viewers of the stream/ }).click()
await shoot('sound')
await open(HARBOUR, 'rehearse', '.large canvas')
for (const key of ['2', 'Space', 'k', '8']) {
  await page.keyboard.press(key)
  await page.waitForTimeout(700)
}
await shoot('rehearse')
await open(HARBOUR, 'whatif', '.details h3')
await shoot('whatif')
await open(HARBOUR, 'inside', '.inside table')
await shoot('inside')
await open(HARBOUR, 'power', '.chart .barlayer .point')
await shoot('power')
await open(HARBOUR, 'time', '.time svg')
await shoot('time')
await open(HARBOUR, 'cost', '.chart svg')
await page.waitForTimeout(500)
await shoot('cost')
await open(HARBOUR, 'papers', '.desk table')
await shoot('papers')
await open(DRAFT, 'runs', '.spine')
await page.keyboard.press('n')
await page.locator('#offer-0').waitFor()
await shoot('runs-opened')
await page.setViewportSize({ width: 820, height: 1180 })
await theme('day')
await open(DRAFT, 'runs', '.spine')
await page.keyboard.press('n')
await page.locator('#offer-0').waitFor()
await shoot('tablet')

await browser.close()
await server.stop()
dropFolder(data)
