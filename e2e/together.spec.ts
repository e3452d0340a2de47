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
