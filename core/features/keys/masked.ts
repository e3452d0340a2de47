import type { Box, GraphicEntry, Overlay } from '#core/document'
import { type Graphic, type Weights, cropped } from '#core/picture'
import { graphicEntry, regionOf, withSolid } from './profile'

// What a mask cuts off is neither lost nor haze: a key is measured on what comes through. The pixels of that part are
// counted where they are at hand, when the mask is set; the plan keeps the counts beside those of the whole.

const WHOLE: Box = { x: 0, y: 0, w: 1, h: 1 }
const [STEPS, CLOSE] = [10_000, 1e-6]
const round = (value: number): number => Math.round(value * STEPS) / STEPS

/**
 * The part of an overlay's graphic that its mask lets through, in shares of the graphic. Undefined without a mask, or
 * where that leaves all of it; `nothing` where none of it comes through.
 */
export function through({ box = WHOLE, mask }: Pick<Overlay, 'box' | 'mask'>): Box | 'nothing' | undefined {
  if (!mask) return undefined
  const along = (from: 'x' | 'y', size: 'w' | 'h') => {
    const low = Math.min(1, Math.max(0, (mask[from] - box[from]) / box[size]))
    const high = Math.min(1, Math.max(0, (mask[from] + mask[size] - box[from]) / box[size]))
    return [round(low), round(high - low)] as const
  }
  const [[x, w], [y, h]] = [along('x', 'w'), along('y', 'h')]
  if (w < CLOSE || h < CLOSE) return 'nothing'
  return x < CLOSE && y < CLOSE && w > 1 - CLOSE && h > 1 - CLOSE ? undefined : { x, y, w, h }
}

/** The name under which a graphic keeps what was counted of one of its parts. */
export const partId = ({ x, y, w, h }: Box): string => [x, y, w, h].map(share => Math.round(share * STEPS)).join('-')

/** The part that has that name. */
export function boxOf(id: string): Box {
  const [x = 0, y = 0, w = 1, h = 1] = id.split('-').map(share => Number(share) / STEPS)
  return { x, y, w, h }
}

/** What a graphic keeps of the part that comes through: counted on its pixels as on a graphic of its own. */
export function partOf(
  picture: Graphic,
  part: Box,
  solid?: GraphicEntry['solid'],
): NonNullable<GraphicEntry['parts']>[string] {
  const graphic = withSolid(picture, solid)
  const { cells, cells601, hues, ground } = graphicEntry(cropped(graphic, regionOf(graphic, part)), {
    title: '',
    order: 0,
    file: '',
  })
  return {
    ...(cells === undefined ? {} : { cells }),
    ...(cells601 === undefined ? {} : { cells601 }),
    ...(hues === undefined ? {} : { hues }),
    ...(ground === undefined ? {} : { ground }),
  }
}

/**
 * A graphic as its overlay's mask lets it through, so far as that part was counted, else as a whole; and as a keyer sees
 * it that tells brightness by `weights`: without counts where nobody counted so.
 */
export function asKeyed(
  graphic: GraphicEntry,
  overlay: Pick<Overlay, 'box' | 'mask'>,
  weights: Weights = 709,
): GraphicEntry {
  const masked = asMasked(graphic, overlay)
  if (weights === 709) return masked
  const { cells: _, wordCells: __, cells601, wordCells601, ...rest } = masked
  return {
    ...rest,
    ...(cells601 === undefined ? {} : { cells: cells601, cells601 }),
    ...(wordCells601 === undefined ? {} : { wordCells: wordCells601, wordCells601 }),
  }
}

function asMasked(graphic: GraphicEntry, overlay: Pick<Overlay, 'box' | 'mask'>): GraphicEntry {
  const part = through(overlay)
  const counted = part === undefined || part === 'nothing' ? undefined : graphic.parts?.[partId(part)]
  if (!counted) return graphic
  const { hues: _, cells601: __, wordHues, ...rest } = graphic
  return { ...rest, ...counted, ...(counted.hues !== undefined && wordHues !== undefined ? { wordHues } : {}) }
}

/** Whether a mask leaves a part of which nobody counted the pixels: the whole is judged then. */
export function isUncounted({ parts }: GraphicEntry, overlay: Pick<Overlay, 'box' | 'mask'>): boolean {
  const part = through(overlay)
  return part !== undefined && part !== 'nothing' && parts?.[partId(part)] === undefined
}
