import {
  type Graphic,
  type Pixels,
  type Scene,
  type Sources,
  drawn,
  drawnAtOnce,
  scaled,
  seen,
  sentAs,
  standsStill,
  taken,
} from '#core/picture'
import type { Picture } from '#core/run'

/**
 * Drawn sources, so that what is seen in many places is drawn once; the oldest go, so that they take no more than this.
 * `turn`: the draw in which one was last asked for.
 */
const KNOWN = new Map<string, { readonly made: Pixels; turn: number }>()
const MOST_BYTES = 128_000_000
let held = 0
let turn = 0

function once(key: string, bytes: number, make: (into: Pixels['data'] | undefined) => Pixels): Pixels {
  const known = KNOWN.get(key)
  if (known) {
    known.turn = turn
    return known.made
  }
  let spare: Pixels['data'] | undefined
  for (const [old, one] of KNOWN) {
    if (held + bytes <= MOST_BYTES) break
    KNOWN.delete(old)
    held -= one.made.data.length
    // Fresh memory is dear: what no layer of this draw shows is drawn over. It is another picture then, and not known as the old one.
    if (one.made.data.length === bytes && one.turn !== turn) spare = new Uint8ClampedArray(one.made.data.buffer)
  }
  const made = taken(make(spare))
  KNOWN.set(key, { made, turn })
  held += made.data.length
  return made
}

/** What the sources of a picture show: test pictures of a frame, or the graphic where that is at hand. */
export interface Shown {
  readonly scenes: Readonly<Record<string, Scene>>
  readonly graphics: (file: string) => Graphic | undefined
  readonly frame?: number
  readonly perSecond?: number
}

/** Gives the pictures of one draw. */
export function sourcesOf({ scenes, graphics, frame = 0, perSecond = 25 }: Shown): Sources {
  turn++
  return ({ device, port, content, words, graphic, atS }, w, h) => {
    const number = atS === undefined ? frame : Math.floor(atS * perSecond)
    const shown = graphic && content !== 'blank' && content !== 'full' ? graphics(graphic.file) : undefined
    if (shown) return shownAs(graphic!.file, shown, graphic!.as, w, h)
    const scene = scenes[device] ?? { name: device, kind: 'camera' as const, index: 0 }
    const as: Scene = {
      ...scene,
      ...(content ? { content } : {}),
      ...(words ? { words } : {}),
      ...(port === 'key' ? { asKey: true, kind: 'computer' } : {}),
      ...(port === 'fill' ? { kind: 'computer' } : {}),
    }
    const moving = standsStill(as) ? 0 : number
    return once(JSON.stringify([as, w, h, moving]), w * h * 4, into => drawn(as, w, h, moving, perSecond, into))
  }
}

/** The bytes of a picture; they may be given away. `into`: bytes that nobody needs any more. */
export const drawnBy = (
  picture: Picture,
  shown: Shown,
  width: number,
  height: number,
  into?: Uint8ClampedArray,
): Uint8ClampedArray => drawnAtOnce(() => seen(picture, sourcesOf(shown), width, height).data, into)

/** A graphic as it is sent, in a size; kept. */
export const shownAs = (
  file: string,
  graphic: Graphic,
  as: Parameters<typeof sentAs>[1],
  width: number,
  height: number,
): Pixels =>
  once(JSON.stringify([file, as, width, height]), width * height * 4, () => scaled(sentAs(graphic, as), width, height))

/** Files of the graphics that a picture shows. */
export function filesIn(picture: Picture): string[] {
  if (picture.of === 'source') return picture.graphic ? [picture.graphic.file] : []
  if (picture.of === 'mix')
    return picture.layers.flatMap(({ picture: inner, key }) => [...filesIn(inner), ...(key ? filesIn(key) : [])])
  if (picture.of === 'held') return filesIn(picture.picture)
  return picture.of === 'tiles' ? picture.tiles.flatMap(tile => filesIn(tile.picture)) : []
}
