import type { Cut, GraphicEntry } from '#core/document'
import { LIMITS, measured, readCells } from '#core/picture'
import { figure, percent } from '#core/words'
import { EDGE_WORDS } from './edges'
import { READ_FROM, isRead } from './halls'
import { contrastOf, contrastOn, paintedBy, standing, wayOf, wordsOf } from './judged'
import { isUncounted } from './masked'
import { isApart } from './pairs'
import type { OverlayRow } from './overlays'

/** One measure in words. */
export interface Measure {
  readonly name: string
  readonly now: string
  readonly good: string
  readonly bad: boolean
  /** Why it is not judged, or what else is to be known of it. */
  readonly why?: string
}

const UNJUDGED = 'unjudged'
/** Codes from which on an edge is seen to be too bright or too dark. */
const FRINGE_SEEN = 6
/** A phone held upright shows a picture so high, mm, and is read from this far; a capital letter of distance / 200 is read. */
const PHONE_MM = 60
const PHONE_AT_MM = 350
const EDGE = (1 - LIMITS.safe) / 2

/** An overlay with how its keyer stands. */
type Standing = Pick<OverlayRow, 'overlay' | 'misread' | 'weights'> &
  Partial<Pick<OverlayRow, 'photographs' | 'halls' | 'apart'>>

/** All measures of an overlay's key as it is set, from what was counted of its graphic. */
export function measuresOf(row: Standing, graphic: GraphicEntry, cut: Cut, fringe: number | undefined): Measure[] {
  return [
    ...(row.overlay.kind === 'chroma' ? onScreen(row, graphic) : onPixels(row, graphic, cut, fringe)),
    ...ofWords(row, graphic, cut),
    ...ofPair(row),
  ]
}

/** Fill and key, which must come at one time and in one format. */
function ofPair({ apart }: Standing): Measure[] {
  if (apart === undefined) return []
  const [now, bad] =
    apart === 'drift'
      ? ['not in step', true]
      : [apart.formats ? 'two formats' : `${figure(Math.abs(apart.ms))}\u00A0ms`, isApart(apart)]
  return [{ name: 'Fill and key apart', now, good: '0\u00A0ms', bad }]
}

/** What a key by colour makes of a graphic before its screen. */
function onScreen({ overlay }: Standing, graphic: GraphicEntry): Measure[] {
  const painted = paintedBy(overlay, graphic)
  const why = !graphic.opaque
    ? 'the file has a transparency of its own: its screen is not in it'
    : graphic.hues === undefined
      ? 'its ground has no colour, or is so uneven that nobody can say what belongs to it'
      : undefined
  const share = (value: number | undefined) => (value === undefined ? UNJUDGED : percent(value))
  const row = (name: string, value: number | undefined, most: number, more?: string): Measure => ({
    name,
    now: share(value),
    good: percent(0),
    bad: (value ?? 0) > most,
    ...((more ?? why) === undefined ? {} : { why: more ?? why! }),
  })
  const holes = painted?.found.lostWithHoles
  return [
    row(
      'Graphic lost',
      painted?.found.lost,
      LIMITS.lost,
      holes === undefined
        ? undefined
        : `${percent(holes)} if what is enclosed and like the screen belongs to it: that cannot be seen in this file`,
    ),
    row('Words lost', painted?.wordsLost, LIMITS.wordsLost, graphic.words ? undefined : 'no words are marked yet'),
    row('Screen stays', painted?.found.haze, LIMITS.groundStays),
  ]
}

