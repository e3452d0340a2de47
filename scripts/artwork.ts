import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { graphicEntry } from '../core/features/keys'
import { reduced, wordLines } from '../core/picture'
import { readPng, writePng } from '../shared/png'

// Draws the artwork of the demo shows from demo/artwork/*.svg into demo/pictures, each by the hash of its content, and
// puts what is counted of them into the demo shows that name them. Four samples to each side of a pixel.

const FINER = 4
const [WIDTH, HEIGHT] = [1920, 1080]
/** Which show has which drawing, by the id of the graphic in it. */
const SHOWN: Readonly<Record<string, readonly string[]>> = {
  'harbour-robotics-cup': ['scores', 'marks'],
  'harbour-robotics-cup-draft': ['scores', 'marks'],
  'kiln-night': ['potter'],
  'kiln-night-draft': ['potter'],
  'bookshop-reading': ['title', 'reader'],
  'bookshop-reading-draft': ['title', 'reader', 'notice', 'credits', 'translator'],
}
const TITLES: Readonly<Record<string, string>> = {
  scores: 'Score strip with a soft shadow',
  marks: 'Marks drawn on the tablet',
  potter: 'Caption with two lines',
  title: 'Title over the whole width',
  reader: 'Caption with one line',
  notice: 'Black words on a light plate',
  credits: 'Small words in the corner',
  translator: 'Somebody before a green screen',
}

const font = readFileSync(
  'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
).toString('base64')
const page = (svg: string) => `<!doctype html><style>
@font-face { font-family: Artwork; src: url(data:font/woff2;base64,${font}); font-weight: 200 800 }
html, body { margin: 0; background: transparent } svg { display: block }</style>${svg}`

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const made = new Map<string, ReturnType<typeof graphicEntry>>()
const files = new Map<string, Uint8Array>()
try {
  const view = await browser.newPage({ viewport: { width: WIDTH, height: HEIGHT }, deviceScaleFactor: FINER })
  for (const name of readdirSync('demo/artwork').sort()) {
    const id = name.replace('.svg', '')
    await view.setContent(page(readFileSync(`demo/artwork/${name}`, 'utf8')))
    await view.evaluate('document.fonts.ready')
    const quarters = []
    // In four parts: one picture of all would be larger than what is taken of files.
    for (const [x, y] of [
      [0, 0],
      [WIDTH / 2, 0],
      [0, HEIGHT / 2],
      [WIDTH / 2, HEIGHT / 2],
    ] as const) {
      const clip = { x, y, width: WIDTH / 2, height: HEIGHT / 2 }
      const fine = readPng(await view.screenshot({ omitBackground: true, clip }))
      quarters.push({ x, y, part: reduced(fine.data, fine.width, fine.height, FINER) })
    }
    const data = new Uint8ClampedArray(WIDTH * HEIGHT * 4)
    for (const { x, y, part } of quarters)
      for (let row = 0; row < part.height; row++)
        data.set(part.data.subarray(row * part.width * 4, (row + 1) * part.width * 4), ((y + row) * WIDTH + x) * 4)
    const png = writePng({ width: WIDTH, height: HEIGHT, data, opaque: false })
    const file = createHash('sha256').update(png).digest('hex')
    files.set(file, png)
    const graphic = readPng(png)
    const lines = id === 'marks' ? [] : wordLines(graphic)
    const words = Object.fromEntries(
      lines.map(({ left, top, right, bottom }, i) => [
        `line-${i + 1}`,
        {
          x: Number((left / WIDTH).toFixed(4)),
          y: Number((top / HEIGHT).toFixed(4)),
          w: Number(((right - left) / WIDTH).toFixed(4)),
          h: Number(((bottom - top) / HEIGHT).toFixed(4)),
        },
      ]),
    )
    const order = Object.keys(TITLES).indexOf(id) + 1
    made.set(id, graphicEntry(graphic, { title: TITLES[id]!, order, file }, words))
    console.log(
      `${name}: ${png.length} bytes, ${lines.length} lines of words, cells ${made.get(id)!.cells!.length} characters`,
    )
  }
} finally {
  await browser.close()
}

// What was there goes once all is drawn.
rmSync('demo/pictures', { recursive: true, force: true })
mkdirSync('demo/pictures', { recursive: true })
for (const [file, png] of files) writeFileSync(`demo/pictures/${file}.png`, png)

for (const [show, names] of Object.entries(SHOWN)) {
  const path = `demo/${show}.json`
  const lines = names.map(name => `        ${JSON.stringify(name)}: ${JSON.stringify(made.get(name))}`)
  const block = `      "graphics": {\n${lines.join(',\n')}\n      },\n`
  const text = readFileSync(path, 'utf8').replace(/ {6}"graphics": \{[\s\S]*?\n {6}\},\n/, '')
  writeFileSync(path, text.replace('      "overlays": {', `${block}      "overlays": {`))
}
