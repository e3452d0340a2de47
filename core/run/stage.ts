import { carriesPicture, mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, lastSwitchers, runInto } from '#core/chain'
import { type Box, own } from '#core/document'
import type { Layer, Picture } from './tree'
import { type ShowState, taken } from './state'

/** The most ways of one source to one switcher that are told. */
const MOST_ROUTES = 12

/**
 * The inputs by which a source comes to a switcher's program: of that switcher, and of each feeder on the way. Straight
 * ones first, then by ever more feeders.
 */
export function routesTo(
  traced: Traced,
  last: DeviceNode,
  source: string,
): readonly Readonly<Record<string, string>>[] {
  const found: Record<string, string>[] = []
  let open: { node: DeviceNode; route: Record<string, string> }[] = [{ node: last, route: {} }]
  while (open.length && found.length < MOST_ROUTES) {
    const further: typeof open = []
    for (const { node, route } of open)
      for (const [port, row] of portsOf(node.model, 'in')) {
        const origin = carriesPicture(row) ? runInto(traced, { device: node.id, port })?.origin : undefined
        const from = origin && traced.chain.nodes.get(origin.device)
        if (!origin || !from) continue
        const way = { ...route, [node.id]: port }
        if (from.id === source && origin.port !== 'key') found.push(way)
        else if (isSwitcher(from) && own(way, from.id) === undefined) further.push({ node: from, route: way })
      }
    open = further.slice(0, 200)
  }
  return found.slice(0, MOST_ROUTES)
}

/** The usual one of these: the straight one, or that by the fewest feeders. */
export const routeTo = (
  traced: Traced,
  last: DeviceNode,
  source: string,
): Readonly<Record<string, string>> | undefined => routesTo(traced, last, source)[0]

/** The state in which a source is on the program of the last switcher that it reaches, all else as it is. */
export function showing(traced: Traced, state: ShowState, source: string): ShowState | undefined {
  for (const node of lastSwitchers(traced)) {
    const route = routeTo(traced, node, source)
    if (route) return taken(state, { title: '', order: 0, program: route })
  }
  return undefined
}

/** The state with an overlay in a keyer that can cut it out, or without it where it is lit; undefined where none can. */
export function withOverlay(
  traced: Traced,
  state: ShowState,
  id: string,
  at: string,
  keyer: string,
): ShowState | undefined {
  const overlay = own(traced.plan.overlays, id)
  const node = traced.chain.nodes.get(at)
  if (!overlay || !node) return undefined
  const there = own(state.mixers, at)?.keys ?? {}
  const lit = Object.entries(there).find(([, other]) => other === id)
  if (lit) return taken(state, { title: '', order: 0, keys: { [at]: { [lit[0]]: 'off' } } })
  const fits = mixOf(node.model)?.keyers[Number(keyer) - 1]?.kinds.includes(overlay.kind)
  return fits ? taken(state, { title: '', order: 0, keys: { [at]: { [keyer]: id } } }) : undefined
}

/**
 * The safe shot on air, without overlays and not faded: what one key leads to from any state. Where it does not come, the
 * next camera that does.
 */
export const safeState = (
  traced: Traced,
  state: ShowState,
  comes: (source: string) => boolean = () => true,
): ShowState | undefined => {
  const cameras = [...traced.chain.nodes.values()]
    .filter(({ model, device }) => model.role === 'source' && device.shot !== undefined)
    .sort(
      (a, b) => Number(b.device.shot === 'safe') - Number(a.device.shot === 'safe') || a.device.order - b.device.order,
    )
  const bare = Object.fromEntries(
    Object.entries(state.mixers).map(([device, { keys }]) => [
      device,
      Object.fromEntries(Object.keys(keys).map(keyer => [keyer, 'off'])),
    ]),
  )
  const plain = taken(state, {
    title: '',
    order: 0,
    keys: bare,
    faded: Object.fromEntries(Object.keys(state.mixers).map(device => [device, false])),
  })
  for (const { id } of cameras) {
    const there = comes(id) ? showing(traced, plain, id) : undefined
    if (there) return there
  }
  return undefined
}

/**
 * Sources that are seen in some pictures, and those of them that lie over others. What a box covers whole is not seen;
 * what several cover together counts as seen.
 */
export function tallyOf(pictures: readonly Picture[]): {
  readonly onAir: ReadonlySet<string>
  readonly over: ReadonlySet<string>
} {
  const onAir = new Set<string>()
  const over = new Set<string>()
  for (const picture of pictures)
    lit(picture, ALL, ALL, [], false, (device, key) => {
      onAir.add(device)
      if (key) over.add(device)
    })
  return { onAir, over }
}

const ALL: Box = { x: 0, y: 0, w: 1, h: 1 }

/** A part of a picture that itself stands in a part of another. */
const within = (outer: Box, { x, y, w, h }: Box): Box => ({
  x: outer.x + x * outer.w,
  y: outer.y + y * outer.h,
  w: w * outer.w,
  h: h * outer.h,
})
const covers = (one: Box, other: Box): boolean =>
  one.x <= other.x + 1e-9 &&
  one.y <= other.y + 1e-9 &&
  one.x + one.w >= other.x + other.w - 1e-9 &&
  one.y + one.h >= other.y + other.h - 1e-9

const NOTHING: Box = { x: 0, y: 0, w: 0, h: 0 }

/** What two parts of the frame have in common. */
function common(one: Box, other: Box): Box {
  const [x, y] = [Math.max(one.x, other.x), Math.max(one.y, other.y)]
  const w = Math.min(one.x + one.w, other.x + other.w) - x
  const h = Math.min(one.y + one.h, other.y + other.h) - y
  return w > 1e-9 && h > 1e-9 ? { x, y, w, h } : NOTHING
}

/** Tells of each source that is seen in a part of the frame, of a picture that stands in a place of it. */
function lit(
  picture: Picture,
  place: Box,
  seen: Box,
  above: readonly Box[],
  key: boolean,
  tell: (device: string, key: boolean) => void,
): void {
  if (seen.w === 0 || above.some(cover => covers(cover, seen))) return
  if (picture.of === 'held') return lit(picture.picture, place, seen, above, key, tell)
  if (picture.of === 'source') return tell(picture.device, key)
  if (picture.of !== 'mix') return
  const { layers } = picture
  layers.forEach((layer, i) => {
    if (layer.share === 0) return
    const own = layer.kind === 'box' && layer.box ? within(place, layer.box) : place
    const reach = layer.wipe ? within(place, { ...ALL, w: Math.min(1, swept(layer)) }) : own
    const over = layers.slice(i + 1).flatMap(later => hides(later, place))
    lit(layer.picture, own, common(seen, reach), [...above, ...over], key || layer.as === 'key', tell)
  })
}

/** How far the edge of a wipe has come, a share of the width: beyond it there is nothing of the new picture. */
const swept = ({ share = 1, soft = 0 }: Layer): number => share * (1 + soft)

/** The part of the frame that a layer hides whole: a box that is full on, a picture that is there, a wipe as far as it is whole. */
function hides(layer: Layer, place: Box): Box[] {
  const { as, kind, share, wipe, soft = 0, box, picture } = layer
  if (as === 'key')
    return kind === 'box' && box && share === undefined && picture.of !== 'none' ? [within(place, box)] : []
  if (wipe && share !== undefined) return [within(place, { ...ALL, w: Math.max(0, swept(layer) - soft) })]
  return share === undefined ? [place] : []
}
