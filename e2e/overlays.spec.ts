import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { readPng, writePng } from '../shared/png'
import { CLEAR, patches } from '../testing/graphics'
import { expect, expectAccessible, openCopy, press, saved, test } from './walk'

const file = (name: string, bytes: Uint8Array, mimeType = 'image/png') => ({
  name,
  mimeType,
  buffer: Buffer.from(bytes),
})
/** A bright plate with letters, and a black shadow of a quarter of all below it. */
const shaded = writePng(
  patches(640, 360, CLEAR, [
    [64, 252, 320, 50, [200, 220, 240, 255]],
    [96, 264, 30, 24, [20, 20, 60, 255]],
    [140, 264, 30, 24, [20, 20, 60, 255]],
    [64, 302, 320, 17, [0, 0, 0, 200]],
  ]),
)
/** Brings a file in by the dialog for choosing one, opened with the key. */
async function bring(page: Page, chosen: ReturnType<typeof file>): Promise<void> {
  // Choosers are caught from here on; a first one that comes before that would be lost.
  await expect(async () => {
    const chooser = page.waitForEvent('filechooser', { timeout: 2000 })
    await press(page, 'd')
    await (await chooser).setFiles(chosen)
  }).toPass()
}
const measure = (page: Page, name: string) =>
  page
    .getByRole('row', { name: new RegExp(`^${name}`) })
    .getByRole('cell')
    .first()

test('measures a picture on black, shows what is lost, and mends it with fill and key', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'overlays')
  await expect(page.getByRole('option', { name: /^Scores/ })).toBeVisible()
  await expectAccessible(page)
  await press(page, 'k')
  await page.getByLabel('Cut out by').selectOption('its own brightness')
  await page.getByRole('tab', { name: 'Bench' }).click()
  await bring(page, file('shaded.png', shaded))
  // 640 x 17 / 2 of shadow to 320 x 67 in all: 5440 of 21 440 pixels.
  await expect(measure(page, 'Graphic lost')).toHaveText('25\u00A0%')
  await expect(page.getByText('striped: 25\u00A0% of the graphic is gone')).toBeVisible()
  await expect(page.getByText(/of Scores is too dark to be told from black/)).toBeVisible()
  await page.getByRole('button', { name: /^Key Scores by the key signal of Scoring computer/ }).click()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  await expect(page.getByText(/is too dark to be told from black/)).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  await expect(page.getByText('shaded, 640 \u00D7 360')).toBeVisible()
})

test('finds clip and gain, takes steps by the keyboard, and turns a wrong flag', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'overlays')
  await page.getByRole('option', { name: /^Marks of the judge/ }).click()
  await expect(measure(page, 'Soft edge kept')).toHaveText('91\u00A0%')
  await page.locator('body').click({ position: { x: 5, y: 400 } })
  // A gain of 19 % and sixty steps more: steep, and the edge hard.
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press('Shift+ArrowRight')
    // Where it rests it becomes a change of the plan; the next step goes on from there all the same.
    if (i % 20 === 19) await page.waitForTimeout(510)
  }
  await expect(page.getByText(/Of the soft edges of Marks of the judge/)).toBeVisible()
  await expect(page.getByRole('slider', { name: 'Gain' })).toHaveAttribute('aria-valuetext', '99\u00A0%')
  await press(page, 'f')
  await expect(page.getByRole('button', { name: /^clip 1 %, gain 19 %/ })).toBeVisible()
  await press(page, 'Enter')
  await expect(measure(page, 'Soft edge kept')).toHaveText('91\u00A0%')
  await expect(page.getByText(/Of the soft edges/)).toBeHidden()
  await page.getByRole('option', { name: /^Scores/ }).click()
  await page.getByLabel('the keyer takes the fill as weighted by its key').check()
  await expect(page.getByText(/The fill of Scores has its colours as they are/)).toBeVisible()
  await page.getByRole('button', { name: /^Take its fill as it is/ }).click()
  await expect(page.getByText(/The fill of Scores has its colours/)).toBeHidden()
  await press(page, 'Control+z')
  await press(page, 'Control+z')
  await expect(page.getByLabel('the keyer takes the fill as weighted by its key')).not.toBeChecked()
  await saved(page)
})

