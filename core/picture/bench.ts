import type { Cut, FillKind } from '#core/document'
import { type Graphic, meant, overBlack, sentAs } from './graphic'
import { type Misread, type Weights, keyed, luma, matteOf, matteTable } from './key'
import type { Way } from './measure'
import type { Pixels } from './pixels'

/** What a graphics computer sends of a graphic, and how the keyer takes it. */
export interface Keying {
  readonly way: Way
  readonly cut: Cut
  /** The fill that is sent beside a key signal; what is keyed by its own brightness lies on black. */
  readonly sends: FillKind
  readonly misread?: Misread
  /** By which the keyer tells brightness; absent, BT.709. */
  readonly weights?: Weights
}

/** As what the fill comes in. */
export const fillAs = ({ way, sends }: Pick<Keying, 'way' | 'sends'>) =>
  way === 'linear' && sends === 'straight' ? 'straight' : 'on black'

/** A graphic over a picture of its size, as the keyer makes it. */
export function laidOver(back: Pixels, graphic: Graphic, keying: Keying): Pixels {
  const { clip, gain, invert, premultiplied } = keying.cut
  return keyed(back, sentAs(graphic, fillAs(keying)), {
    table: matteTable(clip, gain, invert, keying.misread),
    key: sentAs(graphic, keying.way === 'linear' ? 'key' : 'on black'),
    ...(premultiplied ? { premultiplied } : {}),
    ...(keying.weights ? { weights: keying.weights } : {}),
  })
}

/** How solid each pixel of what decides becomes, in greys. */
export const solidityOf = (cutBy: Pixels, { cut, misread, weights }: Keying): Pixels =>
  matteOf(cutBy, matteTable(cut.clip, cut.gain, cut.invert, misread), weights)

/** Grounds over which an edge is judged, codes: black, 40 % and white. */
const GROUNDS = [0, 102, 255] as const

/**
 * Colour that an edge gains or loses against what is meant, in codes: the mean over soft pixels whose own colour has a
 * channel of 20 codes or more, the channel and ground (black, 40 %, white) where it is worst, with its sign. Undefined
 * where the graphic has no such pixels, or does not say how solid it is.
 */
export function fringe(graphic: Graphic, { way, cut, sends, misread, weights }: Keying): number | undefined {
  if (graphic.opaque) return undefined
  const table = matteTable(cut.clip, cut.gain, cut.invert, misread)
  const straight = way === 'linear' && sends === 'straight'
  const { data } = graphic
  const sums = new Float64Array(9)
  const sent = new Uint8Array(3)
  let soft = 0
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] === 0 || data[i + 3] === 255) continue
    const alpha = data[i + 3]! / 255
    if (alpha <= 0.05 || alpha >= 0.95 || Math.max(data[i]!, data[i + 1]!, data[i + 2]!) < 20) continue
    soft++
    for (let c = 0; c < 3; c++) sent[c] = straight ? data[i + c]! : overBlack(data[i + c]!, data[i + 3]!)
    const a = table[way === 'linear' ? data[i + 3]! : luma(sent[0]!, sent[1]!, sent[2]!, weights)]!
    for (let c = 0; c < 3; c++)
      for (let g = 0; g < 3; g++) {
        const got = Math.min(255, Math.floor((cut.premultiplied ? 1 : a) * sent[c]! + (1 - a) * GROUNDS[g]! + 0.5))
        sums[c * 3 + g]! += got - (alpha * data[i + c]! + (1 - alpha) * GROUNDS[g]!)
      }
  }
  if (soft === 0) return undefined
  return sums.reduce((worst, sum) => (Math.abs(sum / soft) > Math.abs(worst) ? sum / soft : worst), 0)
}

/**
 * Tells of a pixel, by its index, whether it is lost: it is meant to be seen, and becomes less than half as solid. `seen` is
 * what is meant of an opaque graphic, where that is known already.
 */
export function lossOf(
  graphic: Graphic,
  { way, cut, misread, weights }: Keying,
  seen: ReturnType<typeof meant> | undefined = graphic.opaque ? meant(graphic, weights) : undefined,
): (p: number) => boolean {
  const table = matteTable(cut.clip, cut.gain, cut.invert, misread)
  const isLost = (solid: number, code: number): boolean => table[code]! < solid / 510
  if (seen)
    return p => {
      const solid = seen.truth[p]!
      return solid > 127 && isLost(solid, way === 'linear' ? solid : seen.y[p]!)
    }
  const { data } = graphic
  return p => {
    const solid = data[p * 4 + 3]!
    if (solid <= 127) return false
    if (way === 'linear') return isLost(solid, solid)
    const sent = (channel: number): number => overBlack(data[p * 4 + channel]!, solid)
    return isLost(solid, luma(sent(0), sent(1), sent(2), weights))
  }
}
