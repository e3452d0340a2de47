import { type Colour, type Pixels, rect } from './pixels'

// Letters five wide and seven high, drawn for this: a row of each is five bits.
const ROWS: Readonly<Record<string, string>> = {
  'A': '0e11111f111111',
  'B': '1e11111e11111e',
  'C': '0e11101010110e',
  'D': '1e11111111111e',
  'E': '1f10101e10101f',
  'F': '1f10101e101010',
  'G': '0e11101711110f',
  'H': '1111111f111111',
  'I': '0e04040404040e',
  'J': '0702020202120c',
  'K': '11121418141211',
  'L': '1010101010101f',
  'M': '111b1515111111',
  'N': '11191513111111',
  'O': '0e11111111110e',
  'P': '1e11111e101010',
  'Q': '0e11111115120d',
  'R': '1e11111e141211',
  'S': '0f10100e01011e',
  'T': '1f040404040404',
  'U': '1111111111110e',
  'V': '11111111110a04',
  'W': '11111115151b11',
  'X': '11110a040a1111',
  'Y': '11110a04040404',
  'Z': '1f01020408101f',
  '0': '0e11131519110e',
  '1': '040c040404040e',
  '2': '0e11010204081f',
  '3': '1f02040201110e',
  '4': '02060a121f0202',
  '5': '1f101e0101110e',
  '6': '0608101e11110e',
  '7': '1f010204080808',
  '8': '0e11110e11110e',
  '9': '0e11110f01020c',
  '-': '0000001f000000',
  '.': '00000000000c0c',
  ':': '000c0c000c0c00',
  ',': '00000000040408',
  '/': '01010204081010',
  '+': '0004041f040400',
  '%': '18190204081303',
  '(': '02040808080402',
  "'": '04040800000000',
  ')': '08040202020408',
}
const ROW_COUNT = 7
const COLUMNS = 5

/** How wide words are at a height of letters, both in pixels. */
export const wordWidth = (words: string, height: number): number =>
  (words.length * (COLUMNS + 1) - 1) * (height / ROW_COUNT)

/** Writes words in capital letters; x and y are their upper left corner. Letters that are not known leave their room. */
export function write(to: Pixels, words: string, x: number, y: number, height: number, colour: Colour): void {
  const dot = height / ROW_COUNT
  const plainWords = words
    .replaceAll('\u2019', "'")
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toUpperCase()
  for (const [i, letter] of [...plainWords].entries()) {
    const rows = ROWS[letter]
    if (!rows) continue
    for (let r = 0; r < ROW_COUNT; r++) {
      const bits = Number.parseInt(rows.slice(2 * r, 2 * r + 2), 16)
      for (let c = 0; c < COLUMNS; c++)
        if (bits & (1 << (COLUMNS - 1 - c))) {
          const left = Math.round(x + (i * (COLUMNS + 1) + c) * dot)
          const top = Math.round(y + r * dot)
          rect(
            to,
            left,
            top,
            Math.max(1, Math.round(x + (i * (COLUMNS + 1) + c + 1) * dot) - left),
            Math.max(1, Math.round(y + (r + 1) * dot) - top),
            colour,
          )
        }
    }
  }
}