function onPixels(row: Standing, graphic: GraphicEntry, cut: Cut, fringe: number | undefined): Measure[] {
  const way = wayOf(row.overlay)
  const opaque = graphic.opaque === true
  const cells = graphic.cells === undefined ? undefined : readCells(graphic.cells, opaque)
  if (!way) return []
  if (!cells)
    return [
      {
        name: 'Graphic lost',
        now: UNJUDGED,
        good: percent(0),
        bad: false,
        why: row.weights
          ? 'its switcher works in SD, and its pixels were counted by the brightness of HD alone: bring its picture in again'
          : 'nobody counted its pixels: bring its picture in again',
      },
    ]
  const found = measured(cells, way, cut, row.misread)
  const inWords = graphic.wordCells === undefined ? undefined : readCells(graphic.wordCells, opaque)
  const wordsLost = inWords && measured(inWords, way, cut, row.misread).lost
  const share = (value: number | undefined) => (value === undefined ? UNJUDGED : percent(value))
  return [
    {
      name: 'Graphic lost',
      now: share(found.lost),
      good: percent(0),
      bad: (found.lost ?? 0) > LIMITS.lost,
      ...(isUncounted(graphic, row.overlay)
        ? { why: 'counted over all of it: set the mask once more to have its part counted' }
        : {}),
      ...(found.lostWithHoles === undefined
        ? {}
        : {
            why: `${percent(found.lostWithHoles)} if what is enclosed and as dark as the ground belongs to it: that cannot be seen in this file`,
          }),
    },
    {
      name: 'Words lost',
      now: share(wordsLost),
      good: percent(0),
      bad: (wordsLost ?? 0) > LIMITS.wordsLost,
      ...(graphic.words ? {} : { why: 'no words are marked yet' }),
    },
    {
      name: 'Background stays',
      now: share(found.haze),
      good: percent(0),
      bad: (found.haze ?? 0) > LIMITS.groundStays,
    },
    {
      name: 'Soft edge kept',
      now: share(found.soft),
      good: `> ${percent(LIMITS.softGood)}`,
      bad: found.soft !== undefined && found.soft < LIMITS.soft,
      ...(found.soft === undefined
        ? { why: opaque ? 'the file does not say how solid its pixels are' : 'it has no soft edge' }
        : {}),
    },
    {
      name: 'Edge off colour',
      now: fringe === undefined ? UNJUDGED : `${figure(fringe, 0)} codes`,
      good: `\u00B1\u00A0${FRINGE_SEEN}`,
      bad: way === 'linear' && fringe !== undefined && Math.abs(fringe) > FRINGE_SEEN,
      ...(way === 'luma' && fringe !== undefined && Math.abs(fringe) > FRINGE_SEEN
        ? { why: 'what lies on black is weighted by its key once more, unless the keyer takes it as weighted' }
        : {}),
    },
  ]
}

function ofWords(row: Standing, graphic: GraphicEntry, cut: Cut): Measure[] {
  const words = wordsOf(graphic).map(([, word]) => word)
  const about = { overlay: row.overlay, cut, misread: row.misread, weights: row.weights }
  const photographs = row.photographs ?? []
  const seen = contrastOn(about, words, photographs)
  const contrasts = words.flatMap(word => contrastOf(about, word) ?? [])
  const contrast = contrasts.length ? Math.min(...contrasts) : undefined
  const letters = words.flatMap(word => (word.letters ? [word.letters * (row.overlay.box?.h ?? 1)] : []))
  const least = letters.length ? Math.min(...letters) : undefined
  const outside = words.filter(word => {
    const { x, y, w, h } = standing(row.overlay, word)
    return Math.min(x, y) < EDGE - 1e-6 || Math.max(x + w, y + h) > 1 - EDGE + 1e-6
  }).length
  return [
    {
      name: 'Contrast, guaranteed',
      now: contrast === undefined ? UNJUDGED : `${figure(contrast)} : 1`,
      good: `> ${LIMITS.contrastGood}`,
      // Where photographs are given it rests on them.
      bad: !seen && contrast !== undefined && contrast < LIMITS.contrast,
      ...(seen && contrast !== undefined && contrast < LIMITS.contrastGood
        ? { why: 'over any picture at all; what is photographed counts' }
        : {}),
    },
    ...(seen
      ? [
          {
            name: 'Contrast, measured',
            now: `${figure(seen.contrast)} : 1`,
            good: `> ${LIMITS.contrastGood}`,
            bad: seen.contrast < LIMITS.contrast && (contrast ?? 0) < LIMITS.contrast,
            why: `${photographs.length === 1 ? `over ${seen.photograph.title}` : `least over ${seen.photograph.title}, of ${photographs.length} photographs`}${seen.moving ? `, while it comes from ${EDGE_WORDS[seen.moving]}` : ''}`,
          },
        ]
      : []),
    {
      name: 'Letters on a phone',
      now: least === undefined ? UNJUDGED : `${figure(least * PHONE_MM)}\u00A0mm`,
      good: `> ${figure(PHONE_AT_MM / READ_FROM)}\u00A0mm`,
      bad: least !== undefined && least < LIMITS.letters,
    },
    ...(row.halls ?? []).map((hall): Measure => ({
      name: `Letters on ${hall.name}`,
      now: least === undefined ? UNJUDGED : `${figure(least * hall.heightM * 1000, 0)}\u00A0mm`,
      good: `> ${figure((hall.lastM * 1000) / READ_FROM, 0)}\u00A0mm`,
      bad: least !== undefined && !isRead(least, hall),
      why: `read from its last row, ${figure(hall.lastM)}\u00A0m away`,
    })),
    {
      name: 'Inside the safe area',
      now: words.length === 0 ? UNJUDGED : outside ? `${words.length - outside} of ${words.length}` : 'all',
      good: 'all',
      bad: outside > 0,
    },
  ]
}
