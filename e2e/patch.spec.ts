import type { Page } from '@playwright/test'
import { MODELS } from '#core/catalog'
import type { Plan, ShowFile } from '#core/document'

import { AGAIN, expect, expectAccessible, press, saved, test, verdict, goTo } from './walk'

/** Two switchers, six sources and four screens with their places and what the kit has, and not one cable. */
function unwired(): ShowFile {
  const models: Record<string, object> = {}
  const devices: Record<string, object> = {}
  const put = (id: string, model: string, name: string, order: number, more: object = {}) => {
    models[model] = { from: MODELS.get(model)!.from }
    devices[id] = { model, name, order, place: 'desk', ...more }
  }
  const standard = { raster: '1920x1080', scan: 'p', rate: '60000/1001' }
  put('main', 'switcher-4-multiview', 'Main', 1, { standard })
  put('side', 'switcher-4-strict', 'Side', 2, { standard })
  put('wide', 'camera-box-hdmi', 'Wide', 1, { shot: 'safe', place: 'stage' })
  put('cam-2', 'camera-box-hdmi', 'Camera 2', 2, { place: 'stage' })
  put('cam-3', 'camera-box-hdmi', 'Camera 3', 3, { place: 'stage' })
  put('slides', 'computer', 'Slides', 4)
  put('clips', 'player-clips', 'Clips', 5)
  put('guest', 'laptop', 'Guest laptop', 6)
  put('wall', 'projector', 'Wall', 1, { place: 'stage' })
  put('operator', 'screen', 'Operator', 2)
  put('recorder', 'recorder-hdmi', 'Recorder', 3)
  return {
    format: 3,
    show: { title: 'Two tables' },
    plans: {
      main: {
        title: 'Main plan',
        brief: { place: 'Paper Mill Hall', mains: '120v-60hz', spareInputs: 0, crew: 2 },
        models,
        leads: {},
        devices,
        links: {},
        segments: {},
        accepted: {},
        distances: {},
        wants: {
          'wall-sees': { sink: 'wall', feed: 'program' },
          'operator-sees': { sink: 'operator', feed: 'multiview' },
        },
        kit: {
          boxes: { kind: 'model', id: 'camera-box-hdmi', owned: 3 },
          main: { kind: 'model', id: 'switcher-4-multiview', owned: 1 },
        },
      } as unknown as Plan,
    },
  }
}

async function openUnwired(page: Page): Promise<string> {
  const { id } = (await (await page.request.post('/api/shows/import', { data: unwired(), ...AGAIN })).json()) as {
    id: string
  }
  await page.goto(`/shows/${id}/main/kit`)
  await expect(verdict(page)).toBeVisible()
  return id
}
const planOf = async (page: Page, show: string, plan = 'main') =>
  ((await (await page.request.get(`/api/shows/${show}/plans/${plan}`, AGAIN)).json()) as { plan: Plan }).plan
const pieces = (page: Page) => page.getByRole('region', { name: /^What Plan 1/ })
const ready = (page: Page) =>
  expect(page.getByRole('button', { name: /^(Patch it for me|Look again)/ }).first()).toBeEnabled()
async function look(page: Page): Promise<void> {
  await ready(page)
  await press(page, 'l')
  await expect(page.getByRole('button', { name: /^Stop/ })).toBeVisible()
  await expect(page.getByText(/ways that were listed for \d+ pictures/)).toBeVisible({ timeout: 60_000 })
}

test('patches an unwired show of two stages, is mended by hand, patches again round two pins, compares and prints', async ({
  page,
}) => {
  const show = await openUnwired(page)
  await expect(verdict(page)).toHaveText('0 of 8 pictures arrive')
  // The one distance that matters, by keyboard.
  await page.getByRole('tab', { name: 'Places' }).click()
  await page.getByLabel('From desk to stage, m').fill('18')
  await press(page, 'Enter')
  await expect(page.getByText('all measured')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('heading', { level: 1 }).click()
  await goTo(page, 'Patch')
  await look(page)
  await expectAccessible(page)
  await expect(page.getByText(/^1, proven/)).toBeVisible()
  await expect(pieces(page).getByText('10 of 10')).toBeVisible()
  await expect(pieces(page).getByText(/^Wide to Main input 1 by 20/)).toBeVisible()
  await press(page, 'Enter')
  await expect(verdict(page)).toHaveText('10 of 10 pictures arrive')
  await saved(page)
  // Broken and mended by hand: the caption computer's rate.
  await goTo(page, 'Runs')
  await page
    .getByRole('button', { name: /^Slides/ })
    .first()
    .click()
  await page.getByRole('option', { name: /^Set Slides to 1080p60 / }).click()
  await expect(verdict(page)).toHaveText('9 of 10 pictures arrive')
  await press(page, 'Escape', 'n')
  await expect(page.getByRole('listbox', { name: 'Remedies' })).toBeFocused()
  await expect(page.getByRole('listbox', { name: 'Remedies' }).getByRole('option').first()).toBeVisible()
  await press(page, 'Enter')
  await expect(verdict(page)).toHaveText('10 of 10 pictures arrive')
  // Two runs are pinned.
  await press(page, 'Escape')
  const lanes = page.getByRole('list', { name: 'Runs' })
  for (const name of ['Wide', 'Camera 2']) {
    await lanes
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .first()
      .click()
    await press(page, 'Escape', 'ArrowRight', 'p')
  }
  await saved(page)
  const before = await planOf(page, show)
  const pinned = Object.entries(before.links).filter(([, { pinned: held }]) => held)
  expect(pinned.length).toBe(2)
  // Patched again, for another standard: the pins stay, and the change is kept as a version.
  await goTo(page, 'Patch')
  await page.getByLabel('Standard').selectOption('720p59.94')
  await page.getByRole('heading', { level: 1 }).click()
  await look(page)
  await expect(
    pieces(page)
      .getByText(/to 720p59.94$/)
      .first(),
  ).toBeVisible()
  await press(page, 'v')
  await page.getByRole('dialog').getByLabel('Its name').fill('At 720 lines')
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: 'At 720 lines against Main plan' })).toBeVisible()
  await expect(page.getByText('standard: 1080p59.94, now 720p59.94').first()).toBeVisible()
  await expectAccessible(page)
  const plans = (await (await page.request.get(`/api/shows/${show}/plans`, AGAIN)).json()) as {
    id: string
    title: string
    verdict: { arrive: number }
  }[]
  expect(plans.map(({ title }) => title)).toEqual(['Main plan', 'At 720 lines'])
  expect(plans[1]!.verdict.arrive).toBe(10)
  const kept = await planOf(page, show, plans[1]!.id)
  for (const [id, link] of pinned) expect(kept.links[id]).toEqual(link)
  // This plan has not changed. The other one is opened and its papers are printed.
  await expect(verdict(page)).toHaveText('10 of 10 pictures arrive')
  await page.getByRole('button', { name: /^Open it/ }).click()
  await expect(page).toHaveURL(new RegExp(`${plans[1]!.id}/runs`))
  await expect(page.getByText('At 720 lines', { exact: true })).toBeVisible()
  // Keys work once the plan stands there.
  await expect(page.getByRole('list', { name: 'Runs' })).toBeAttached()
  await expect(verdict(page)).toHaveText('10 of 10 pictures arrive')
  await goTo(page, 'Papers')
  await expect(page.getByRole('heading', { name: 'Cable schedule' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('heading', { name: 'Cable schedule' })).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Steps' })).toBeHidden()
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(10_000)
})

