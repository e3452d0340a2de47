import { add, expect, expectAccessible, lane, newShow, openCopy, openShow, press, saved, test, verdict } from './walk'

test('holds fixed addresses against what the network of the house gives out', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'kit')
  await page.getByRole('option', { name: /^Stream encoder/ }).click()
  const address = page.getByLabel('Network address with its prefix')
  await address.fill('192.168.10.120/24')
  await address.press('Enter')
  await page.getByText('Places', { exact: true }).click()
  const network = page.getByRole('region', { name: 'The network of the house' })
  const first = network.getByLabel('First address that is given out')
  await first.fill('192.168.10.300/24')
  await first.press('Enter')
  await expect(page.getByText(/four figures up to 255/).first()).toBeVisible()
  await first.fill('192.168.10.100/24')
  await first.press('Enter')
  await expect(network.getByLabel('Last address that is given out')).toHaveValue('192.168.10.100/24')
  await network.getByLabel('Last address that is given out').fill('192.168.10.199/24')
  await network.getByLabel('Last address that is given out').press('Enter')
  await expect(page.getByText('nothing dark, nothing at risk')).toBeHidden()
  await page.getByRole('heading', { name: 'The network of the house' }).click()
  await press(page, 'n')
  await page
    .getByRole('option', { name: /^Give .* 192\.168\.10\.1\/24/ })
    .first()
    .click()
  await expect(page.getByText('nothing dark, nothing at risk')).toBeVisible()
  // The way out of the house on another subnet: the stream does not get out.
  await page.goto(page.url().replace(/\/main\/.*/, '/main/kit'))
  await page.getByText('Places', { exact: true }).click()
  await network.getByLabel('Way out of the network').fill('10.0.0.1/24')
  await network.getByLabel('Way out of the network').press('Enter')
  await expect(page.getByText('nothing dark, nothing at risk')).toBeHidden()
  await saved(page)
})

test('says what cables cross, tells of those that nothing is over, and mends it', async ({ page }) => {
  await openCopy(page, 'Paper Mill Lectures, unwired', 'kit')
  await page
    .getByRole('tab', { name: 'Places' })
    .or(page.getByRole('button', { name: 'Places' }))
    .first()
    .click()
  const part = page.getByRole('region', { name: 'What the cables cross' })
  await expect(part.getByLabel('What is over the cables from desk to stage')).toHaveValue('ramp')
  // An escape way stays clear: a ramp is not offered there.
  await expect(part.getByLabel('What is over the cables from desk to foyer').locator('option')).toHaveText([
    'nothing over the cables',
    'overhead, on rated hardware with a second bond',
  ])
  await part.getByLabel('A way that crosses one that people walk').selectOption({ label: 'balcony to desk' })
  await part.getByLabel('What is over the cables from balcony to desk').selectOption('tape')
  await expect(part.getByLabel('What balcony to desk crosses')).toHaveValue('walkway')
  await part.getByLabel('What balcony to desk crosses').selectOption('escape')
  await expect(part.getByLabel('What is over the cables from balcony to desk')).toHaveValue('')
  await part.getByLabel('What balcony to desk crosses').selectOption('')
  await expect(part.getByLabel('What balcony to desk crosses')).toBeHidden()
  await saved(page)
})

test('plans three sources from nothing to all lit, by mouse', async ({ page }) => {
  await newShow(page, 'By mouse')
  await add(page, { model: 'Switcher, 4 HDMI inputs, strict', choose: { 'Operating standard': '1080p59.94' } })
  await add(page, { model: 'Box camera, HDMI, 59.94 family only', name: 'Left camera', metres: 4 })
  await expect(verdict(page)).toHaveText('1 of 1 pictures arrive')
  await add(page, { model: 'Studio camera, SDI, all HD formats', name: 'Far camera', metres: 45 })
  await add(page, { model: 'Computer with two HDMI outputs', name: 'Slides', metres: 1 })
  await add(page, { model: 'Projector, HDMI', name: 'Wall', metres: 3 })
  await expect(verdict(page)).toHaveText('4 of 4 pictures arrive')
  // With three sources whoever switches wants to see them all: the missing picture stands on the board.
  await expect(page.getByRole('button', { name: '1 risk' })).toBeVisible()
  await expect(lane(page, 'Multiview for whoever switches').getByText('missing')).toBeVisible()
  // The far camera's picture is carried as SDI and turned into HDMI at the switcher.
  await expect(page.getByRole('button', { name: /SDI to HDMI converter/ })).toBeVisible()
})

