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
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })

const shoot = async (name: string, on: Page = page) => {
  await on.waitForTimeout(700)
  await on.screenshot({ path: join(folder, `${name}.png`) })
}
const open = async (title: string) => {
  await page.goto(server.url)
  await page.locator('a.open', { has: page.getByText(title, { exact: true }) }).click()
  await page.locator('.spine').first().waitFor()
}

await page.goto(server.url)
await page.locator('a.open').first().waitFor()
await shoot('shows')
await open('Kiln Night')
await shoot('runs-lit')
await page.getByRole('button', { name: /^RG-6/ }).click()
await shoot('change')
await open('Kiln Night, first draft')
await page.keyboard.press('n')
await page.locator('#offer-0').waitFor()
await page.keyboard.press('Escape')
await page.keyboard.press('n')
await page.locator('#offer-0').waitFor()
await shoot('runs-opened')
await page.keyboard.press('Escape')
await page.keyboard.press('a')
await page.getByRole('option', { name: 'Studio camera, SDI, all HD formats' }).click()
await shoot('add')
await page.keyboard.press('Escape')
await open('Kiln Night')
await page.setViewportSize({ width: 820, height: 1100 })
await page.getByRole('button', { name: /^Overhead phone/ }).click()
await shoot('tablet')

await browser.close()
await server.stop()
dropFolder(data)
