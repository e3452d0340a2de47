import { expect, expectAccessible, goTo, openCopy, press, saved, test } from './walk'
import { FINGERPRINTS } from '../testing/runs/fingerprints'

test('plans a talk: a segment, looks by picture, a caption and its keyer, and everything on the sheets', async ({
  page,
}) => {
  const base = await openCopy(page, 'Kiln Night', 'outputs')
  const hall = (moment: string) => page.getByRole('button', { name: new RegExp(`^Hall projector, ${moment}`) })
  await expect(hall('Throwing a bowl: opens')).toHaveAccessibleName(/Wheel close-up with Name of the potter/)
  await expectAccessible(page)
  // The figure puts that input on air in the chosen moment; undo takes it back.
  await hall('The kiln opens: opens').click()
  await press(page, '3')
  await expect(hall('The kiln opens: opens')).toHaveAccessibleName(/Overhead phone/)
  await press(page, 'Control+z')
  await expect(hall('The kiln opens: opens')).toHaveAccessibleName(/Wide camera/)
  await press(page, 'a')
  await page.getByLabel('Its name').fill('Glaze, close')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(hall('The kiln opens: Glaze, close')).toBeVisible()
  await press(page, '2')
  await expect(hall('The kiln opens: Glaze, close')).toHaveAccessibleName(/Wheel close-up/)
  await page.getByLabel('Key of Main').selectOption({ label: 'Name of the potter' })
  await expect(hall('The kiln opens: Glaze, close')).toHaveAccessibleName(/with Name of the potter/)
  // Its computer still shows nothing then: the caption is said with the look.
  await expect(
    page.getByText(/Name of the potter is lit while Caption computer shows its blank page/).first(),
  ).toBeVisible()
  await page.getByLabel('What Caption computer shows').selectOption('caption')
  await saved(page)
  await goTo(page, 'Overlays')
  await expect(page.getByText(/^Key: it lies in the mix/).first()).toBeVisible()
  await page.getByRole('tab', { name: 'Keyers' }).click()
  await expectAccessible(page)
  await page.getByLabel('The kiln opens').check()
  await expect(page.getByRole('row', { name: /^Key/ }).getByRole('button', { name: 'Name of the potter' })).toHaveCount(
    2,
  )
  // What shows the same picture in the same way shares its keyer; another picture finds none.
  await press(page, 'a')
  await expect(page.getByRole('option', { name: /^Overlay from Caption computer/ })).toBeVisible()
  await page.getByLabel(/^Shows/).selectOption({ label: 'Overhead phone' })
  await expect(page.getByText(/without a keyer/)).toBeVisible()
  await page.getByRole('heading', { level: 2 }).first().click()
  await press(page, 'Delete')
  await expect(page.getByText('each has a keyer')).toBeVisible()
  await saved(page)
  await page.goto(`${base}/papers?paper=cues`)
  await expect(page.getByRole('cell', { name: 'Glaze, close' }).first()).toBeVisible()
})

test('says who works what, and what is too much for one pair of hands', async ({ page }) => {
  await openCopy(page, 'Kiln Night', 'order')
  await expectAccessible(page)
  const side = page.getByRole('complementary', { name: 'Welcome and slides' })
  await side.getByLabel('Add somebody').fill('Ines')
  await side.getByLabel('Add somebody').press('Enter')
  await expect(side.getByText('Ines')).toBeVisible()
  await side.getByLabel('Ines works').selectOption({ label: 'Overhead phone' })
  await expect(side.getByRole('button', { name: /^Overhead phone/ })).toBeVisible()
  await side.getByRole('heading', { level: 2 }).click()
  await press(page, 'c')
  const cue = side.getByRole('button', { name: /New cue/ })
  await expect(cue).toBeVisible()
  await side.getByLabel('Name of the cue').fill('Lights')
  await side.getByLabel('Name of the cue').press('Enter')
  await side.getByLabel('Look of the cue').selectOption({ label: 'Kiln, wide' })
  await expect(side.getByRole('button', { name: /Lights.*Kiln, wide/ })).toBeVisible()
  await side.getByLabel('Welcome and slides begins at').fill('25:00')
  await side.getByLabel('Welcome and slides begins at').press('Enter')
  await expect(page.getByText(/Not taken: a time of day/)).toBeVisible()
})

