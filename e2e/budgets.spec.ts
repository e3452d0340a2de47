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

test('tells when a card is full, and puts in a larger one', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'media')
  const holds = page.getByRole('heading', { name: /^Everything holds the show with its margin/ })
  await expect(holds).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('option', { name: /^Program recorder/ }).click()
  const gb = page.getByLabel('Disk, program, GB')
  await gb.fill('256')
  await gb.press('Enter')
  // 70 + 2.3 Mb/s are 9.04 MB/s: 256 GB x 0.9 are full after 7 h 4 min, and 6 h 30 min want 305 GB with their margin.
  await expect(page.getByRole('heading', { name: /Program recorder without the margin of three tenths/ })).toBeVisible()
  await expect(page.getByRole('option', { name: /^Program recorder/ })).toContainText('7\u00A0h\u00A04\u00A0min')
  await page.getByRole('button', { name: /^One of 512/ }).click()
  await expect(holds).toBeVisible()
  await expect(gb).toHaveValue('512')
  await gb.fill('a lot')
  await gb.press('Enter')
  await expect(page.getByText(/^Not taken: gigabytes/)).toBeVisible()
  await expect(gb).toHaveValue('512')
  // Written in single pictures it is twice as much and more.
  await page.getByLabel('Written as').selectOption('intra')
  await expect(page.getByRole('heading', { name: /^Program recorder is full at/ })).toBeVisible()
  await page.getByLabel('Written as').focus()
  await press(page, 'Control+z')
  await expect(holds).toBeVisible()
  await saved(page)
  // A second medium, of which nobody said how fast it is.
  await page.getByRole('heading', { level: 2 }).first().click()
  await press(page, 'a')
  await expect(page.getByLabel('Medium 2, Program recorder, MB/s without pause')).toHaveValue('')
})

test('takes what was measured on a line, and tells what it must carry', async ({ page }) => {
  const base = await openCopy(page, 'Paper Mill Lectures, unwired', 'line')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Add the line of the house' }).click()
  await expect(page.getByRole('heading', { name: /nobody has measured it/ })).toBeVisible()
  const measured = page.getByLabel('Measured, Mb/s')
  await measured.fill('quite fast')
  await measured.blur()
  await expect(page.getByText(/^Not taken: figures in Mb\/s/)).toBeVisible()
  await measured.fill('24 31,5 28; 40')
  await measured.blur()
  await expect(page.getByRole('heading', { name: /^Line of the house carries what is sent/ })).toContainText(
    '24\u00A0Mb/s count',
  )
  await expect(measured).toHaveValue('24 31.5 28 40')
  // One line alone is a risk; the remedy adds one to fall back on.
  await page.getByRole('button', { name: /^Add: Mobile router/ }).click()
  await expect(page.getByRole('option', { name: /^Mobile router/ })).toContainText('to fall back on')
  await page.getByRole('heading', { level: 2 }).first().click()
  await press(page, 'd')
  const rate = page.getByLabel('Video to Destination 1, Mb/s')
  await rate.fill('30')
  await rate.press('Enter')
  await expect(page.getByRole('heading', { name: /^Line of the house is too small/ })).toBeVisible()
  await saved(page)
  await page.goto(`${base}/papers?paper=line`)
  await expect(page.getByRole('cell', { name: 'Destination 1' })).toBeVisible()
})
