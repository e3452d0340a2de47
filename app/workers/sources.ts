import { type Graphic, type Pixels, type Scene, drawn, scaled, seen, sentAs, standsStill } from '#core/picture'
import type { Picture } from '#core/run'

/** Drawn sources, so that what is seen in many places is drawn once; the oldest go, so that they take no more than this. */
const KNOWN = new Map<string, Pixels>()
const MOST_BYTES = 128_000_000
let held = 0

function once(key: string, make: () => Pixels): Pixels {
  const known = KNOWN.get(key)
  if (known) return known
  const made = make()
  for (const [old, { data }] of KNOWN) {
    if (held + made.data.length <= MOST_BYTES) break
    KNOWN.delete(old)
    held -= data.length
  }
  KNOWN.set(key, made)
  held += made.data.length
  return made
}

/**
 * The bytes of a picture, its sources drawn as test pictures of a frame, or as the graphic that they show where that is
 * at hand; they may be given away.
 */
export function drawnBy(
  picture: Picture,
  scenes: Readonly<Record<string, Scene>>,
  width: number,
  height: number,
  graphics: (file: string) => Graphic | undefined,
  frame = 0,
  perSecond = 25,
): Uint8ClampedArray {
  const { data } = seen(
    picture,
    ({ device, port, content, words, graphic, atS }, w, h) => {
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
      return once(JSON.stringify([as, w, h, moving]), () => drawn(as, w, h, moving, perSecond))
    },
    width,
    height,
  )
  // What is kept must not be given away.
  return [...KNOWN.values()].some(known => known.data === data) ? data.slice() : data
}

/** A graphic as it is sent, in a size; kept. */
export const shownAs = (
  file: string,
  graphic: Graphic,
  as: Parameters<typeof sentAs>[1],
  width: number,
  height: number,
): Pixels => once(JSON.stringify([file, as, width, height]), () => scaled(sentAs(graphic, as), width, height))

/** Files of the graphics that a picture shows. */
export function filesIn(picture: Picture): string[] {
  if (picture.of === 'source') return picture.graphic ? [picture.graphic.file] : []
  if (picture.of === 'mix')
    return picture.layers.flatMap(({ picture: inner, key }) => [...filesIn(inner), ...(key ? filesIn(key) : [])])
  if (picture.of === 'held') return filesIn(picture.picture)
  return picture.of === 'tiles' ? picture.tiles.flatMap(tile => filesIn(tile.picture)) : []
}
