import type { Box, WordBox } from '#core/document'

/** A caption that is made here, for who has no graphics computer. */
export interface CaptionAsked {
  readonly lines: readonly string[]
  /** Height of the capitals of the first line, a share of the picture's. */
  readonly letters: number
  readonly place: 'lower left' | 'lower middle' | 'upper left'
  /** "#rrggbb". */
  readonly ink: string
  readonly plate: string
  /** How solid the plate is, 0 .. 1. */
  readonly solid: number
}

/** How wide a line is and how high its capitals are, in pixels at a size of letters of 100 pixels. */
export type MeasureLine = (line: string) => { readonly width: number; readonly capital: number; readonly below: number }

export interface CaptionLine {
  readonly text: string
  /** Left end of its base line, and size of its letters, pixels. */
  readonly x: number
  readonly y: number
  readonly size: number
}

export interface Caption {
  readonly width: number
  readonly height: number
  readonly plate: { readonly x: number; readonly y: number; readonly w: number; readonly h: number }
  readonly lines: readonly CaptionLine[]
  /** Where its words stand, in shares of the picture. */
  readonly words: Readonly<Record<string, WordBox>>
}

export const CAPTION_WIDTH = 1920
export const CAPTION_HEIGHT = 1080
/** Inside the safe part of the picture, with a little room. */
const EDGE = 0.06
/** The second line is smaller. */
const SECOND = 0.8

/** Lays a caption out: inside of the safe part, and never wider than that; a line that is too long is made smaller. */
export function laidCaption({ lines, letters, place }: CaptionAsked, measure: MeasureLine): Caption {
  const [width, height] = [CAPTION_WIDTH, CAPTION_HEIGHT]
  const room = width * (1 - 2 * EDGE)
  const pad = letters * height * 0.7
  const sized = lines
    .filter(line => line.trim() !== '')
    .map((text, i) => {
      const found = measure(text)
      const wanted = ((letters * height * (i === 0 ? 1 : SECOND)) / found.capital) * 100
      const size = Math.min(wanted, ((room - 2 * pad) / found.width) * 100)
      const scale = size / 100
      return { text, size, w: found.width * scale, capital: found.capital * scale, below: found.below * scale }
    })
  const gap = pad * 0.6
  const inner = sized.reduce(
    (sum, { capital, below }, i) => sum + capital + (i < sized.length - 1 ? below + gap : 0),
    0,
  )
  const w = Math.max(1, ...sized.map(line => line.w)) + 2 * pad
  const h = inner + 2 * pad
  const x = place === 'lower middle' ? (width - w) / 2 : width * EDGE
  const y = place === 'upper left' ? height * EDGE : height * (1 - EDGE) - h
  let base = y + pad
  const set: CaptionLine[] = []
  const words: Record<string, WordBox> = {}
  sized.forEach(({ text, size, w: long, capital, below }, i) => {
    base += capital
    set.push({ text, x: x + pad, y: base, size })
    // Half of the room around it, so that what lies behind the letters is in it too.
    const margin = Math.min(pad, gap) / 2
    words[`line-${i + 1}`] = {
      ...shares({ x: x + pad - margin, y: base - capital - margin, w: long + 2 * margin, h: capital + 2 * margin }),
      letters: Number((capital / height).toFixed(6)),
      exact: true,
    }
    base += below + gap
  })
  return { width, height, plate: { x, y, w, h }, lines: set, words }
}

const shares = ({ x, y, w, h }: WordBox): Box => {
  const round = (value: number) => Number(value.toFixed(5))
  return {
    x: round(x / CAPTION_WIDTH),
    y: round(y / CAPTION_HEIGHT),
    w: round(w / CAPTION_WIDTH),
    h: round(h / CAPTION_HEIGHT),
  }
}

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

/**
 * The same as an SVG drawing for any program that makes slides: clear behind the plate, or true black for a key by
 * brightness, with the safe parts as lines that are taken out before the show.
 */
export function captionSvg(asked: CaptionAsked, caption: Caption, ground: 'clear' | 'black'): string {
  const { width, height, plate, lines } = caption
  const number = (value: number) => String(Number(value.toFixed(2)))
  const frame = (share: number) =>
    `<rect x="${number((width * (1 - share)) / 2)}" y="${number((height * (1 - share)) / 2)}" width="${number(width * share)}" height="${number(height * share)}" fill="none" stroke="#8080ff" stroke-dasharray="12 8"/>`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">`,
    ...(ground === 'black' ? [`<rect width="${width}" height="${height}" fill="#000000"/>`] : []),
    `<rect x="${number(plate.x)}" y="${number(plate.y)}" width="${number(plate.w)}" height="${number(plate.h)}" fill="${escaped(asked.plate)}"${asked.solid < 1 ? ` fill-opacity="${number(asked.solid)}"` : ''}/>`,
    ...lines.map(
      ({ text, x, y, size }) =>
        `<text x="${number(x)}" y="${number(y)}" font-family="sans-serif" font-weight="700" font-size="${number(size)}" fill="${escaped(asked.ink)}">${escaped(text)}</text>`,
    ),
    `<g id="guides">${frame(0.93)}${frame(0.9)}</g>`,
    '</svg>',
    '',
  ].join('\n')
}