test('lets a second audience hear the call, and not the guest themselves', async ({ page }) => {
  await openCopy(page, 'Bookshop Reading', 'sound')
  await expectAccessible(page)
  const viewers = page.getByRole('option', { name: /Viewers of the stream/ })
  await viewers.click()
  const line = (sound: string, moment: string) => page.getByRole('button', { name: new RegExp(`^${sound}, ${moment}`) })
  await expect(line('Translator, by call', 'Welcome: opens')).toHaveAccessibleName(/: heard/)
  await page.getByRole('option', { name: /What the translator sees/ }).click()
  await expect(line("Reader's microphone", 'Welcome: opens')).toHaveAccessibleName(/: heard/)
  await expect(page.getByRole('row', { name: /Translator, by call/ })).toHaveCount(1)
  await expect(page.getByRole('row', { name: /Translator, by call/ })).toContainText('not led here')
  await viewers.click()
  await page.getByLabel('Mixing computer Input 3 in this look').selectOption('shut')
  await expect(page.getByText(/shut: Mixing computer input 3 is shut|: shut/).first()).toBeAttached()
})

test('rehearses: what is next, the planned take, a key, a picture from anywhere, and the run goes on elsewhere', async ({
  page,
}) => {
  await openCopy(page, 'Harbour Robotics Cup', 'rehearse')
  const large = page.getByRole('img', { name: /^Hall screen west sees/ })
  await expect(large).toHaveAccessibleName(/Wide, gallery/)
  await expectAccessible(page)
  await press(page, '9')
  await expect(page.getByText(/Side to 2 \(nobody sees it\), then Main to 7/)).toBeVisible()
  await expect(page.getByText(/Pressed at once, .* would see Clip player for/)).toBeVisible()
  await press(page, 'Space')
  await expect(large).toHaveAccessibleName(/Remote referee/)
  await expect(page.getByText(/^wrong picture/)).toHaveCount(0)
  await press(page, 'k')
  await expect(large).toHaveAccessibleName(/with Scores/)
  await goTo(page, 'Power')
  await page.getByRole('link', { name: 'rehearsal runs' }).click()
  await expect(large).toHaveAccessibleName(/Remote referee with Scores/)
  await press(page, 's')
  await expect(large).toHaveAccessibleName(/sees Wide, gallery$/)
  // Both pressed by hand, the last one first: what was on the feeder is seen for a moment, and marked.
  await page.getByTitle('Press 3 on Side, by hand').click()
  await page.getByTitle('Press 7 on Main, by hand').first().click()
  await expect(large).toHaveAccessibleName(/Clip player/)
  await press(page, 'p')
  await expect(page.getByRole('button', { name: /Go on/ })).toBeVisible()
  await page.getByRole('button', { name: 'Keep as a look' }).click()
  await page.getByLabel('Its name').fill('Clip on air')
  await page.getByRole('button', { name: 'Take it' }).click()
  await saved(page)
  await expect(page.getByText('The plan has changed since')).toBeVisible()
  await press(page, 'r')
  await expect(page.getByRole('button', { name: 'Clip on air' })).toBeVisible()
})

