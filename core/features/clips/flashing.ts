import { mixOf } from '#core/catalog'
import type { Traced } from '#core/chain'
import { BLACK, type GraphicEntry, type Macro, type Overlay, type Plan, graphicsOf, own } from '#core/document'
import { readCells } from '#core/picture'
import {
  type MixState,
  TICKS_PER_S,
  commanded,
  expandMacro,
  frameTicks,
  isSettled,
  machineOf,
  seenIn,
  stateBefore,
} from '#core/run'

// How often a macro makes a picture flash: its frames one after the other, as cuts, mixes, dips, wipes, fades and keys make
// them, and their opposing changes by ITU-R BT.1702, white 200 cd/m2.

/** A change of so much luminance, cd/m2, counts where its darker side is below the other figure. */
const [CHANGE, DARKER] = [20, 160]
const WHITE = 200
/** An area of a smaller share of the picture does not count. */
const AREA = 0.25
/** Codes 0 .. 255 from which a pixel over black, and up to which one over white, is such a change: 255 (L / 200) ^ (1 / 2.4). */
const [OVER_BLACK, OVER_WHITE] = [CHANGE, DARKER].map(light => 255 * (light / WHITE) ** (1 / 2.4)) as [number, number]
/** A key by brightness as nobody has set it lets from 8 % on through whole. */
const SOLID = 0.08 * 255
/** Pictures of which nobody knows how bright they are: so many are tried both ways. */
const MOST_UNKNOWN = 5
/** Frames that are looked at of one macro at one switcher. */
const MOST_FRAMES = 4000

export interface Flashing {
  /** The most pairs of opposing changes in a second, where every picture of the show is bright. */
  readonly sure: number
  /** The same where some of them are dark. */
  readonly maybe: number
}

type Seen = Pick<MixState, 'program' | 'incoming' | 'keys' | 'shares' | 'black'>
type Frames = readonly { readonly tick: number; readonly state: Seen }[]

export function flashingOf(traced: Traced, macro: Macro): Flashing {
  const found = [...framesOf(traced, macro).values()].map(frames => worstOf(traced.plan, frames))
  return {
    sure: Math.max(0, ...found.map(({ sure }) => sure)),
    maybe: Math.max(0, ...found.map(({ maybe }) => maybe)),
  }
}

/** What each switcher that a macro works shows, frame by frame while it changes. */
function framesOf(traced: Traced, macro: Macro): ReadonlyMap<string, Frames> {
  const before = stateBefore(traced)
  const frameOf = (device: string) => frameTicks(traced.chain.nodes.get(device)?.standard?.rate ?? '50/1')
  const { happenings } = expandMacro(traced, macro, 0, frameOf)
  const devices = new Map<string, Frames>()
  for (const device of new Set(happenings.flatMap(one => ('command' in one ? [one.device] : [])))) {
    const node = traced.chain.nodes.get(device)
    const began = own(before.mixers, device)
    if (!node || !began) continue
    const frame = frameOf(device)
    const asked = happenings.flatMap(one =>
      'command' in one && one.device === device ? [{ at: Math.round(one.tick / frame), command: one.command }] : [],
    )
    let machine = machineOf(began)
    const frames: { tick: number; state: Seen }[] = [{ tick: -frame, state: seenIn(machine, -1) }]
    for (const [i, { at, command }] of asked.entries()) {
      machine = commanded(machine, command, at, mixOf(node.model)).machine
      const end = asked[i + 1]?.at ?? Infinity
      for (let n = at; n < end && frames.length < MOST_FRAMES; n++) {
        frames.push({ tick: n * frame, state: seenIn(machine, n) })
        if (isSettled(machine) || n - at > 1000) break
        // What ends in a frame is at rest in the next.
        if (n > at && same(frames.at(-1)!.state, frames.at(-2)!.state)) break
      }
    }
    devices.set(device, frames)
  }
  return devices
}

const same = (one: Seen, other: Seen): boolean => JSON.stringify(one) === JSON.stringify(other)