test('plans three sources from nothing to all lit, by keyboard alone', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Shows' })).toBeVisible()
  const keys = async (...pressed: string[]) => {
    for (const key of pressed) await page.keyboard.press(key)
  }
  await keys('n')
  await expect(page.getByLabel('What is it called?')).toBeFocused()
  await page.keyboard.type('By keyboard')
  await keys('Enter')
  await expect(verdict(page)).toHaveText('No pictures planned yet')
  const addByKeys = async (search: string, name: string) => {
    await keys('a')
    await expect(page.getByLabel('Search the catalogue')).toBeFocused()
    await page.keyboard.type(search)
    await keys('Enter')
    await expect(page.getByLabel(/What you call/)).toBeFocused()
    await page.keyboard.type(name)
    await expect(page.getByRole('button', { name: 'Add', exact: true })).toBeEnabled()
    await keys('Enter')
    await expect(page.getByRole('dialog')).toBeHidden()
  }
  await addByKeys('4 hdmi strict', 'Main')
  await addByKeys('studio', 'One')
  await addByKeys('hand', 'Two')
  await addByKeys('phone, usb-c', 'Three')
  await addByKeys('projector', 'Wall')
  await expect(verdict(page)).toHaveText('4 of 4 pictures arrive')
  // Along the light to the cable of the first lane, and measured by hand.
  await expect(page.locator(':focus')).toHaveAttribute('aria-label', /Wall/)
  await keys('Control+k')
  await expect(page.getByLabel('Find a device, a run or an action')).toBeFocused()
  await page.keyboard.type('One')
  await keys('Enter')
  await expect(page.getByRole('region', { name: /Opened: One/ })).toBeVisible()
  await keys('Escape', 'ArrowRight', 'm')
  await expect(page.getByLabel('Way, rises included')).toBeFocused()
  await page.keyboard.type('7')
  await keys('Enter')
  await expect(page.getByRole('button', { name: /coax, 10 m/ })).toBeVisible()
  await keys('Control+z')
  await expect(page.getByRole('button', { name: /coax, 10 m/ })).toBeHidden()
})

test('breaks, mends by a remedy, undoes, reloads', async ({ page }) => {
  await openCopy(page, 'Kiln Night')
  await expect(verdict(page)).toHaveText('8 of 8 pictures arrive')
  // Break: the caption computer's setting.
  await page.getByRole('button', { name: /^Caption computer/ }).click()
  await page.getByRole('option', { name: 'Set Caption computer to 1080p60' }).click()
  await expect(verdict(page)).toHaveText('7 of 8 pictures arrive')
  await expect(lane(page, 'Caption computer').getByText('1080p60 meets 1080p59.94', { exact: true })).toBeVisible()
  await page.reload()
  await expect(verdict(page)).toHaveText('7 of 8 pictures arrive')
  // Mend with one press, reload: still mended.
  await page.keyboard.press('n')
  await expect(page.getByText(/slip one frame every 16.7/)).toBeVisible()
  await page.getByRole('option', { name: 'Set Caption computer to 1080p59.94' }).click()
  await expect(verdict(page)).toHaveText('8 of 8 pictures arrive')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(verdict(page)).toHaveText('8 of 8 pictures arrive')
  // Undo and redo go across the reload.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(verdict(page)).toHaveText('7 of 8 pictures arrive')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(verdict(page)).toHaveText('8 of 8 pictures arrive')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(verdict(page)).toHaveText('7 of 8 pictures arrive')
})

test('mends the draft of Kiln Night from dark end to dark end', async ({ page }) => {
  await openCopy(page, 'Kiln Night, first draft')
  await expect(verdict(page)).toHaveText('0 of 8 pictures arrive')
  // N stands at one dark end after the other, and begins again behind the last.
  const stood: string[] = []
  const all = await page
    .locator('.lanes li')
    .evaluateAll(lanes => lanes.map(one => one.querySelector('.unseen')!.textContent))
  for (let i = 0; i < 8; i++) {
    await page.keyboard.press('n')
    stood.push((await page.locator('.lanes li.chosen .unseen').first().textContent())!)
  }
  const round = all.filter(words => stood.includes(words!))
  const begun = round.indexOf(stood[0]!)
  expect(stood).toEqual([...stood.keys()].map(i => round[(begun + i) % round.length]))
  await page.reload()
  for (let left = 5; left > 0; left--) {
    await expect(page.getByRole('button', { name: `${left} dark` })).toBeVisible()
    await page.keyboard.press('n')
    await expect(page.getByRole('listbox', { name: 'Remedies' })).toBeFocused()
    await expect(page.locator('#offer-0')).toContainText(/ of 8/)
    await page.keyboard.press('Enter')
  }
  await expect(verdict(page)).toHaveText('8 of 8 pictures arrive')
})

