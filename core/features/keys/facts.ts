import { type DeviceNode, type Run, type Traced, isSwitcher, socketKey } from '#core/chain'
import { isCamera } from '#core/catalog'
import { type Box, type Overlay, type Plan, own } from '#core/document'
import { fact } from '#core/kernel'
import { momentsOf } from '#core/run'
import { allLaid, sourcesUnder } from './laid'

/** The two outputs of a source whose picture is laid over others: what is shown, and how solid it is. */
export const PARTS = ['fill', 'key'] as const
export type Part = (typeof PARTS)[number]

export interface Pair {
  readonly node: DeviceNode
  /** The run of each part to a switcher; absent where none leads to one. */
  readonly runs: Readonly<Partial<Record<Part, Run>>>
  /** Parts whose socket is empty. */
  readonly unplugged: readonly Part[]
}

const pairsFact = fact<Traced, readonly Pair[]>('fill and key', ({ chain, runs }) =>
  [...chain.nodes.values()]
    .filter(({ model }) => model.role === 'source' && PARTS.every(part => model.ports[part]?.dir === 'out'))
    .map(node => ({
      node,
      runs: Object.fromEntries(
        PARTS.flatMap(part => {
          const run = runs.find(
            ({ origin, end }) =>
              origin?.device === node.id && origin.port === part && end && isSwitcher(chain.nodes.get(end.device)!),
          )
          return run ? [[part, run]] : []
        }),
      ),
      unplugged: PARTS.filter(part => !chain.leaving.has(socketKey(node.id, part))),
    })),
)

/** Sources with fill and key, and where the two go. */
export const pairsOf = (traced: Traced): readonly Pair[] => traced.ask(pairsFact)

/** How somebody draws over pictures while they are on. */
export const DRAWING = {
  pen: 'On a display with a pen, which shows the program',
  tablet: 'On a tablet of its own',
  board: 'On a white board before a camera, dark marks cut out',
  glass: 'On a dark glass board before a camera, bright marks cut out',
} as const
export type DrawingId = keyof typeof DRAWING

/** How an overlay is drawn now; undefined where nobody draws it. */
export function drawnNow({ chain }: Traced, { kind, fill, key, drawnOn, invert }: Overlay): DrawingId | undefined {
  const model = chain.nodes.get(key ?? fill)?.model
  if (drawnOn !== undefined) return 'pen'
  if (model?.kind === 'tablet') return 'tablet'
  if (model?.kind === 'camera' && kind === 'luma') return invert ? 'board' : 'glass'
  return undefined
}

/** What has to be made clean before an overlay that somebody draws comes on: the first stroke is the first that is seen. */
const CLEAN: Readonly<Record<DrawingId, string>> = {
  pen: 'clear the page',
  tablet: 'clear the page',
  board: 'wipe the board',
  glass: 'wipe the glass',
}

/** By cue, and by segment where no cue leads there: what is wiped before drawn overlays come on. In the order of the show. */
export function wipedBefore(traced: Traced): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>()
  let lit = new Set<string>()
  for (const { segment, cue, state } of momentsOf(traced)) {
    const now = new Set(Object.values(state.mixers).flatMap(({ keys }) => Object.values(keys)))
    const at = cue ?? segment
    for (const id of now) {
      const overlay = own(traced.plan.overlays, id)
      const how = overlay && !lit.has(id) ? drawnNow(traced, overlay) : undefined
      if (how && at !== undefined) found.set(at, [...(found.get(at) ?? []), `${CLEAN[how]} (${overlay!.title})`])
    }
    lit = now
  }
  return found
}

/** The part of the picture that an overlay takes: its box, or else all of its words; undefined where nobody knows. */
function placeOf({ graphics }: Plan, { box, graphic }: Overlay): Box | undefined {
  if (box) return box
  const words = Object.values(own(graphics, graphic)?.words ?? {})
  if (words.length === 0) return undefined
  const [x, y] = [Math.min(...words.map(word => word.x)), Math.min(...words.map(word => word.y))]
  return {
    x,
    y,
    w: Math.max(...words.map(word => word.x + word.w)) - x,
    h: Math.max(...words.map(word => word.y + word.h)) - y,
  }
}

const third = (middle: number, [low, high]: readonly [string, string]): string =>
  middle < 1 / 3 ? low : middle > 2 / 3 ? high : ''
/** From this width on it is told without a side. */
const WIDE = 0.6

/** "the lower left", "the upper part", "the middle". */
export function placeWords({ x, y, w, h }: Box): string {
  const down = third(y + h / 2, ['upper', 'lower'])
  const across = w >= WIDE ? '' : third(x + w / 2, ['left', 'right'])
  return `the ${[down, across].filter(Boolean).join(' ') || 'middle'}${down && !across ? ' part' : ''}`
}

/** By camera: what its framing keeps free, and for what. */
export function keptFree(traced: Traced): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>()
  for (const laid of allLaid(traced)) {
    const place = laid.overlay.keepsFree && placeOf(traced.plan, laid.overlay)
    for (const id of place ? sourcesUnder(traced, laid) : [])
      if (isCamera(traced.chain.nodes.get(id)!.model))
        found.set(id, [...(found.get(id) ?? []), `${placeWords(place as Box)} (${laid.overlay.title})`])
  }
  return found
}
