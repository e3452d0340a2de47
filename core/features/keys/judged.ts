import { type KeyScale, keyScaleOf, ofSteps, toSteps } from '#core/catalog'
import { type Traced, isMisread, runInto, weightsOf } from '#core/chain'
import {
  type Cut,
  type FillKind,
  type GraphicEntry,
  type PhotographEntry,
  type Overlay,
  type WordBox,
  cutOf,
  graphicsOf,
  screenOf,
} from '#core/document'
import { type Anchor, fact } from '#core/kernel'
import {
  type Cells,
  type Chroma,
  type ChromaSetting,
  type Ink,
  LIMITS,
  type Measured,
  type Misread,
  type Setting,
  WOBBLE,
  type Way,
  type Weights,
  cellsText,
  chromaMeasured,
  contrastOver,
  findChroma,
  findSetting,
  guaranteed,
  matteTable,
  measured,
  readCells,
  readLight,
  sentLuma,
  summed,
} from '#core/picture'
import { type Laid, allLaid, sourcesUnder } from './laid'
import { asKeyed } from './masked'

/** An overlay whose graphic is in the plan, with what its key makes of it. */
export interface Judged {
  readonly laid: Laid
  readonly id: string
  readonly graphic: GraphicEntry
  /** The overlay, and which of its pictures it is where there are several. */
  readonly title: string
  /** All pictures of the overlay as one, where they are of one kind: one setting serves them all. */
  readonly together: GraphicEntry
  readonly scale: KeyScale
  /** As the panel can be set. */
  readonly cut: Cut
  /** What the source sends; undefined where neither the file nor anybody says. */
  readonly sends: FillKind | undefined
  readonly misread: Misread | undefined
  /** By which its switcher tells brightness; absent, BT.709. */
  readonly weights?: Weights
  /** Keys by brightness and by a key signal alone, where the graphic's pixels were counted. */
  readonly pixels?: {
    readonly way: Way
    readonly cells: Cells
    readonly wordCells?: Cells
    readonly found: Measured
    readonly wordsLost?: number
  }
  /** Keys by a colour alone, where the screen of the graphic is even and was counted. */
  readonly painted?: {
    readonly chroma: Chroma
    readonly hues: Cells
    readonly wordHues?: Cells
    readonly found: Measured
    readonly wordsLost?: number
  }
}

/** What was counted of several pictures as if they were one; the first alone where they are not of one kind. */
export function asOne(graphics: readonly GraphicEntry[]): GraphicEntry {
  const [first, ...rest] = graphics
  const ground = (one: GraphicEntry): string => `${one.opaque} ${one.ground?.join()}`
  if (rest.length === 0 || rest.some(one => ground(one) !== ground(first!))) return first!
  const sum = (field: 'cells' | 'wordCells' | 'hues' | 'wordHues'): Partial<GraphicEntry> => {
    const read = graphics.flatMap(one =>
      one[field] === undefined ? [] : (readCells(one[field], one.opaque === true) ?? []),
    )
    return read.length ? { [field]: cellsText(summed(read)) } : {}
  }
  return { ...first!, ...sum('cells'), ...sum('wordCells'), ...sum('hues'), ...sum('wordHues') }
}

/** How a key by colour comes out over what was counted of its graphic; undefined where it was not. */
export function paintedBy(overlay: Overlay, { hues, wordHues }: GraphicEntry): Judged['painted'] {
  const read = overlay.kind !== 'chroma' || hues === undefined ? undefined : readCells(hues, true)
  if (!read) return undefined
  const inWords = wordHues === undefined ? undefined : readCells(wordHues, true)
  const chroma = screenOf(overlay)
  const wordsLost = inWords && chromaMeasured(inWords, chroma).lost
  return {
    chroma,
    hues: read,
    ...(inWords ? { wordHues: inWords } : {}),
    found: chromaMeasured(read, chroma),
    ...(wordsLost === undefined ? {} : { wordsLost }),
  }
}

/** The best screen, tolerance and edge of a key by colour. */
export function bestScreen({ painted, together }: Pick<Judged, 'painted' | 'together'>): ChromaSetting | undefined {
  const { ground, hues, wordHues } = together
  const all = painted && hues !== undefined ? readCells(hues, true) : undefined
  const words = wordHues === undefined ? undefined : readCells(wordHues, true)
  return all && ground ? findChroma(all, words, ground as Chroma['screen'], painted!.chroma.spill) : undefined
}

/** What makes the matte of an overlay; undefined of those that are cut by a colour, a shape or a box. */
export const wayOf = ({ kind }: Overlay): Way | undefined => (kind === 'luma' || kind === 'linear' ? kind : undefined)

/** A cut as the steps of a panel have it. */
export const settable = (scale: KeyScale, cut: Cut): Cut => {
  const { clip, gain } = toSteps(scale, cut)
  return { ...cut, ...ofSteps(scale, clip, gain) }
}

const PERCENTS: KeyScale = { steps: 100, shows: 'percent' }