test('refuses what is no picture, cleans a drawing, and finds marks on a board that are not turned round', async ({
  page,
}) => {
  await openCopy(page, 'Kiln Night', 'overlays')
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  const text = (words: string) => new TextEncoder().encode(words)
  await bring(page, file('notes.png', text('not a picture')))
  await expect(page.getByText('notes.png is no picture that can be used; PNG, JPEG and SVG are.')).toBeVisible()
  await bring(page, file('torn.png', shaded.subarray(0, 90)))
  await expect(page.getByText('torn.png: It is cut off.')).toBeVisible()
  // A width of 60 000 in the header alone.
  const bomb = shaded.slice()
  bomb.set([0, 0, 0xea, 0x60], 16)
  await bring(page, file('bomb.png', bomb))
  await expect(page.getByText(/^bomb\.png: It measures 60000 x 360/)).toBeVisible()
  await expect(page.getByText('Caption with two lines, 1920 \u00D7 1080')).toBeVisible()
  await bring(
    page,
    file(
      'board.svg',
      text(
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 160 90"><script>document.title = "ran"</script><rect width="160" height="90" fill="#d0d0d0"/><path d="M40 45h60" stroke="#101010" stroke-width="5"/><image href="http://192.0.2.1/x.png" width="9" height="9"/></svg>',
      ),
      'image/svg+xml',
    ),
  )
  await expect(page.getByText(/is dark on a light ground, and its key is not turned round/)).toBeVisible()
  await expect(page).not.toHaveTitle(/ran/)
  await page.getByRole('button', { name: /^Turn the key round, clip/ }).click()
  await expect(page.getByText(/its key is not turned round/)).toBeHidden()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
})

test('makes a caption, whose words are known, and takes it along in an archive', async ({ page }) => {
  const base = await openCopy(page, 'Kiln Night', 'overlays')
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  await press(page, 'c')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('First line').fill('Wim Aster')
  await dialog.getByLabel('Second line').fill('')
  await dialog.getByLabel('Height of the letters, % of the picture').fill('6')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByText('Wim Aster, 1920 \u00D7 1080')).toBeVisible()
  // 6 % of 60 mm.
  await expect(measure(page, 'Letters on a phone')).toHaveText('3.6\u00A0mm')
  await expect(measure(page, 'Inside the safe area')).toHaveText('all')
  await press(page, 'w')
  await page.getByRole('button', { name: 'Words 1: take the box out' }).click()
  await expect(measure(page, 'Letters on a phone')).toHaveText('unjudged')
  await press(page, 'Control+z')
  await expect(measure(page, 'Letters on a phone')).toHaveText('3.6\u00A0mm')
  await saved(page)
  const show = base.split('/')[2]!
  const archive = await (await page.request.get(`/api/shows/${show}/export`)).body()
  expect(archive.subarray(0, 2).toString()).toBe('PK')
  await page.goto('/')
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles(file('kiln.zip', archive, 'application/zip'))
  await expect(page.getByText(/^Imported Kiln Night/)).toBeVisible()
})

test('judges every picture of a set that comes by one key', async ({ page }) => {
  await openCopy(page, 'Kiln Night', 'overlays')
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  const bar = (colour: readonly number[]) => writePng(patches(320, 180, CLEAR, [[40, 120, 200, 30, colour]]))
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'more pictures by the same key' }).click()
  await (
    await chooser
  ).setFiles([
    file('name-10.png', bar([0, 0, 0, 255])),
    file('name-2.png', bar([240, 240, 240, 255])),
    file('name-3.png', new TextEncoder().encode('not a picture')),
  ])
  await expect(page.getByText(/^1 of 3 were not taken: name-3\.png is no picture/)).toBeVisible()
  const set = page.getByRole('listbox', { name: 'Pictures of this overlay' })
  // By the numbers in their names; the black one cannot be told from black.
  await expect(set.getByRole('option')).toHaveText([/^1.*two lines/, /^2.*name-2/, /^3.*name-10.*fails/])
  await expect(page.getByText(/of .*, name-10 is too dark to be told from black/)).toBeVisible()
  await press(page, 'PageDown', 'PageDown')
  await expect(set.getByRole('option', { selected: true })).toContainText('name-10')
  await expect(measure(page, 'Graphic lost')).toHaveText('100\u00A0%')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'take this one out' }).click()
  await expect(set.getByRole('option')).toHaveCount(2)
  await expect(page.getByText(/too dark to be told/)).toBeHidden()
  await press(page, 'Control+z')
  await expect(set.getByRole('option')).toHaveCount(3)
  await saved(page)
  await page.reload()
  await expect(set.getByRole('option')).toHaveCount(3)
})