test('works a switcher by hand, breaks what it hangs on, records a macro, keeps runs and compares them', async ({
  page,
}) => {
  await openCopy(page, 'Harbour Robotics Cup', 'rehearse')
  const large = page.getByRole('img', { name: /^Hall screen west sees/ })
  await expect(large).toHaveAccessibleName(/Wide, gallery/)
  // What is meant is said first: then each frame that shows something else is counted.
  await press(page, '9')
  await page.getByTitle('Press 7 on Main, by hand').first().click()
  await expect(large).toHaveAccessibleName(/Clip player/)
  await page.getByTitle('Press 2 on Side, by hand').click()
  await expect(large).toHaveAccessibleName(/Remote referee/)
  await expect(page.getByText(/^wrong picture, \d+ frames$/)).toBeVisible()
  await expect(page.getByText(/was seen for \d+ frames: neither the old picture nor the new/)).toBeVisible()
  await page.getByRole('button', { name: 'how to do it clean' }).click()
  await expect(page.getByText('Side to 2 (nobody sees it), then Main to 7.')).toBeVisible()
  await press(page, 'y')
  await page.getByRole('button', { name: 'Keep this run' }).click()
  await page.getByLabel('Its name').fill('In the wrong order')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('checkbox', { name: /In the wrong order/ })).toBeVisible()

  // Again from the beginning, as planned; a plug is drawn, and the safe picture is there.
  await press(page, 'r')
  await press(page, '9')
  await press(page, 'Space')
  await expect(large).toHaveAccessibleName(/Remote referee/)
  await press(page, 'x')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Plug at Main, SIDE' }).click()
  await expect(large).toHaveAccessibleName(/without signal|dark/)
  await expect(page.getByText(/see no live picture|Everybody sees/)).toBeVisible()
  await press(page, 's')
  await expect(large).toHaveAccessibleName(/sees Wide, gallery$/)
  await page.getByRole('button', { name: 'Mend it' }).click()
  await expect(page.getByText('Everybody sees a picture.')).toBeVisible()
  await press(page, 'y')
  await page.getByRole('button', { name: 'Keep this run' }).click()
  await page.getByLabel('Its name').fill('As planned')
  await page.getByRole('button', { name: 'Take it' }).click()
  await page.getByRole('checkbox', { name: /In the wrong order/ }).check()
  await page.getByRole('checkbox', { name: /As planned/ }).check()
  const hall = page.getByRole('row', { name: /^Hall screen west/ })
  await expect(hall.getByRole('cell').first()).toHaveText(/[1-9]\d* wrong frames/)
  await expect(page.getByRole('row', { name: /^Fingerprint/ })).toBeVisible()
  // A file that is no run says where it is none.
  await page.getByLabel('Open a file').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"version":1,"plan":"","seed":-1,"moment":0,"events":[]}'),
  })
  await expect(page.getByRole('alert')).toContainText('/seed')

  // By hand at the panel: preview, then run; kept as a macro of the switcher, and fired.
  await press(page, 'm')
  await press(page, 'd')
  await expect(page.getByText('recording', { exact: true })).toBeVisible()
  await press(page, 'h')
  await expectAccessible(page)
  await page.getByRole('group', { name: 'On preview' }).getByRole('button', { name: /^4/ }).click()
  await page.getByRole('button', { name: 'Run', exact: true }).click()
  await expect(large).toHaveAccessibleName(/sees Pit lane, roaming$/)
  await press(page, 'd')
  await page.getByRole('button', { name: 'Name it' }).click()
  await page.getByLabel('Its name').fill('Softly to the pit')
  await page.getByRole('button', { name: 'Take it' }).click()
  await saved(page)
  await expect(page.getByText('Main mix 25 frames').first()).toBeVisible()
  await page
    .getByRole('button', { name: /Begin again/ })
    .first()
    .click()
  await expect(large).toHaveAccessibleName(/sees Wide, gallery$/)
  await page.getByTitle('Macro, Main').filter({ hasText: 'Softly to the pit' }).click()
  await expect(large).toHaveAccessibleName(/sees Pit lane, roaming$/)
  await press(page, 'u')
  await expect(page.getByText('Hall screen west hears this.')).toBeVisible()
  // A cue of the running order can fire it.
  await goTo(page, 'Running order')
})

test('names each source once over the chain, lays the multiview out by keys, and keeps what was ticked', async ({
  page,
}) => {
  await openCopy(page, 'Harbour Robotics Cup', 'switchers')
  await expect(page.getByRole('heading', { name: 'Main', level: 2 })).toBeVisible()
  await press(page, 'm')
  const table = page.getByRole('region', { name: 'Names of the sources' })
  await expect(table.getByRole('row', { name: /Side 9–10/ })).toBeVisible()
  await expectAccessible(page)
  const call = page.getByLabel('Number of Clip player')
  await call.fill('20')
  await call.press('Enter')
  await expect(table.getByRole('row', { name: /Side 9, 20/ })).toBeVisible()
  await page.getByRole('heading', { name: 'Multiview' }).click()
  await press(page, 'l')
  await expect(page.getByRole('button', { name: /All labels are so/ })).toBeVisible()
  await expect(table.getByText('20 Clip play', { exact: true })).toBeVisible()
  // Preview and program change places, and a step back puts them as they were.
  const tiles = page.getByRole('group', { name: 'Tiles of Side' }).getByRole('button')
  await press(page, 'Shift+ArrowRight')
  await expect(tiles.first()).toHaveText('program')
  // A press that follows at once goes on from there.
  await press(page, 'Shift+ArrowRight', 'Shift+ArrowRight')
  await expect(tiles.nth(3)).toHaveText('preview')
  await press(page, 'Control+z', 'Control+z', 'Control+z')
  await expect(tiles.first()).toHaveText('preview')
  await press(page, 'm')
  await expect(page.getByRole('button', { name: /7.*Side 9, 20/ })).toBeVisible()
  await press(page, 'd')
  const first = page.getByRole('complementary', { name: /Set-up of Main/ }).getByRole('checkbox', { name: /, done$/ })
  await expect(first.first()).toBeChecked()
  await saved(page)
  await page.reload()
  await expect(first.first()).toBeChecked()
  await expect(first.nth(1)).not.toBeChecked()
})