function judge(traced: Traced, laid: Laid): Judged[] {
  const { id, overlay, node, input } = laid
  const weights = node && weightsOf(node)
  const graphics = graphicsOf(traced.plan, overlay).map(one => asKeyed(one, overlay, weights))
  if (graphics.length === 0) return []
  const together = asOne(graphics)
  const scale = node ? keyScaleOf(node.model) : PERCENTS
  const cut = settable(scale, cutOf(overlay))
  const last = node && input !== undefined ? runInto(traced, { device: node.id, port: input })?.links.at(-1) : undefined
  const misread: Misread | undefined =
    last && isMisread(last) ? (last.signal!.range === 'narrow' ? 'narrow as full' : 'full as narrow') : undefined
  const standing = { laid, id, scale, cut, misread, together, ...(weights ? { weights } : {}) }
  return graphics.map(graphic => {
    const title = graphics.length > 1 ? `${overlay.title}, ${graphic.title}` : overlay.title
    return judgeOne({ ...standing, graphic, title })
  })
}

type Unmeasured = Pick<
  Judged,
  'laid' | 'id' | 'scale' | 'cut' | 'misread' | 'weights' | 'together' | 'graphic' | 'title'
>

function judgeOne(one: Unmeasured): Judged {
  const {
    laid: { overlay },
    graphic,
    cut,
    misread,
  } = one
  const way = wayOf(overlay)
  const cells = graphic.cells === undefined ? undefined : readCells(graphic.cells, graphic.opaque === true)
  const wordCells = graphic.wordCells === undefined ? undefined : readCells(graphic.wordCells, graphic.opaque === true)
  const wordsLost = way && wordCells && measured(wordCells, way, cut, misread).lost
  const painted = paintedBy(overlay, graphic)
  return {
    ...one,
    sends: overlay.sends ?? (graphic.straight ? 'straight' : undefined),
    ...(painted ? { painted } : {}),
    ...(way && cells
      ? {
          pixels: {
            way,
            cells,
            ...(wordCells ? { wordCells } : {}),
            found: measured(cells, way, cut, misread),
            ...(wordsLost === undefined ? {} : { wordsLost }),
          },
        }
      : {}),
  }
}

const judgedFact = fact<Traced, readonly Judged[]>('keys measured', traced =>
  allLaid(traced).flatMap(laid => judge(traced, laid)),
)

/** Every picture of every overlay, as its key makes it. */
export const allJudged = (traced: Traced): readonly Judged[] => traced.ask(judgedFact)

/** The picture that an overlay shows first. */
export const judgedAt = (traced: Traced, id: string): Judged | undefined => allJudged(traced).find(one => one.id === id)

/** Of each overlay the first picture of which something holds: a rule tells one of a kind. */
export const firstsOf = (traced: Traced, holds: (judged: Judged) => boolean): Judged[] =>
  allJudged(traced)
    .filter(holds)
    .filter((one, i, all) => all.findIndex(({ id }) => id === one.id) === i)

/** The picture at a finding's place of which it was told. */
export const judgedOf = (traced: Traced, at: Anchor, holds: (judged: Judged) => boolean): Judged | undefined =>
  at.on === 'overlay' ? allJudged(traced).find(one => one.id === at.overlay && holds(one)) : undefined

/** The best setting that the panel can have; undefined where nothing can be judged, or the key goes by a key signal. */
export function bestSetting({ pixels, scale, cut, misread, together }: Judged): Setting | undefined {
  const { cells, wordCells, opaque = false } = together
  const all = cells === undefined ? undefined : readCells(cells, opaque)
  return pixels?.way === 'luma' && all
    ? findSetting(
        all,
        wordCells === undefined ? undefined : readCells(wordCells, opaque),
        { steps: scale.steps, toCut: (clip, gain) => ofSteps(scale, clip, gain) },
        cut,
        misread,
      )
    : undefined
}

/** What goes wrong with a key, the first that explains the rest: nothing else is told of it then. */
export type KeyFault = 'invert' | 'dark' | 'ground' | 'eaten' | 'haze' | 'edges'

export function faultOf({ graphic, cut, pixels, misread, weights }: Judged): KeyFault | undefined {
  if (!pixels) return undefined
  const { way, cells, found, wordsLost } = pixels
  const haze = found.haze ?? 0
  const ground = graphic.ground
  const groundLuma = ground ? sentLuma([ground[0]!, ground[1]!, ground[2]!, 255], weights) : 0
  if (way === 'luma' && graphic.opaque && groundLuma > 127 && !cut.invert) return 'invert'
  if (lostTooMuch(found.lost, wordsLost)) {
    // What no clip can bring back without its ground is dark itself; the rest is a matter of the setting.
    const brightest = cells.counts.reduce(
      (most, y, i) => (i % 3 === 0 && cells.counts[i + 1] === 0 ? Math.max(most, y) : most),
      0,
    )
    const gentle = { ...cut, clip: Math.min(1, (brightest + WOBBLE) / 255), gain: 1 }
    const kept = measured(cells, way, gentle, misread)
    const words = pixels.wordCells && measured(pixels.wordCells, way, gentle, misread).lost
    return way === 'luma' && !cut.invert && lostTooMuch(kept.lost, words) ? 'dark' : 'eaten'
  }
  if (way === 'luma' && graphic.opaque && !cut.invert && groundLuma > 0 && haze > LIMITS.groundStays) return 'ground'
  if (haze > LIMITS.haze) return 'haze'
  return found.soft !== undefined && found.soft < LIMITS.soft ? 'edges' : undefined
}

