import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, openCopy, press, saved, test, verdict, goTo } from './walk'

const SCREENS = [
  'brief',
  'order',
  'kit',
  'runs',
  'standard',
  'patch',
  'switchers',
  'outputs',
  'overlays',
  'clips',
  'sound',
  'whatif',
  'inside',
  'power',
  'time',
  'media',
  'line',
  'cost',
  'rehearse',
  'papers',
] as const
const ready: Readonly<Record<(typeof SCREENS)[number], (page: Page) => Promise<void>>> = {
  brief: page => expect(page.getByText('takes place at')).toBeVisible(),
  order: page => expect(page.getByRole('button', { name: /^Add a segment/ }).first()).toBeVisible(),
  power: page => expect(page.getByRole('button', { name: /^Add a circuit/ }).first()).toBeVisible(),
  media: page => expect(page.getByRole('listbox', { name: 'What records' })).toBeVisible(),
  cost: page => expect(page.getByRole('listbox', { name: 'Steps from what is owned to the whole' })).toBeVisible(),
  // Where nothing is streamed, that is what the screen says.
  line: page => expect(page.getByText('Nothing is streamed').or(page.getByText('A line must carry'))).toBeVisible(),
  time: page => expect(page.getByRole('listbox', { name: 'Who sees it' })).toBeVisible(),
  kit: page => expect(page.getByRole('listbox', { name: 'Devices' })).toBeVisible(),
  runs: page => expect(page.getByRole('list', { name: 'Runs' })).toBeAttached(),
  standard: page => expect(page.getByRole('grid', { name: 'Standards, the best first' })).toBeVisible(),
  patch: page => expect(page.getByRole('button', { name: /^Patch it for me/ })).toBeVisible(),
  switchers: page => expect(page.getByRole('heading', { name: 'Set-up sheet' })).toBeVisible(),
  outputs: page => expect(page.getByRole('complementary', { name: /^What .* sees/ })).toBeVisible(),
  overlays: page => expect(page.getByRole('listbox', { name: 'Overlays' })).toBeVisible(),
  clips: page => expect(page.getByRole('button', { name: /^Add a clip/ })).toBeVisible(),
  sound: page => expect(page.getByRole('listbox', { name: 'Who hears' })).toBeVisible(),
  rehearse: page => expect(page.getByRole('region', { name: 'Sources' })).toBeVisible(),
  whatif: page => expect(page.getByRole('listbox', { name: 'What may fail' })).toBeVisible(),
  inside: page => expect(page.getByRole('heading', { name: 'What is inside?' })).toBeVisible(),
  papers: page => expect(page.getByRole('heading', { name: 'Cable schedule' })).toBeVisible(),
}

test('fills in the brief where it stands; what is asked is checked', async ({ page }) => {
  await openCopy(page, 'Kiln Night', 'brief')
  const blank = (label: string) => page.getByRole('button', { name: label })
  await blank('Rehearsal').click()
  await page.getByLabel('Rehearsal').fill('16:45')
  await press(page, 'Enter')
  await expect(blank('Rehearsal')).toContainText('16:45')
  // 1080 is made and 2160 is asked: a quality finding, told beside the sentence.
  await blank('Raster of Recorder').click()
  await page.getByLabel('Raster of Recorder').selectOption('3840x2160')
  await expect(page.getByRole('button', { name: '1 quality' })).toBeVisible()
  await press(page, 'Control+z')
  await expect(page.getByRole('button', { name: '1 quality' })).toBeHidden()
  // Wrong input is told and not taken.
  await blank('Spare inputs').click()
  await page.getByLabel('Spare inputs').fill('many')
  await press(page, 'Enter')
  await expect(page.getByRole('alert')).toBeVisible()
  await press(page, 'Escape')
  await expect(blank('Spare inputs')).toContainText('Any number of')
  await blank('Unit of length').click()
  await page.getByLabel('Unit of length').selectOption({ label: 'feet' })
  await saved(page)
  await goTo(page, 'Runs')
  // 20 m of optical HDMI: 65.6 ft.
  await expect(page.getByText(/Optical HDMI 66.ft/)).toBeVisible()
})