test('measures contrast over photographs that are given, and names the worst', async ({ page }) => {
  await openCopy(page, 'Kiln Night', 'overlays')
  await expect(page.getByText(/^over .*, drawn/)).toBeVisible()
  const grey = (value: number) => writePng(patches(320, 180, [value, value, value], []))
  const give = async (name: string, value: number): Promise<void> => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: /^give a photograph/ }).click()
    await (await chooser).setFiles(file(name, grey(value)))
  }
  await give('dusk.png', 30)
  await expect(page.getByText(/^over .*, dusk$/)).toBeVisible()
  const seen = page.locator('tbody', { hasText: 'Contrast, measured' })
  await expect(seen).toContainText('over dusk')
  await give('noon.png', 235)
  await expect(page.getByText(/^over .*, noon$/)).toBeVisible()
  await expect(seen).toContainText('of 2')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'take it out' }).click()
  await expect(seen).toContainText('over dusk')
  await press(page, 'Control+z')
  await expect(seen).toContainText('of 2')
  // The pictures of a clip, in the order of their numbers: each is a moment; what is no picture is left out and named.
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: /^give a photograph/ }).click()
  await (
    await chooser
  ).setFiles([
    ...[10, 9, 8].map(n => file(`walk-${n}.png`, grey(20 * n))),
    file('walk-7.png', new TextEncoder().encode('no picture')),
  ])
  await expect(page.getByText(/^1 of 4 were not taken/)).toBeVisible()
  await expect(page.getByText(/^over .*, walk-8$/)).toBeVisible()
  await expect(seen).toContainText('of 5')
  await page.getByRole('button', { name: 'all 5' }).click()
  await expect(seen).toBeHidden()
  await saved(page)
})

test('cuts somebody out by the colour of their screen, by mouse and by keys', async ({ page }) => {
  await openCopy(page, 'Bookshop Reading, first draft', 'overlays')
  await page.getByRole('option', { name: /Translator, cut out/ }).click()
  const side = page.getByRole('complementary', { name: 'Measures of Translator, cut out' })
  const stays = side.getByRole('row', { name: /Screen stays/ })
  // A blue is cut away, and the screen is green.
  await expect(stays).toContainText('100\u00A0%')
  await expect(page.getByText(/^measured in/)).toBeVisible()
  await press(page, 'f')
  await expect(side.getByText('0, 177, 64, tolerance 0\u00A0%, edge 28\u00A0%')).toBeVisible()
  await press(page, 'Enter')
  await expect(stays).not.toContainText('100\u00A0%')
  await expect(side.getByLabel('Soft edge')).toHaveValue('0.28')
  // Two steps of the tolerance are one change of the plan.
  await press(page, 'ArrowRight', 'ArrowRight')
  await expect(side.getByLabel('Tolerance')).toHaveValue('0.02')
  // Steps that follow each other are one change half a second after the last.
  await page.waitForTimeout(800)
  await saved(page)
  await page.reload()
  await page.getByRole('option', { name: /Translator, cut out/ }).click()
  await expect(side.getByLabel('Tolerance')).toHaveValue('0.02')
  await press(page, 'x')
  await expect(page.getByText('how solid it becomes').first()).toBeVisible()
  await expectAccessible(page)
})

test('measures the pictures of a clip: flashes are a hazard, a bad file is named, and what covers is told', async ({
  page,
}) => {
  await openCopy(page, 'Harbour Robotics Cup', 'clips')
  const grey = (code: number, solid = 255) => writePng(patches(64, 36, [code, code, code, solid], []))
  const named = (pictures: readonly Uint8Array[]) => pictures.map((bytes, i) => file(`trailer-${i + 1}.png`, bytes))
  const choose = async (files: ReturnType<typeof file>[]): Promise<void> => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: /^Measure its pictures/ }).click()
    await (await chooser).setFiles(files)
  }
  // Black and white in turn: at 50 frames a second 11 changes, which are five pairs. Numbers are read as numbers.
  await choose(named(Array.from({ length: 12 }, (_, i) => grey(i % 2 ? 255 : 0))))
  await expect(page.getByText('12 pictures: 5 flashes in a second, and more than 3 are too many.')).toBeVisible()
  await expect(page.getByText('Trailer of the season flashes 5 times in a second')).toBeVisible()
  await expect(page.getByText('1 hazard')).toBeVisible()
  await choose([...named([grey(10), grey(10)]), file('trailer-3.png', new TextEncoder().encode('no picture'))])
  await expect(page.getByRole('alert')).toHaveText('trailer-3.png: It is no PNG file.')
  // A plate that comes and goes, and covers all in frames 3 to 5.
  await choose(named([0, 128, 255, 255, 255, 90].map(solid => grey(60, solid))))
  await expect(page.getByText(/^6 pictures: it does not flash\./)).toContainText(
    'It covers the whole picture from frame 3 to 5: a cut beneath it goes at frame 4, and its start may be off by 1.',
  )
  await expect(page.getByText('flashes 5 times')).toBeHidden()
  await saved(page)
  await expectAccessible(page)
})

