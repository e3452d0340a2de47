import { type Overlay, type Plan, own } from '#core/document'
import type { Layer, Picture } from './tree'

/** How long a graphic takes from the edge of the picture to its place, s; typical of lower thirds. */
export const COMES_S = 0.5
/** Halvings by which is found when its key came on: to 1/64 of that, which is less than half a frame at 60 a second. */
const HALVINGS = 6

/**
 * A picture with the graphics on their way whose keys came on a moment ago. A keyer does not know of it: what it lays over
 * is whole at once, and the source moves it. `before` gives the same picture so many seconds earlier.
 */
export function withComing(plan: Plan, picture: Picture, before: (s: number) => Picture): Picture {
  const known = new Map<number, Picture>()
  const earlier = (s: number): Picture => {
    const there = known.get(s) ?? before(s)
    known.set(s, there)
    return there
  }
  /** Of its way so much is done; 1 where it was there all the time. */
  const shareOf = (device: string, layer: Layer): number => {
    if (isLit(earlier(COMES_S), device, layer)) return 1
    let [lit, dark] = [0, 1]
    for (let n = 0; n < HALVINGS; n++) {
      const middle = (lit + dark) / 2
      if (isLit(earlier(middle * COMES_S), device, layer)) lit = middle
      else dark = middle
    }
    return lit
  }
  const walk = (one: Picture): Picture => {
    if (one.of === 'tiles') return { ...one, tiles: one.tiles.map(tile => ({ ...tile, picture: walk(tile.picture) })) }
    if (one.of !== 'mix') return one
    const layers = one.layers.map(layer => {
      const inner = { ...layer, picture: walk(layer.picture) }
      const from = edgeOf(plan, layer)
      const share = from && shareOf(one.device, layer)
      if (!from || share === undefined || share === 1) return inner
      const comes = { from, share }
      // A computer that shows something else in whole just then does not move that.
      const moved = (of: Picture): Picture =>
        of.of === 'source' && (of.content ?? 'caption') === 'caption' ? { ...of, comes } : of
      return { ...inner, picture: moved(inner.picture), ...(layer.key ? { key: moved(layer.key) } : {}) }
    })
    return { ...one, layers }
  }
  return comesAnywhere(plan, picture) ? walk(picture) : picture
}

/** The edge from which the graphic of a layer comes: of keys by brightness and by a key signal, which leave black out. */
function edgeOf({ overlays }: Plan, { overlay, kind }: Layer): Overlay['comesFrom'] {
  return overlay !== undefined && (kind === 'luma' || kind === 'linear') ? own(overlays, overlay)?.comesFrom : undefined
}

const comesAnywhere = (plan: Plan, picture: Picture): boolean =>
  picture.of === 'tiles'
    ? picture.tiles.some(tile => comesAnywhere(plan, tile.picture))
    : picture.of === 'mix' &&
      picture.layers.some(layer => edgeOf(plan, layer) !== undefined || comesAnywhere(plan, layer.picture))

/** The same key lies over a picture of that switcher, and shows. */
function isLit(picture: Picture, device: string, wanted: Layer): boolean {
  if (picture.of === 'tiles') return picture.tiles.some(tile => isLit(tile.picture, device, wanted))
  if (picture.of !== 'mix') return false
  return picture.layers.some(
    layer =>
      (picture.device === device &&
        layer.keyer === wanted.keyer &&
        layer.overlay === wanted.overlay &&
        layer.share !== 0) ||
      isLit(layer.picture, device, wanted),
  )
}
