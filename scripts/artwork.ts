import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { graphicEntry } from '../core/features/keys'
import type { PhotographEntry } from '../core/document'
import { lightOf, lightText, reduced, wordLines } from '../core/picture'
import { readPng, writePng } from '../shared/png'

// Draws the artwork of the demo shows from demo/artwork/*.svg into demo/pictures, each by the hash of its content, and
// puts what is counted of them into the demo shows that name them. Four samples to each side of a pixel.

const FINER = 4
const [WIDTH, HEIGHT] = [1920, 1080]
const QUIZ = ['evening', 'host', 'question', 'votes', 'speaker', 'marks', 'board', 'tables', 'thanks']
/** Drawn by hand: no lines of words are looked for. */
const STROKES = ['marks', 'board']
/** Which show has which drawing, by the id of the graphic in it. */
const SHOWN: Readonly<Record<string, readonly string[]>> = {
  'harbour-robotics-cup': ['scores', 'marks'],
  'harbour-robotics-cup-draft': ['scores', 'marks'],
  'kiln-night': ['potter'],
  'kiln-night-draft': ['potter'],
  'bookshop-reading': ['title', 'reader'],
  'bookshop-reading-draft': ['title', 'reader', 'notice', 'credits', 'translator'],
  'observatory-quiz': QUIZ,
  'observatory-quiz-draft': QUIZ,
}
/** Drawings that stand for a photograph of a source, and the shows that have it. */
const SEEN: Readonly<Record<string, { readonly title: string; readonly source: string; readonly shows: string[] }>> = {
  rehearsal: {
    title: 'The hall at the rehearsal, lights down',
    source: 'wide',
    shows: ['observatory-quiz', 'observatory-quiz-draft'],
  },
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
  evening: 'Title of two lines on a plate',
  host: 'Caption with one line',
  question: 'Page on a dark ground that is not black',
  votes: 'Strip of the votes',
  speaker: 'White letters without a plate',
  board: 'Drawing on a light board',
  thanks: 'Last words in the corner',
  tables: 'Dark letters on a light strip, with a soft shadow',
}

const font = readFileSync(
  'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
).toString('base64')
const page = (svg: string) => `<!doctype html><style>
@font-face { font-family: Artwork; src: url(data:font/woff2;base64,${font}); font-weight: 200 800 }
html, body { margin: 0; background: transparent } svg { display: block }</style>${svg}`

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const made = new Map<string, ReturnType<typeof graphicEntry>>()
const seen = new Map<string, PhotographEntry>()
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
    const lines = STROKES.includes(id) ? [] : wordLines(graphic)
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
    if (SEEN[id]) {
      const { title, source } = SEEN[id]
      seen.set(id, { title, order: 1, source, file, light: lightText(lightOf(graphic)) })
      continue
    }
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

/** Puts a collection before the overlays of a show, in the place of the one that is there. */
function put(show: string, collection: string, entries: readonly (readonly [id: string, entry: unknown])[]): void {
  const path = `demo/${show}.json`
  const lines = entries.map(([id, entry]) => `        ${JSON.stringify(id)}: ${JSON.stringify(entry)}`)
  const block = `      "${collection}": {\n${lines.join(',\n')}\n      },\n`
  const text = readFileSync(path, 'utf8').replace(
    new RegExp(`^ {6}"${collection}": \\{[\\s\\S]*?\\n {6}\\},\\n`, 'm'),
    '',
  )
  writeFileSync(path, text.replace('\n      "overlays": {', `\n${block}      "overlays": {`))
}

for (const [show, names] of Object.entries(SHOWN))
  put(
    show,
    'graphics',
    names.map(name => [name, made.get(name)]),
  )
for (const [id, { shows }] of Object.entries(SEEN))
  for (const show of shows) put(show, 'photographs', [[id, seen.get(id)]])
