import { expect, openCopy, saved, test, verdict } from './walk'

/** By overlay, in the order of the list: what is chosen; the same lead to a clean plan in the unit tests. */
const WANTED: readonly (readonly [overlay: string, ...remedies: string[]])[] = [
  [
    'Title of the evening',
    'Put Title of the evening into Key over all 1',
    'Take its fill as it is',
    'In place of Frame delay: 5 m RG-6 size coax',
  ],
  ['Name of the host', 'Take what comes to Main input 17'],
  ['Question', 'Set clip 17\u00A0%, gain 98\u00A0%'],
  ['Score', 'Key Score by the key signal of Quiz computer'],
  ['Observer in a box', 'Move Observer at the telescope', 'Move Observer in a box to the upper right corner'],
  ['Signer in a box', 'Lead Signer into HDMI in 1'],
  ['Votes', 'Connect it to Control network Port 2'],
  ['Clock', 'Give up Clock in Questions'],
  [
    'Name of the astronomer',
    'Slides and captions shows the caption on black then',
    'Let Name of the astronomer come up where it stands',
  ],
  ['Marks on the sky', 'Lead its pen to Computer of the marks', 'Set clip 1\u00A0%, gain 19\u00A0%'],
  ['Drawing on the board', 'Turn the key round, clip 72\u00A0%, gain 100\u00A0%'],
  ['Last words', 'Key Last words at Main, by Key over all 2', 'Move Last words into the safe part'],
]

test('mends the draft of the quiz: every fault of overlays, clips and macros, each where it is told', async ({
  page,
}) => {
  const base = await openCopy(page, 'Observatory Quiz, first draft', 'overlays')
  await expect(verdict(page)).toHaveText('19 of 19 pictures arrive')
  await expect(page.getByText('8 dark')).toBeVisible()
  const mend = async (title: string) => {
    const remedy = page.getByRole('button', { name: title }).first()
    await remedy.click()
    await expect(remedy).toBeHidden()
  }
  for (const [overlay, ...remedies] of WANTED) {
    const row = page.getByRole('option', { name: new RegExp(`^${overlay}`) })
    await expect(row).toContainText(remedies.length > 1 ? `${remedies.length} faults` : '1 fault')
    await row.click()
    for (const title of remedies) await mend(title)
    await expect(row).not.toContainText('fault')
  }
  await page.goto(`${base}/clips`)
  for (const title of [
    'Wait half a second in Wink of the dome',
    'Convert Stars, for the doors to 1080p59.94',
    'Put them all on Card A',
    'Let Opener call the numbers as they stand now',
  ])
    await mend(title)
  await page.goto(`${base}/runs`)
  await expect(page.getByText('nothing dark, nothing at risk')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(page.getByText('nothing dark, nothing at risk')).toBeVisible()
})
