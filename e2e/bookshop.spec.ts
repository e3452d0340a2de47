import { expect, expectAccessible, openCopy, press, saved, test } from './walk'

test('mends the draft of the bookshop: what runs out, and a caption that its key eats', async ({ page }) => {
  await openCopy(page, 'Bookshop Reading, first draft', 'power')
  await expect(page.getByRole('heading', { name: /^Back room, left wall trips/ })).toBeVisible()
  await page.getByRole('button', { name: /^Plug Projector in the room into Back room, window/ }).click()
  // 948 - 360 W at the most are 588 / (230 V x 0.6) = 4.26 A of 6.
  await expect(
    page.getByRole('heading', { name: /^Every circuit holds; the fullest, Back room, left wall, stands at 71/ }),
  ).toBeVisible()
  await page.getByRole('button', { name: /^Plug Strip, far end of the table into an outlet/ }).click()
  await expect(page.getByText('2 hazards')).toHaveCount(0)

  // A caption that is dark on a light plate: the ways to lay it over stand beside each other, the best first.
  await page.getByRole('link', { name: /Configure/ }).click()
  await page.getByRole('link', { name: 'Overlays' }).click()
  await page.getByRole('option', { name: /^Books at the door/ }).click()
  await page.getByRole('tab', { name: 'Keyers' }).click()
  const ways = page.getByRole('table', { name: 'Ways to lay this graphic over, the best first' })
  await expect(ways.getByRole('row').nth(1)).toContainText('A still in the switcher, by its own key')
  await expect(ways.getByRole('row', { name: /^On black, by its brightness/ })).toContainText('as now')
  await expectAccessible(page)
  await ways.getByRole('button', { name: 'Use it' }).first().click()
  await expect(ways.getByRole('row').nth(1)).toContainText('as now')
  await expect(page.getByRole('option', { name: /^Books at the door/ })).not.toContainText('fault')

  // A mask that ends within its words is told, and taken off again.
  await page.getByLabel('a mask lets through a part').check()
  const width = page.getByLabel('Mask: Width, %')
  await width.fill('20')
  await width.press('Enter')
  await expect(page.getByRole('option', { name: /^Books at the door/ })).toContainText('1 fault')
  await page.getByLabel('a mask lets through a part').uncheck()
  await expect(page.getByRole('option', { name: /^Books at the door/ })).not.toContainText('fault')
  // A computer that mixes by scenes holds no macros, and that is said.
  await page.getByRole('button', { name: 'Make it come and go' }).click()
  await expect(page.getByText('No macro was made: Mixing computer holds no macros.')).toBeVisible()
  await saved(page)
})

test('says how late a room sees who speaks in it, and how long somebody far away waits', async ({ page }) => {
  await openCopy(page, 'Bookshop Reading', 'time')
  const air = page.getByLabel('Metres of air between loudspeaker and ears at Projector in the room')
  await air.fill('a few')
  await air.press('Enter')
  await expect(page.getByText(/^Not taken: metres/)).toBeVisible()
  // 12 x 2.9 = 34.8.
  await air.fill('12')
  await air.press('Enter')
  await expect(page.getByText('35\u00A0ms of every sound')).toBeVisible()
  await expect(
    page.getByRole('heading', { name: /^At Projector in the room the sound of The room itself/ }),
  ).toBeVisible()
  await page.getByRole('option', { name: /^What the translator sees/ }).click()
  await expect(page.getByText(/^Translator, by call answers after 0\.\d\u00A0s/)).toBeVisible()
  await expectAccessible(page)
  await saved(page)
  await press(page, 'Control+z')
  await page.getByRole('option', { name: /^Projector in the room/ }).click()
  await expect(air).toHaveValue('')
})

test('hangs what hangs on nothing by its place', async ({ page }) => {
  await openCopy(page, 'Bookshop Reading', 'power')
  const wide = page.getByRole('listitem').filter({ hasText: 'Wide, from the door' })
  await wide.getByRole('button', { name: 'Unplug' }).click()
  await expect(page.getByText(/^1 on no circuit/)).toBeVisible()
  await press(page, 'h')
  await expect(page.getByText('1 hang by their places.')).toBeVisible()
  await expect(page.getByText(/on no circuit/)).toHaveCount(0)
  await saved(page)
})

test('makes a macro of an overlay that comes and goes, and looks at what it does', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'overlays')
  await page
    .getByRole('option', { name: /^Score/ })
    .first()
    .click()
  await page.getByRole('tab', { name: 'Keyers' }).click()
  const stands = page.getByLabel('Stands, frames')
  await stands.fill('none')
  await stands.press('Enter')
  await expect(page.getByText(/^Not taken: whole frames/)).toBeVisible()
  await stands.fill('100')
  await stands.press('Enter')
  await page.getByRole('button', { name: 'Make it come and go' }).click()
  await expect(page.getByText(/: in and out stands among the macros/)).toBeVisible()
  await saved(page)
  await page.getByRole('link', { name: /Prove/ }).click()
  await page.getByRole('link', { name: 'Rehearse' }).click()
  // A key that is pressed before the screen is there is nobody's.
  await expect(page.locator('.large canvas')).toBeVisible()
  await press(page, 'm')
  await expect(page.getByText(/: in and out$/).first()).toBeVisible()
})