const lostTooMuch = (lost: number | undefined, words: number | undefined): boolean =>
  (lost ?? 0) > LIMITS.lost || (words ?? 0) > LIMITS.wordsLost

/** The fill is keyed as what it is not; undefined where that is not known, or makes no difference. */
export function flagWrong({ laid: { overlay }, sends, cut, pixels }: Judged): FillKind | undefined {
  if (!pixels || (pixels.way === 'linear' && sends === undefined)) return undefined
  // What is cut out by its own brightness lies on black, and is weighted once more by most switchers.
  if (pixels.way === 'luma') return undefined
  const taken: FillKind = cut.premultiplied ? 'premultiplied' : 'straight'
  return overlay.kind === 'linear' && taken !== sends ? sends : undefined
}

/** An overlay's key with how it stands. */
type About = { readonly overlay: Overlay } & Pick<Judged, 'cut'> & {
    readonly misread?: Misread | undefined
    readonly weights?: Weights | undefined
  }

/** What its key makes of the ink and what lies behind it, 0 .. 1; undefined where that is what the file says. */
function solidities({ overlay: { kind }, cut: { clip, gain, invert }, misread, weights }: About) {
  if (kind !== 'luma' && kind !== 'linear') return () => undefined
  const table = matteTable(clip, gain, invert, misread)
  return (colour: Ink) => table[kind === 'linear' ? colour[3] : sentLuma(colour, weights)]!
}

const inkOf = ([r = 0, g = 0, b = 0, a = 0]: readonly number[]): Ink => [r, g, b, a]

/** Contrast that words keep over any picture; undefined where their colours are not known. */
export function contrastOf(about: About, { ink, plate }: WordBox): number | undefined {
  if (!ink || !plate) return undefined
  const solid = solidities(about)
  const [one, other] = [inkOf(ink), inkOf(plate)]
  return guaranteed(one, other, solid(one), solid(other))
}

interface Photographed {
  readonly contrast: number
  readonly photograph: PhotographEntry
  /** It is the least on the way from that edge, and not where the words stand. */
  readonly moving?: NonNullable<Overlay['comesFrom']>
}

/** All that words pass over that come straight from an edge of the picture to their place, in shares of it. */
function wayIn(from: NonNullable<Overlay['comesFrom']>, { x, y, w, h }: ReturnType<typeof standing>) {
  if (from === 'left') return { x: 0, y, w: x + w, h }
  if (from === 'right') return { x, y, w: 1 - x, h }
  return from === 'above' ? { x, y: 0, w, h: y + h } : { x, y, w, h: 1 - y }
}

/**
 * The least contrast of words over photographs of what they lie over, also while they move in, and over which; undefined
 * where none is given.
 */
export function contrastOn(
  about: About,
  words: readonly WordBox[],
  photographs: readonly PhotographEntry[],
): Photographed | undefined {
  const solid = solidities(about)
  let worst: Photographed | undefined
  for (const photograph of photographs) {
    const light = readLight(photograph.light)
    if (!light) continue
    for (const word of words) {
      if (!word.ink || !word.plate) continue
      const [one, other] = [inkOf(word.ink), inkOf(word.plate)]
      const place = standing(about.overlay, word)
      const over = (box: typeof place) => contrastOver(light, box, one, other, solid(one), solid(other))
      const still = over(place)
      const moving = about.overlay.comesFrom && over(wayIn(about.overlay.comesFrom, place))
      const [found, where] =
        moving !== undefined && moving < still ? [moving, { moving: about.overlay.comesFrom! }] : [still, {}]
      if (!worst || found < worst.contrast) worst = { contrast: found, photograph, ...where }
    }
  }
  return worst
}

/** Photographs of the sources that come to where an overlay lies, straight or through switchers before it, in their order. */
export function photographsUnder(traced: Traced, laid: Laid): PhotographEntry[] {
  const under = new Set(sourcesUnder(traced, laid))
  return Object.entries(traced.plan.photographs)
    .filter(([, { source }]) => under.has(source))
    .sort(([a, { order: x }], [b, { order: y }]) => x - y || (a < b ? -1 : 1))
    .map(([, one]) => one)
}

/** A box of words where it stands in the picture, shares of it. */
export function standing({ box }: Overlay, { x, y, w, h }: Pick<WordBox, 'x' | 'y' | 'w' | 'h'>) {
  const { x: left, y: top, w: width, h: height } = box ?? { x: 0, y: 0, w: 1, h: 1 }
  return { x: left + x * width, y: top + y * height, w: w * width, h: h * height }
}

/** Words by the order in which they are read: from above, from the left. */
export const wordsOf = ({ words }: GraphicEntry): [string, WordBox][] =>
  Object.entries(words ?? {}).sort(([a, p], [b, q]) => p.y - q.y || p.x - q.x || (a < b ? -1 : 1))