test('sets what the mode allows, counts the kit, and says what will be missing', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'kit')
  await ready.kit(page)
  await page.getByRole('option', { name: /^Remote referee/ }).click()
  const settings = page.getByRole('region', { name: 'Settings of Remote referee' })
  await settings.getByLabel('Format of HDMI out').selectOption('1080p60')
  await expect(verdict(page)).toHaveText('20 of 21 pictures arrive')
  await press(page, 'Control+z')
  await expect(verdict(page)).toHaveText('21 of 21 pictures arrive')
  await settings.getByRole('button', { name: 'Copy it' }).click()
  await expect(page.getByRole('option', { name: /^Remote referee/ })).toHaveCount(2)
  await expect(verdict(page)).toHaveText('21 of 22 pictures arrive')
  await press(page, 'Control+z')
  await page.getByRole('tab', { name: 'Counts' }).click()
  const owned = page.getByLabel(/SDI distribution amplifier.*owned/)
  await expect(owned).toHaveValue('3')
  await owned.fill('1')
  await press(page, 'Tab')
  // Five are needed; one owned and two hired leave two missing.
  await expect(page.getByRole('button', { name: '1 risk' })).toBeVisible()
  await expect(page.getByRole('row', { name: /SDI distribution amplifier/ })).toContainText('2')
  await page.getByRole('button', { name: '1 risk' }).click()
  await expect(page.getByText(/uses 5 of SDI distribution amplifier.* holds 3: 2 will be missing/)).toBeVisible()
})

test('tries every standard, sets the show to one in one step, and takes it back', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'standard')
  await ready.standard(page)
  const rung = (label: string) => page.getByRole('row', { name: new RegExp(`^${label}`) })
  await expect(rung('1080p50')).toContainText('in use')
  await rung('1080p25').click()
  const row = await rung('1080p25').innerText()
  const promised = /(\d+) of 21/.exec(row)![1]
  await page.getByRole('button', { name: 'Set the show to 1080p25' }).click()
  await expect(rung('1080p25')).toContainText('in use')
  await expect(verdict(page)).toHaveText(`${promised} of 21 pictures arrive`)
  await press(page, 'Control+z')
  await expect(rung('1080p50')).toContainText('in use')
})

test('says what goes dark when one thing fails, and what is left', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'whatif')
  await ready.whatif(page)
  const told = page.getByRole('region', { name: /^Without/ })
  // The gravest stands first and is chosen: the last switcher.
  await expect(told.getByRole('heading', { name: 'Without Main' })).toBeVisible()
  // Six hang on Main; four tracks of the isolated recorder and the side screen do not.
  await expect(told).toContainText('6 of 11 sinks go dark')
  // Three segments with ten moments, all of them through it.
  await expect(told).toContainText('10 of 10 moments miss something')
  await page.getByRole('button', { name: 'Everything' }).click()
  await page.getByLabel('Filter').fill('side')
  await page
    .getByRole('option', { name: /^Side / })
    .first()
    .click()
  await expect(told).toContainText("Side operator's screen")
  await expect(told).toContainText('Main still cuts between')
  await told.getByRole('button', { name: /Show on Runs/ }).click()
  await expect(page.getByRole('list', { name: 'Runs' })).toBeAttached()
  await expect(page).toHaveURL(/\?at=/)
})

test('sets the switchers up by keyboard: standard, names, sound, feeds; the sheet follows and prints', async ({
  page,
}) => {
  const base = await openCopy(page, 'Kiln Night', 'switchers')
  await ready.switchers(page)
  const sheet = page.getByRole('complementary', { name: 'Set-up of Main' })
  const step = (words: RegExp) => sheet.getByRole('listitem').filter({ hasText: words })
  await expect(step(/Operating standard.*1080p59\.94/)).toBeVisible()
  // The first input is chosen when the screen opens: along to the second, and its name.
  await press(page, 'ArrowRight', 'l')
  await expect(sheet.getByRole('textbox', { name: 'Label' })).toBeFocused()
  await sheet.getByRole('textbox', { name: 'Label' }).fill('Hands at the wheel')
  await press(page, 'Enter')
  await expect(step(/HDMI in 2: Label.*Hands at the wheel.*only from a computer.*room for 12 letters/)).toBeVisible()
  await expect(page.getByRole('list', { name: 'Inputs of Main' }).getByText('Hands at the wheel')).toBeVisible()
  await page.getByRole('heading', { level: 1 }).click()
  await press(page, 'x')
  await expect(step(/Off the air.*never taken to program/)).toBeVisible()
  await press(page, 'Control+z')
  await expect(step(/Off the air/)).toBeHidden()
  // The other feed of the second output.
  await sheet.getByLabel('HDMI out 2 carries').selectOption('preview')
  await expect(step(/HDMI out 2: Carries.*preview/)).toBeVisible()
  await page.reload()
  await expect(step(/Hands at the wheel/)).toBeVisible()
  await press(page, 'p')
  await expect(page).toHaveURL(new RegExp(`${base}/papers`))
  await expect(page.getByRole('heading', { name: 'Set-up sheets' })).toBeVisible()
  await expect(page.getByRole('cell', { name: 'Hands at the wheel' })).toBeVisible()
})