/** The worst area, and the worst that its pictures can be. */
function worstOf(plan: Plan, frames: Frames): Flashing {
  const inputs = [...new Set(frames.flatMap(({ state }) => [state.program, state.incoming?.input]))].filter(
    (input): input is string => input !== undefined && input !== BLACK,
  )
  const overlays = [...new Set(frames.flatMap(({ state }) => Object.values(state.keys)))]
  const areas = [
    { overlay: undefined, solid: 0 },
    ...overlays.flatMap(id => levelsOf(plan, own(plan.overlays, id)).map(solid => ({ overlay: id, solid }))),
  ]
  const pairsIf = (dark: ReadonlySet<string>): number =>
    Math.max(
      ...areas.map(area => pairsIn(frames.map(({ tick, state }) => ({ tick, light: lightOf(state, dark, area) })))),
    )
  const sure = pairsIf(new Set())
  const unknown = inputs.slice(0, MOST_UNKNOWN)
  let maybe = sure
  for (let which = 1; which < 2 ** unknown.length; which++)
    maybe = Math.max(maybe, pairsIf(new Set(unknown.filter((_, i) => which & (1 << i)))))
  return { sure, maybe }
}

/** Luminance of an area, cd/m2: the picture, and over it an overlay that is there black or white. */
function lightOf(
  { program, incoming, keys, shares = {}, black = 0 }: Seen,
  dark: ReadonlySet<string>,
  { overlay, solid }: { readonly overlay: string | undefined; readonly solid: number },
): number {
  const level = (input: string | undefined): number =>
    Number(input !== undefined && input !== BLACK && !dark.has(input))
  const [old, next] = [level(program), level(incoming?.input)]
  let picture = old
  if (incoming) {
    const { share, style, mid = 0.5 } = incoming
    if (style === 'mix') picture = share * next + (1 - share) * old
    // In the middle of the picture.
    else if (style === 'wipe') picture = share < 0.5 ? old : next
    else picture = share < mid ? old * (1 - share / mid) : (next * (share - mid)) / Math.max(1 - mid, 1e-9)
  }
  const keyer = Object.keys(keys).find(one => keys[one] === overlay)
  const on = overlay === undefined || keyer === undefined ? 0 : (shares[keyer] ?? 1)
  return WHITE * ((1 - black) * (on * solid + (1 - on) * picture)) ** 2.4
}

/** The most pairs of opposing changes in a second. */
function pairsIn(series: readonly { readonly tick: number; readonly light: number }[]): number {
  const ticks: number[] = []
  let [low, high] = [Infinity, -Infinity]
  let went: 'up' | 'down' | undefined
  for (const { tick, light } of series) {
    const rises = light - low >= CHANGE && low < DARKER && went !== 'up'
    const falls = high - light >= CHANGE && light < DARKER && went !== 'down'
    if (rises || falls) {
      ticks.push(tick)
      went = rises ? 'up' : 'down'
      low = high = light
    }
    low = Math.min(low, light)
    high = Math.max(high, light)
  }
  return Math.max(
    0,
    ...ticks.map(from => Math.floor(ticks.filter(at => at >= from && at < from + TICKS_PER_S).length / 2)),
  )
}

/** What an overlay can be where it lies, black 0 and white 1: of each, where that is more than a quarter of the picture. */
function levelsOf(plan: Plan, overlay: Overlay | undefined): number[] {
  if (!overlay) return []
  const { box, kind } = overlay
  const area = box ? box.w * box.h : 1
  // A picture of the show, of which nobody knows how bright it is.
  if (kind === 'box' || kind === 'pattern' || kind === 'chroma')
    return (box ? area : kind === 'chroma' ? 1 : 0) > AREA ? [0, 1] : []
  const shown = graphicsOf(plan, overlay)
  return [0, 1].filter(level => shown.some(graphic => shareOf(graphic, kind, level) * area > AREA))
}

/** The share of a graphic's pixels that are laid over solid, and dark enough over white, or bright enough over black. */
function shareOf(graphic: GraphicEntry, kind: Overlay['kind'], level: number): number {
  const cells = graphic.cells === undefined ? undefined : readCells(graphic.cells, graphic.opaque === true)
  if (!cells) return 0
  let found = 0
  for (let i = 0; i < cells.counts.length; i += 3) {
    const [y, alpha, n] = cells.counts.slice(i, i + 3) as [number, number, number]
    const solid = kind === 'luma' || graphic.opaque ? y >= SOLID : alpha >= 128
    if (level ? y >= OVER_BLACK : solid && y < OVER_WHITE) found += n
  }
  return found / (graphic.width * graphic.height)
}