test('takes a proposal in part and undoes it; stops a search; tells what is stale', async ({ page }) => {
  await openUnwired(page)
  await goTo(page, 'Patch')
  await ready(page)
  await press(page, 'l')
  await page.getByRole('button', { name: /^Stop/ }).click()
  await look(page)
  // Only the three cameras.
  const boxes = pieces(page).getByRole('checkbox')
  const count = await boxes.count()
  expect(count).toBeGreaterThan(8)
  for (let i = 0; i < count; i++)
    if (!/^(Wide|Camera [23]) to/.test(await pieces(page).locator('label.piece').nth(i).innerText()))
      await boxes.nth(i).uncheck()
  await expect(pieces(page).getByText('3 of 8', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: /^Make these 3 of/ }).click()
  await expect(verdict(page)).toHaveText('3 of 8 pictures arrive')
  await expect(page.getByText('The plan has changed since these were made.')).toBeVisible()
  await press(page, 'Control+z')
  await expect(verdict(page)).toHaveText('0 of 8 pictures arrive')
})

test('says why it cannot be done, and what more inputs would cost', async ({ page }) => {
  const show = await openUnwired(page)
  // Two inputs are to stay free: seven inputs beside the link, six pictures, one is missing.
  await page.request.post(`/api/shows/${show}/plans/main/transactions`, {
    data: {
      base: 0,
      transactions: [
        {
          client: 'walk-test',
          seq: 1,
          title: 'Two spare',
          edits: [{ do: 'set', at: ['brief', 'spareInputs'], value: 2 }],
        },
      ],
    },
  })
  await goTo(page, 'Patch')
  await expect(page).toHaveURL(/patch/)
  await page.reload()
  await ready(page)
  await press(page, 'l')
  await expect(page.getByRole('heading', { name: 'It cannot all be done' })).toBeVisible({ timeout: 60_000 })
  await expect(
    page.getByText('6 pictures and 2 inputs to be kept; 8 free inputs, less one for a feeder\u2019s link.'),
  ).toBeVisible()
  await expect(page.getByText('2 inputs stay free for late guests')).toBeVisible()
  await page.getByRole('link', { name: 'What more inputs would cost' }).click()
  await expect(page.getByRole('option', { name: /^Larger/ }).first()).toBeVisible()
  await expectAccessible(page)
})

test('begins, renames and removes versions', async ({ page }) => {
  await openUnwired(page)
  await goTo(page, 'Patch')
  await page.getByRole('button', { name: 'Versions' }).click()
  await expect(page.getByText('Only this plan so far')).toBeVisible()
  await page.getByRole('button', { name: 'New version of this plan' }).click()
  await page.getByRole('dialog').getByLabel('Its name').fill('For the rehearsal')
  await press(page, 'Enter')
  await expect(page.getByRole('option', { name: /^For the rehearsal/ })).toBeVisible()
  await expect(page.getByText('Nothing sets the two apart.')).toBeVisible()
  // The list is asked for before a slow server has the new name: it must not show the old one.
  let letThrough = () => {}
  const slow = new Promise<void>(done => (letThrough = done))
  await page.route('**/transactions', async route => {
    await slow
    await route.continue()
  })
  const sent = page.waitForRequest('**/transactions')
  await page.getByRole('button', { name: 'Rename this plan' }).click()
  await page.getByRole('dialog').getByLabel('Its name').fill('For the show')
  await press(page, 'Enter')
  await expect(page.getByRole('option', { name: /^For the show/ })).toBeVisible()
  await sent
  letThrough()
  await saved(page)
  await expect(page.getByRole('option', { name: /^For the show/ })).toBeVisible()
  await page.getByRole('option', { name: /^For the rehearsal/ }).click()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByRole('option', { name: /^For the rehearsal/ })).toBeHidden()
})