test('makes papers with the figures of the board, and gives them as CSV', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'papers')
  await ready.papers(page)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV' }).click(),
  ])
  const csv = await readFile(await download.path(), 'utf8')
  const [head, first] = csv.split('\r\n')
  expect(head).toMatch(/^\uFEFFNo\.,From,To,Type,Route,Piece/)
  expect(first).toContain('75\u00A0m')
  await page.getByRole('tab', { name: 'Sources and inputs' }).click()
  await expect(page.getByRole('cell', { name: 'Pit lane, roaming' })).toBeVisible()
  await page.getByRole('tab', { name: 'Set-up sheets' }).click()
  await expect(page.getByRole('heading', { name: 'Set-up sheets' })).toBeVisible()
  // In print only the paper is left.
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation', { name: 'Steps' })).toBeHidden()
  await expect(verdict(page).first()).toBeHidden()
})

for (const theme of ['night', 'day'] as const) {
  test(`has no serious accessibility violation on any screen by ${theme}`, async ({ page }) => {
    await page.addInitScript(look => localStorage.setItem('interlumen:theme', look), theme)
    // By day only the colours are others.
    const rules = theme === 'day' ? ['color-contrast', 'link-in-text-block'] : undefined
    const base = await openCopy(page, 'Harbour Robotics Cup, first draft')
    for (const screen of SCREENS) {
      await press(page, screen === SCREENS[0] ? 'Alt+1' : ']')
      await ready[screen](page)
      await expectAccessible(page, rules)
    }
    await page.goto(`${base}/runs`)
    await ready.runs(page)
    await press(page, 'n')
    await expect(page.locator('#offer-0')).toBeVisible()
    await expectAccessible(page, rules)
    await page.goto('/')
    await expect(page.locator('a.open').first()).toBeVisible()
    await expectAccessible(page, rules)
  })
}

test('fits an upright tablet: no screen scrolls sideways, every name of a sink is in view', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 })
  const base = await openCopy(page, 'Harbour Robotics Cup')
  for (const screen of SCREENS) {
    await press(page, screen === SCREENS[0] ? 'Alt+1' : ']')
    await ready[screen](page)
    const wide = await page.evaluate(() =>
      [document.documentElement, ...document.querySelectorAll('.scroll, .lay, .kit, .brief, table')]
        .filter(element => element.scrollWidth > 821 || element.getBoundingClientRect().right > 821)
        .map(element => element.className || element.tagName),
    )
    expect(wide, screen).toEqual([])
  }
  await page.goto(`${base}/runs`)
  await expect(page.getByRole('button', { name: /^Hall screen east/ })).toBeInViewport()
})

test('walks the screens from the first to the last, turns the theme, and keeps it over a reload', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' })
  const base = await openCopy(page, 'Kiln Night')
  for (const [i, screen] of SCREENS.entries()) {
    await press(page, i === 0 ? 'Alt+1' : ']')
    await expect(page).toHaveURL(new RegExp(`${base}/${screen}`))
    await ready[screen](page)
  }
  await press(page, 't')
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'day')
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'day')
  await page.goBack()
  await ready.rehearse(page)
})

test('loses no key that is pressed before its screen is there, and says when one cannot be fetched', async ({
  page,
}) => {
  const base = await openCopy(page, 'Kiln Night')
  const bursts: [from: (typeof SCREENS)[number], keys: string, to: (typeof SCREENS)[number]][] = [
    ['rehearse', '[[[', 'media'],
    ['media', ']][]', 'cost'],
    ['papers', '][[]]]', 'papers'],
    ['kit', ']]]]]]]]', 'sound'],
    ['brief', '[]][', 'order'],
  ]
  // Screens are fetched ahead when a browser has nothing else to do. This one never has.
  await page.addInitScript(() => {
    window.requestIdleCallback = () => 0
  })
  for (const [from, keys, to] of bursts) {
    await page.goto(`${base}/${from}`)
    await ready[from](page)
    await press(page, ...keys)
    await ready[to](page)
    await expect(page).toHaveURL(new RegExp(`${base}/${to}`))
  }
  await page.goto(`${base}/line`)
  await ready.line(page)
  await page.route('**/_nuxt/**', route => route.abort())
  await press(page, '[')
  await expect(page.getByText('The screen could not be fetched')).toBeVisible()
  await expect(page).toHaveURL(new RegExp(`${base}/line`))
  await ready.line(page)
  await page.unroute('**/_nuxt/**')
  await press(page, '[')
  await ready.media(page)
})
