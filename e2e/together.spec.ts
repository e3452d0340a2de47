import type { Browser, Page } from '@playwright/test'
import { expect, openCopy, press, saved, test, verdict } from './walk'

/** A second person: a browser of their own, on the same address. */
async function second(browser: Browser, page: Page, name: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await context.addInitScript(who => localStorage.setItem('interlumen:name', who), name)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(verdict(other)).toBeVisible()
  return other
}

async function rename(page: Page, from: RegExp, to: string): Promise<void> {
  await page.getByRole('button', { name: from }).first().click()
  await press(page, 'Escape', 'r')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  await page.getByLabel('Name', { exact: true }).fill(to)
  await press(page, 'Enter')
  await expect(page.getByRole('dialog')).toBeHidden()
}

const device = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) }).first()

test('two people change different things: both land at once, without a question', async ({ page, browser }) => {
  await openCopy(page, 'Kiln Night')
  const other = await second(browser, page, 'Rosa')
  await rename(page, /^Wide camera/, 'Whole yard')
  await expect(device(other, 'Whole yard')).toBeVisible()
  await rename(other, /^Wheel close-up/, 'Hands')
  await expect(device(page, 'Hands')).toBeVisible()
  await expect(page.getByRole('dialog')).toBeHidden()
  // Undo is everybody's own: mine takes back my name and leaves hers.
  await press(page, 'Control+z')
  await expect(device(page, 'Wide camera')).toBeVisible()
  await expect(device(page, 'Hands')).toBeVisible()
  await expect(device(other, 'Wide camera')).toBeVisible()
  await other.context().close()
})

test('two people change the same while one is away: it asks, shows both, and keeps what is chosen', async ({
  page,
  browser,
}) => {
  await openCopy(page, 'Kiln Night')
  const other = await second(browser, page, 'Rosa')
  await page.context().setOffline(true)
  await rename(page, /^Wide camera/, 'Mine')
  await rename(page, /^Caption computer/, 'Captions')
  await expect(page.getByText('no server, kept in this browser')).toBeVisible()
  await rename(other, /^Wide camera/, 'Hers')
  await rename(other, /^Overhead phone/, 'From above')
  await saved(other)
  await page.context().setOffline(false)
  const question = page.getByRole('dialog', { name: 'Two changes meet' })
  await expect(question).toBeVisible()
  for (const words of ['Rosa', 'Hers', 'Mine', 'name of']) await expect(question).toContainText(words)
  await question.getByRole('button', { name: 'Take mine' }).click()
  await saved(page)
  // Nothing else was lost on either side.
  for (const one of [page, other])
    for (const name of ['Mine', 'Captions', 'From above']) await expect(device(one, name)).toBeVisible()
  await page.reload()
  for (const name of ['Mine', 'Captions', 'From above']) await expect(device(page, name)).toBeVisible()
  await other.context().close()
})

test('one takes out what the other changes: it asks, and keeping theirs leaves it out', async ({ page, browser }) => {
  await openCopy(page, 'Kiln Night')
  const other = await second(browser, page, 'Rosa')
  await page.context().setOffline(true)
  await rename(page, /^Overhead phone/, 'Top shot')
  await device(other, 'Overhead phone').click()
  await press(other, 'Escape', 'Delete')
  await expect(verdict(other)).toHaveText('7 of 7 pictures arrive')
  await saved(other)
  await page.context().setOffline(false)
  const question = page.getByRole('dialog', { name: 'Two changes meet' })
  await expect(question).toContainText('taken out')
  await expect(question).toContainText('Top shot')
  await question.getByRole('button', { name: 'Keep theirs' }).click()
  await expect(verdict(page)).toHaveText('7 of 7 pictures arrive')
  await saved(page)
  await other.context().close()
})

test('nine tabs of one browser: all open, all hear a change, and the first still saves when the others are gone', async ({
  page,
  context,
}) => {
  const base = await openCopy(page, 'Kiln Night')
  const others = await Promise.all(
    Array.from({ length: 8 }, async () => {
      const tab = await context.newPage()
      await tab.goto(`${base}/runs`)
      return tab
    }),
  )
  for (const tab of others) await expect(verdict(tab)).toBeVisible()
  await rename(page, /^Overhead phone/, 'Top shot')
  await saved(page)
  for (const tab of others) await expect(tab.getByRole('button', { name: /^Top shot/ }).first()).toBeVisible()
  // Whichever tab began the stream: it goes on without it.
  for (const tab of others.slice(0, 7)) await tab.close()
  await rename(others[7]!, /^Top shot/, 'From above')
  await expect(page.getByRole('button', { name: /^From above/ }).first()).toBeVisible()
  await saved(others[7]!)
  await others[7]!.close()
})

test('a change that the server refuses is set aside, told, and taken up again', async ({ page }) => {
  await openCopy(page, 'Kiln Night')
  await page.route('**/transactions', route =>
    route.fulfill({
      status: 422,
      contentType: 'application/json',
      body: JSON.stringify({ error: { code: 'refused', message: 'not today' } }),
    }),
  )
  await rename(page, /^Overhead phone/, 'Top shot')
  const bar = page.getByRole('alert').filter({ hasText: 'not saved' })
  await expect(bar).toContainText('not today')
  await expect(page.getByRole('button', { name: /^Overhead phone/ }).first()).toBeVisible()
  const download = page.waitForEvent('download')
  await bar.getByRole('button', { name: 'Keep as a file' }).click()
  expect((await download).suggestedFilename()).toMatch(/-changes\.json$/)
  await page.unroute('**/transactions')
  await page.reload()
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('button', { name: /^Top shot/ }).first()).toBeVisible()
  await saved(page)
  await expect(bar).toBeHidden()
})
