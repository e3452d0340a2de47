import { expect, expectAccessible, openCopy, press, saved, test } from './walk'

test('tells how late pictures and sounds are, takes a clap, and holds the sound back', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'time')
  await expect(
    page.getByRole('heading', { name: /^At Hall screen west everything is within the window/ }),
  ).toBeVisible()
  await expectAccessible(page)
  const table = page.getByRole('table')
  await expect(table.getByRole('row', { name: /Wide, gallery/ })).toContainText('Hall sound desk 20\u00A0ms late')
  // Claps of 100 and 2 frames of 20 ms: 70 on average, which is outside of 40.
  const claps = page.getByLabel('Claps of Hall sound desk against Wide, gallery, ms')
  await claps.fill('100, 2 f')
  await claps.press('Enter')
  await expect(table.getByRole('row', { name: /Wide, gallery/ })).toContainText(
    'Hall sound desk 70\u00A0ms early, measured',
  )
  await expect(page.getByText(/^2 claps, 70\u00A0ms early on average, 60\u00A0ms between them/)).toBeVisible()
  await claps.fill('soon')
  await claps.press('Enter')
  await expect(page.getByText(/^Not taken: milliseconds/)).toBeVisible()
  await expect(claps).toHaveValue('100, 40')
  // Best is now the middle of what is left.
  await page.getByRole('heading', { level: 3 }).first().click()
  const offer = await page
    .getByRole('button', { name: /^Hold it back by/ })
    .first()
    .innerText()
  const best = /by (\d+)/.exec(offer)![1]!
  expect(Number(best)).toBeGreaterThan(70)
  await press(page, 'h')
  await expect(page.getByText(`now ${best}\u00A0ms`)).toBeVisible()
  await saved(page)
  await press(page, 'Control+z')
  await press(page, 'Control+z')
  await expect(table.getByRole('row', { name: /Wide, gallery/ })).toContainText('Hall sound desk 20\u00A0ms late')
})

test('tells when a battery ends, and mends it from what is offered', async ({ page }) => {
  await openCopy(page, 'Kiln Night', 'power')
  await press(page, 'b')
  await expect(page.getByRole('heading', { name: /^Everything lasts with its margin/ })).toBeVisible()
  await expectAccessible(page)
  // One pack of 16 Wh at 9 W: 16 x 0.8 / 9 = 1 h 25 min from 18:30.
  const many = page.getByLabel('Packs, wide camera, how many')
  await many.fill('1')
  await many.press('Enter')
  await expect(
    page.getByRole('heading', { name: 'Wide camera ends at 19:55, 2\u00A0h\u00A005\u00A0min before the end.' }),
  ).toBeVisible()
  const panel = page.getByRole('region', { name: 'Wide camera' })
  await panel.getByRole('button', { name: /Bring 4 of Packs, wide camera/ }).click()
  await expect(many).toHaveValue('4')
  await expect(page.getByRole('heading', { name: /^Everything lasts with its margin/ })).toBeVisible()
  await page.getByLabel('Temperature, degrees Celsius').fill('-5')
  await page.getByLabel('Temperature, degrees Celsius').press('Enter')
  await expect(page.getByRole('option', { name: /^Wide camera/ })).toContainText('4\u00A0h\u00A033\u00A0min')
  await saved(page)
})
