// Makes docs/screenshots from the demo shows, on the built server with a data folder of its own.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium, type Page } from '@playwright/test'
import { dropFolder, freshFolder, start } from '../server/tests/running'

const folder = '/tmp/shots'
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
  await on.waitForTimeout(700)
  await on.screenshot({ path: join(folder, `${name}.png`) })
}
let shows: { id: string; title: string }[] = []
// The demo shows are put in while the server answers already.
while (!shows.some(({ title }) => title === 'Harbour Robotics Cup')) {
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
const BD = 'Bookshop Reading, first draft'
await open(BD, 'overlays', '.picture canvas')
await page.getByRole('option', { name: /Books at the door/ }).first().click().catch(() => {})
await page.keyboard.press('k')
await page.waitForTimeout(500)
await shoot('o1')
for (const b of await page.getByRole('tab').all()) console.log(await b.textContent())
await page.getByText('Keyers', { exact: false }).first().click().catch(() => {})
await page.waitForTimeout(1500)
await shoot('o2')
await open('Bookshop Reading', 'time', '.time svg')
await shoot('t1')
await page.getByLabel(/Metres of air/).first().fill('12')
await page.keyboard.press('Enter')
await page.waitForTimeout(800)
await shoot('t2')
await page.getByRole('option', { name: /translator sees/ }).click()
await shoot('t3')
await open('Bookshop Reading', 'power', 'h1')
await shoot('p1')
await theme('day')
await open(BD, 'power', 'h1')
await shoot('p2')
await browser.close()
await server.stop()
dropFolder(data)
