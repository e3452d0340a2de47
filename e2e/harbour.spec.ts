import { expect, openCopy, press, test, verdict } from './walk'

/** What is chosen among the remedies of each finding; the same lead to the clean plan in the unit tests. */
const WANTED = [
  'Set Remote referee to 1080p50',
  'Take 5 m Passive HDMI with adapter',
  'Move it to Main input 3',
  'Use Isolated recorder SDI in 4',
  'Turn the cable round',
  'Point Side output 2 at program',
  'Take 75 m RG-6 size coax',
  'Point Main output 2 at clean',
  'Open all 2 sound inputs of Main',
  'Hire 1 more: 9\u00A0EUR',
  'Take 15 m Active HDMI',
  'Make Wide, gallery the safe shot',
  'Light Arena north only when every switcher on the way has it on air',
]

test('mends Harbour Robotics Cup by keyboard alone, from dark end to dark end', async ({ page }) => {
  const base = await openCopy(page, 'Harbour Robotics Cup, first draft')
  await expect(verdict(page)).toHaveText('13 of 20 pictures arrive')
  // A macro that leaves its switcher out stands on no lane.
  await page.goto(`${base}/rehearse`)
  await expect(page.getByRole('region', { name: 'Sources' })).toBeVisible()
  await press(page, 'm')
  await page.getByRole('button', { name: 'Set Main in Goal, north too' }).click()
  await expect(page.getByRole('button', { name: 'Set Main in Goal, north too' })).toBeHidden()
  // A plug goes in nowhere: it stands with the circuits.
  await page.goto(`${base}/power`)
  await page.getByRole('option', { name: /^Hall, west wall/ }).click()
  await page.getByRole('button', { name: /^Give Reel, west wall a household plug/ }).click()
  await expect(page.getByRole('button', { name: /^Give Reel, west wall/ })).toBeHidden()
  await page.goto(`${base}/clips`)
  await page.getByRole('button', { name: 'Convert Reel of the finals to 1080p50' }).click()
  await expect(page.getByRole('button', { name: /^Convert Reel/ })).toBeHidden()
  await page.goto(`${base}/runs`)
  await expect(verdict(page)).toHaveText('13 of 20 pictures arrive')
  const taken: string[] = []
  while (taken.length < WANTED.length) {
    await press(page, 'n')
    const list = page.getByRole('listbox', { name: 'Remedies' })
    await expect(list).toBeFocused()
    let titles: string[] = []
    const wanted = () => titles.findIndex(title => WANTED.includes(title) && !taken.includes(title))
    // The list is made anew when the check of the last edit comes in.
    await expect(async () => {
      titles = await page.locator('[id^=offer-] .title').allInnerTexts()
      expect(wanted(), titles.join(' | ')).toBeGreaterThanOrEqual(0)
    }).toPass({ timeout: 5000 })
    const at = wanted()
    for (let i = 0; i < at; i++) await press(page, 'ArrowDown')
    await expect(page.locator(`#offer-${at}`)).toHaveAttribute('aria-selected', 'true')
    await press(page, 'Enter')
    taken.push(titles[at]!)
    await expect(page.getByRole('option', { name: titles[at]!, exact: false })).toBeHidden()
    await press(page, 'Escape')
  }
  await expect(verdict(page)).toHaveText('21 of 21 pictures arrive')
  // What is left is what the keys make of their pictures.
  await page.goto(`${base}/overlays`)
  for (const [overlay, remedy] of [
    [/^Scores/, 'Take its fill as it is'],
    [/^Marks of the judge/, /^Set clip 1 %, gain 19 %/],
    [/^Referee in a box/, /^Move Referee in a box to the upper right corner/],
  ] as const) {
    await page.getByRole('option', { name: overlay }).click()
    await page.getByRole('button', { name: remedy }).click()
    await expect(page.getByRole('button', { name: remedy })).toBeHidden()
  }
  // The last stands on a lane of the board again.
  await page.goto(`${base}/runs`)
  await expect(verdict(page)).toHaveText('21 of 21 pictures arrive')
  await press(page, 'n')
  await page.getByRole('option', { name: 'Let Main stand in the open' }).click()
  await expect(page.getByText('nothing dark, nothing at risk')).toBeVisible()
  // One step back and forth, over a reload.
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(verdict(page)).toHaveText('21 of 21 pictures arrive')
  await press(page, 'Control+z')
  await expect(page.getByText('nothing dark, nothing at risk')).toBeHidden()
  await press(page, 'Control+y')
  await expect(page.getByText('nothing dark, nothing at risk')).toBeVisible()
})
