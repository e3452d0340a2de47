import { type PhotographEntry, screenOf } from '#core/document'
import {
  type Colour,
  type Ink,
  LIMITS,
  chromaSolid,
  contrast,
  contrastOver,
  luminance,
  matteTable,
  readLight,
  sentLuma,
} from '#core/picture'
import { figure, listWords } from '#core/words'
import type { OverlayRow } from './overlays'

/** A colour that words or marks may have. */
export interface InkFound {
  readonly name: string
  readonly colour: Colour
  /** The key lets it through whole. */
  readonly survives: boolean
  /** Its least contrast with the photographs under it; undefined where none is given. */
  readonly contrast?: number
}

/** Colours that pens and programs for slides have, light ones first. */
const PALETTE: readonly (readonly [name: string, ...Colour])[] = [
  ['white', 255, 255, 255],
  ['light yellow', 255, 240, 150],
  ['yellow', 255, 221, 0],
  ['light cyan', 150, 240, 250],
  ['cyan', 0, 200, 230],
  ['lime', 150, 230, 60],
  ['green', 0, 150, 70],
  ['orange', 255, 150, 30],
  ['pink', 255, 130, 180],
  ['red', 215, 30, 40],
  ['violet', 150, 90, 220],
  ['blue', 30, 80, 200],
  ['grey', 128, 128, 128],
  ['dark blue', 15, 30, 90],
  ['black', 0, 0, 0],
]

type About = Pick<OverlayRow, 'overlay' | 'cut'> & Partial<Pick<OverlayRow, 'misread' | 'weights' | 'photographs'>>

const CLEAR: Ink = [0, 0, 0, 0]
const WHOLE = { x: 0, y: 0, w: 1, h: 1 }

/** What an overlay's key makes of each colour of the palette, and how it stands out from what lies under it. */
export function inksOf(about: About): readonly InkFound[] {
  const { overlay, photographs = [] } = about
  const whole = wholeBy(about)
  return PALETTE.map(([name, ...colour]) => {
    const least = leastOver(photographs, overlay.box ?? WHOLE, colour)
    return { name, colour, survives: whole(colour), ...(least === undefined ? {} : { contrast: least }) }
  })
}

/** Whether the key lets a colour through whole. */
function wholeBy({ overlay, cut: { clip, gain, invert }, misread, weights }: About): (colour: Colour) => boolean {
  if (overlay.kind === 'chroma') {
    const screen = screenOf(overlay)
    return colour => chromaSolid(colour, screen) >= 1
  }
  if (overlay.kind !== 'luma') return () => true
  const table = matteTable(clip, gain, invert, misread)
  return ([r, g, b]) => table[sentLuma([r, g, b, 255], weights)]! >= 1
}

const leastOver = (
  photographs: readonly PhotographEntry[],
  box: typeof WHOLE,
  [r, g, b]: Colour,
): number | undefined => {
  const found = photographs.flatMap(({ light: text }) => {
    const light = readLight(text)
    return light ? [contrastOver(light, box, [r, g, b, 255], CLEAR)] : []
  })
  return found.length ? Math.min(...found) : undefined
}

/** Two inks are told apart by this contrast, or else by their hues. */
const TOLD_APART = 1.5

/**
 * The ink that stands out best from the photographs, and a second one that is told from it as well: of those that the key
 * lets through whole. None without a photograph.
 */
export function bestInks(inks: readonly InkFound[]): readonly InkFound[] {
  const light = ({ colour: [r, g, b] }: InkFound) => luminance([r / 255, g / 255, b / 255])
  const [first, ...rest] = inks
    .filter(ink => ink.survives && ink.contrast !== undefined)
    .sort((a, b) => b.contrast! - a.contrast!)
  if (!first) return []
  const second = rest.find(
    ink => contrast(light(ink), light(first)) >= TOLD_APART || hueApart(ink.colour, first.colour),
  )
  return second ? [first, second] : [first]
}

/** One channel at least differs by half of its range. */
const hueApart = (one: Colour, other: Colour): boolean => one.some((code, c) => Math.abs(code - other[c]!) >= 128)

/** What there is to say about them, in sentences. */
export function inkWords(inks: readonly InkFound[]): string[] {
  const gone = inks.filter(({ survives }) => !survives).map(({ name }) => name)
  if (gone.length === inks.length) return ['No colour comes through this key whole.']
  const by = ({ contrast: least }: InkFound) => `, ${figure(least!)}\u00A0:\u00A01`
  const [first, second] = bestInks(inks)
  const also = second ? `; ${second.name} is a second one${by(second)}` : ''
  return [
    ...(first
      ? first.contrast! > LIMITS.contrastGood
        ? [`Straight on the photographs ${first.name} stands out best${by(first)}${also}.`]
        : [
            `Straight on the photographs nothing stands out everywhere: ${first.name} does best${by(first)} where it is worst${also}. Words want a plate behind them.`,
          ]
      : []),
    gone.length ? `This key thins or cuts away ${listWords(gone)}.` : 'This key lets all of these through whole.',
    ...(first ? [] : ['Photographs of what lies below tell which of the others stands out.']),
  ]
}