test('says what is dark in a plan made as asked, and each remedy keeps its word', async ({ page }) => {
  await newShow(page, 'As asked')
  await add(page, { model: 'Switcher, 4 HDMI inputs, strict', choose: { 'Operating standard': '1080p59.94' } })
  await add(page, {
    model: 'Box camera, HDMI, 59.94 family only',
    name: 'Camera A',
    metres: 22,
    choose: { Cable: 'Passive HDMI' },
  })
  await add(page, {
    model: 'Shoulder camera, SDI, 1080i50 only',
    name: 'Camera B',
    metres: 60,
    choose: { Cable: 'RG-6 size coax' },
  })
  await add(page, { model: 'Computer with two HDMI outputs', name: 'Computer', metres: 1 })
  await add(page, { model: 'Projector, HDMI', name: 'Projector', metres: 5 })
  await add(page, { model: 'Recorder, HDMI, with loop-through', name: 'Recorder', metres: 1 })
  await expect(verdict(page)).toHaveText('3 of 5 pictures arrive')
  // 22 m are cut at 24.2 m: 20 + 5 m of passive HDMI, which carries 15 m at 4.45 Gb/s.
  await expect(lane(page, 'Camera A').getByText('10 m too far')).toBeVisible()
  await expect(lane(page, 'Camera B').getByText('SDI is not HDMI', { exact: true })).toBeVisible()
  for (const [camera, arrive] of [
    ['Camera A', 4],
    ['Camera B', 5],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${camera}`) }).click()
    const first = page.locator('#offer-0')
    await expect(first).toContainText(`${arrive} of 5`)
    await first.click()
    await expect(verdict(page)).toHaveText(`${arrive} of 5 pictures arrive`)
  }
  await expect(page.getByRole('button', { name: /^\d+ dark$/ })).toBeHidden()
})

test('refuses rubbish with its place, and changes nothing', async ({ page }) => {
  await page.goto('/')
  await expect(page.locator('a.open').first()).toBeVisible()
  const count = await page.getByRole('listitem').count()
  const bring = (name: string, text: string) =>
    page.getByLabel('File to import').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await bring(
    'rubbish.json',
    '{"format": 1, "show": {"title": "x"}, "plans": {"main": {"title": "y", "devices": {"cam": {"model": "gone", "name": "n", "order": 1}}}}}',
  )
  const alert = page.getByRole('alert')
  await expect(alert).toContainText('rubbish.json was not imported')
  await expect(alert).toContainText('/plans/main/devices/cam/model')
  await expect(alert).toContainText('"gone"')
  await bring('picture.png', '\u0000\u0001 no json at all')
  await expect(alert).toContainText('picture.png was not imported')
  await expect(page.getByRole('listitem')).toHaveCount(count)
})

test('takes in what another tab wrote', async ({ page, context }) => {
  await newShow(page, 'Two tabs')
  await add(page, { model: 'Switcher, 4 HDMI inputs, strict', choose: { 'Operating standard': '1080p59.94' } })
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  const other = await context.newPage()
  await other.goto(page.url())
  await add(other, { model: 'Box camera, HDMI, 59.94 family only', name: 'From the other tab', metres: 2 })
  await expect(other.getByText('saved', { exact: true })).toBeVisible()
  await add(page, { model: 'Projector, HDMI', name: 'From this tab', metres: 2 })
  await expect(verdict(page)).toHaveText('2 of 2 pictures arrive')
  await page.reload()
  await expect(verdict(page)).toHaveText('2 of 2 pictures arrive')
})

test('deletes a show and takes it back', async ({ page }) => {
  await newShow(page, 'For the bin')
  await page.goto('/')
  await page.getByRole('button', { name: 'Delete For the bin' }).click()
  await expect(page.getByText('In the bin, for 30 days')).toBeVisible()
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('a.open', { hasText: 'For the bin' })).toBeVisible()
})

test('keeps edits while the server is away, and brings them when it is back', async ({ page }) => {
  await newShow(page, 'Away')
  await page.route('**/transactions', route => route.abort())
  await add(page, { model: 'Switcher, 4 HDMI inputs, strict' })
  await expect(page.getByText('no server, kept in this browser')).toBeVisible()
  await page.unroute('**/transactions')
  await page.reload()
  await expect(page.getByRole('region', { name: 'Main, 1080p50' })).toBeVisible()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
})

test('has no serious accessibility violation', async ({ page }) => {
  await page.goto('/')
  await expect(page.locator('a.open').first()).toBeVisible()
  await expectAccessible(page)
  await openShow(page, 'Kiln Night, first draft')
  await expect(page.getByRole('list', { name: 'Runs' })).toBeAttached()
  await expectAccessible(page)
  await page.keyboard.press('n')
  await expect(page.locator('#offer-0')).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press('a')
  await page.getByRole('option', { name: 'Box camera, HDMI, 59.94 family only' }).click()
  await page.waitForTimeout(400)
  await expectAccessible(page)
})