test('compares the ways of drawing, and takes one of them with all that it needs', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'overlays')
  await page.getByRole('option', { name: /Marks of the judge/ }).click()
  await press(page, 'k')
  const ways = page.getByRole('table', { name: 'Ways to draw it, the best first' })
  await expect(ways.getByRole('row', { name: /On a tablet of its own.*as now/ })).toBeVisible()
  // All eight inputs of Main are taken: the tablet gives up its own.
  await ways
    .getByRole('row', { name: /display with a pen/ })
    .getByRole('button', { name: 'Use it' })
    .click()
  await expect(ways.getByRole('row', { name: /display with a pen.*as now/ })).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'Shows' })).toHaveText(/Computer that draws/)
  await expect(page.getByText(/A mark is there \d+\sms after the pen/)).toBeVisible()
  // A mask by its key, and off again.
  await press(page, 'm')
  await expect(page.getByLabel('Mask: Top, %')).toHaveValue('60')
  await press(page, 'm')
  await expect(page.getByLabel('Mask: Top, %')).toBeHidden()
  await saved(page)
})

test('measures what comes through a mask, and counts anew when it is moved', async ({ page }) => {
  await openCopy(page, 'Harbour Robotics Cup', 'overlays')
  await press(page, 'k')
  await page.getByLabel('Cut out by').selectOption('its own brightness')
  await page.getByRole('tab', { name: 'Bench' }).click()
  await bring(page, file('shaded.png', shaded))
  await expect(measure(page, 'Graphic lost')).toHaveText('25\u00A0%')
  await press(page, 'k')
  await press(page, 'm')
  // The plate ends at line 302 of 360, which is 83.9 %; its shadow lies below.
  await page.getByLabel('Mask: Height, %').fill('23.9')
  await page.getByLabel('Mask: Height, %').press('Enter')
  await expect(page.getByLabel('Mask: Height, %')).toHaveValue('23.9')
  await page.getByRole('tab', { name: 'Bench' }).click()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  await expect(page.getByText(/is too dark to be told from black/)).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
})

test('draws around what is dark and meant to be seen, picks a colour that the key keeps, and takes a template away', async ({
  page,
}) => {
  await openCopy(page, 'Kiln Night', 'overlays')
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  // A bright bar of 320 x 40 on black, and a black shadow of 320 x 20 below it that no file without transparency shows.
  await bring(page, file('bar.png', writePng(patches(640, 360, [0, 0, 0], [[160, 200, 320, 40, [230, 230, 230]]]))))
  await expect(page.getByText('bar, 640 \u00D7 360')).toBeVisible()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  await press(page, 's')
  await expect(page.getByText(/^Draw around what is meant to be seen/)).toBeVisible()
  const picture = page.getByRole('img', { name: /over a picture$/ })
  const { x, y, width, height } = (await picture.boundingBox())!
  await page.mouse.move(x + width * 0.25, y + (height * 200) / 360)
  await page.mouse.down()
  await page.mouse.move(x + width * 0.75, y + (height * 260) / 360, { steps: 4 })
  await page.mouse.up()
  // 20 of 60 rows.
  await expect(measure(page, 'Graphic lost')).toHaveText(/^3[34]\u00A0%$/)
  await expect(page.getByText(/too dark to be told from black/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'What is meant 1: take the box out' }).click()
  await expect(measure(page, 'Graphic lost')).toHaveText('0\u00A0%')
  await press(page, 'Control+z')
  await expect(measure(page, 'Graphic lost')).toHaveText(/^3[34]\u00A0%$/)
  await press(page, 'Escape')
  await expect(page.getByText(/thins or cuts away .*black/)).toBeVisible()

  await press(page, 'c')
  const dialog = page.getByRole('dialog', { name: 'Make a caption' })
  await dialog.getByRole('button', { name: /^light yellow/ }).click()
  await expect(dialog.getByLabel('Colour of the letters')).toHaveValue('#fff096')
  await expectAccessible(page)
  const download = page.waitForEvent('download')
  await dialog.getByRole('button', { name: 'On black, PNG' }).click()
  const { width: wide, height: high, data, opaque } = readPng(readFileSync(await (await download).path()))
  expect([wide, high, opaque, ...data.subarray(0, 3)]).toEqual([1920, 1080, true, 0, 0, 0])
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await saved(page)
})
