import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test'
import { dropFolder, freshFolder, start, type Running } from '../server/tests/running'

/** Every test fails when the page asks anything of another machine, or throws. */
export const test = base.extend<{ page: Page }, { server: Running; visited: BrowserContext }>({
  // One server a worker, with a data folder of its own.
  server: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const folder = freshFolder()
      const server = await start(folder, { INTERLUMEN_DEMO: '1' })
      await use(server)
      await server.stop()
      dropFolder(folder)
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  // A browser that has been here before: scripts are compiled once a worker, not once a walk.
  visited: [
    async ({ browser, server }, use) => {
      const context = await browser.newContext({ baseURL: server.url, viewport: { width: 1280, height: 800 } })
      await use(context)
      await context.close()
    },
    { scope: 'worker' },
  ],
  baseURL: ({ server }, use) => use(server.url),
  context: async ({ visited }, use) => {
    await use(visited)
    await visited.setOffline(false)
    await visited.unrouteAll({ behavior: 'ignoreErrors' })
    await Promise.all(visited.pages().map(page => page.close()))
    // Of what the walk left in the browser nothing stays.
    const page = await visited.newPage()
    await page.goto('/favicon.ico')
    await page.evaluate(() => {
      localStorage.clear()
    })
    await page.close()
    await visited.clearCookies()
  },
  page: async ({ context, baseURL }, use) => {
    const page = await context.newPage()
    const outside: string[] = []
    const errors: string[] = []
    page.on('request', request => {
      const { protocol, origin } = new URL(request.url())
      if (protocol.startsWith('http') && origin !== baseURL) outside.push(request.url())
    })
    page.on('pageerror', error => errors.push(error.message))
    page.on('console', message => {
      if (/Content Security Policy/.test(message.text())) errors.push(message.text())
    })
    await use(page)
    expect(outside, 'requests that leave the machine').toEqual([])
    expect(errors, 'errors of the page').toEqual([])
  },
})
export { expect }

export const verdict = (page: Page) => page.getByRole('heading', { level: 1 })
export const lane = (page: Page, words: RegExp | string) => page.getByRole('listitem').filter({ hasText: words })

export async function openShow(page: Page, title: string): Promise<void> {
  await page.goto('/')
  await page
    .locator('a.open', { has: page.getByText(title, { exact: true }) })
    .first()
    .click()
  await expect(page.getByRole('list', { name: 'Runs' })).toBeAttached()
}

/** A kept connection may be closed by the server in the very moment that it is used again. */
export const AGAIN = { maxRetries: 3 }

/** Opens a copy of a demo show, so that walks do not meet each other's changes. */
export async function openCopy(page: Page, title: string, screen = 'runs'): Promise<string> {
  // The demo shows are put in while the server answers already.
  let demo: { id: string; title: string } | undefined
  await expect(async () => {
    const shows = (await (await page.request.get('/api/shows', AGAIN)).json()) as { id: string; title: string }[]
    demo = shows.find(show => show.title === title)
    expect(demo).toBeDefined()
  }).toPass()
  const { id } = (await (await page.request.post(`/api/shows/${demo!.id}/duplicate`, AGAIN)).json()) as { id: string }
  await page.goto(`/shows/${id}/main/${screen}`)
  await expect(verdict(page)).toBeVisible()
  return `/shows/${id}/main`
}

/** Presses keys one after the other. */
export const press = async (page: Page, ...keys: string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key)
}

export const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible()

export async function newShow(page: Page, title: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: /New show/ }).click()
  await page.getByLabel('What is it called?').fill(title)
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(verdict(page)).toHaveText('No pictures planned yet')
}

export interface Adding {
  readonly model: string
  readonly name?: string
  /** Values of the select fields by label. */
  readonly choose?: Readonly<Record<string, string | RegExp>>
  readonly metres?: number
}

/** Adds a device with the mouse. */
export async function add(page: Page, { model, name, choose = {}, metres }: Adding): Promise<void> {
  await page
    .getByRole('button', { name: /^Add a (device|switcher)/ })
    .first()
    .click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('option', { name: model, exact: true }).click()
  if (name) await dialog.getByLabel(/What you call/).fill(name)
  for (const [label, value] of Object.entries(choose)) {
    await dialog.locator('.v-select', { hasText: label }).click()
    await page
      .locator('.v-overlay-container .v-list')
      .getByRole('option', { name: value, exact: typeof value === 'string' })
      .click()
  }
  if (metres !== undefined) await dialog.getByLabel(/Way of the cable/).fill(String(metres))
  await dialog.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog).toBeHidden()
}

/** No serious violation of what can be checked; `rules` keeps it to these, where only colours have changed. */
export async function expectAccessible(page: Page, rules?: string[]): Promise<void> {
  // There are no frames: without them it takes half the time.
  const builder = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
  const { violations } = await (rules ? builder.withRules(rules) : builder).analyze()
  expect(
    violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes.map(node => node.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([])
}

/** Goes to a screen by its name, with the keys alone. */
export async function goTo(page: Page, title: string): Promise<void> {
  await page.keyboard.press('Control+k')
  await page.getByLabel('Find a device, a run or an action').fill(`Go to ${title}`)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: title })).toHaveAttribute(
    'aria-current',
    'page',
  )
}