test('points an output at one input: who hangs there sees it in every moment, is told wrong, and it is taken back', async ({
  page,
}) => {
  const base = await openCopy(page, 'Harbour Robotics Cup', 'switchers')
  await page.getByRole('heading', { name: 'Main', level: 2 }).first().click()
  await press(page, 'ArrowDown')
  const carries = page.getByRole('combobox', { name: 'SDI out 2 carries' })
  await carries.selectOption({ label: 'input 1, Wide, gallery' })
  await expect(page.getByRole('list', { name: 'Outputs of Main' })).toContainText(
    'input 1, Wide, galleryto Overflow room',
  )
  await saved(page)
  await page.goto(`${base}/outputs`)
  const row = page.getByRole('row', { name: /Overflow room/ })
  await expect(row.getByRole('cell').first()).toContainText('Wide, gallery')
  // The overflow room is to see the clean picture.
  await expect(page.getByText('nothing dark, nothing at risk')).toBeHidden()
  await page.goto(`${base}/switchers`)
  await press(page, 'ArrowDown')
  await carries.selectOption('clean')
  await expect(page.getByText('21 of 21 pictures arrive')).toBeVisible()
  await expect(page.getByText('nothing dark, nothing at risk')).toBeVisible()
})

test('comes to the same state in the browser as on the machine that kept a run', async ({ page }) => {
  for (const [show, name] of [
    ['Kiln Night', 'kiln-night'],
    ['Harbour Robotics Cup', 'harbour-robotics-cup'],
    ['Three-hall Science Fair', 'three-hall-science-fair'],
  ] as const) {
    await openCopy(page, show, 'rehearse')
    await page.getByRole('tab', { name: 'Runs' }).click()
    await page.getByLabel('Open a file').setInputFiles(`testing/runs/${name}.json`)
    await page.getByRole('checkbox', { name: new RegExp(name) }).check()
    await expect(page.getByRole('row', { name: /^Fingerprint/ })).toContainText(FINGERPRINTS[name])
  }
})

test('keeps the clips of a player in their order, by keys', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'clips')
  const list = page.getByRole('region', { name: 'Clips of Clip player' })
  await expect(list.getByRole('row', { name: /^1 Trailer of the season/ })).toBeVisible()
  await press(page, 'ArrowDown')
  await press(page, 'Alt+ArrowUp')
  await expect(list.getByRole('row', { name: /^1 Reel of the finals/ })).toBeVisible()
  await expect(list.getByRole('row', { name: /^2 Trailer of the season/ })).toBeVisible()
  await press(page, 'Control+z')
  await expect(list.getByRole('row', { name: /^1 Trailer of the season/ })).toBeVisible()
  await press(page, 'a')
  await expect(list.getByRole('row', { name: /^3 New clip/ })).toBeVisible()
  await press(page, 'Alt+ArrowUp', 'Alt+ArrowUp')
  await expect(list.getByRole('row', { name: /^1 New clip/ })).toBeVisible()
  await press(page, 'Control+z', 'Control+z')
  await expect(list.getByRole('row', { name: /^3 New clip/ })).toBeVisible()
  // Wrong input is told and not taken.
  const length = page.getByLabel('Length, seconds')
  await length.fill('soon')
  await length.press('Enter')
  await expect(page.getByText('seconds, e.g. 45')).toBeVisible()
  await length.fill('12,5')
  await length.press('Enter')
  await expect(list.getByRole('row', { name: /^3 New clip 12[.,]5/ })).toBeVisible()
  await page.getByLabel('Format').selectOption('1080p25')
  await page.getByRole('button', { name: 'Convert New clip to 1080p50' }).click()
  await expect(page.getByRole('button', { name: /^Convert/ })).toBeHidden()
  await press(page, 'Delete')
  await expect(list.getByRole('row', { name: /New clip/ })).toBeHidden()
  await expectAccessible(page)
})
