import { mixOf, prerollFramesOf } from '#core/catalog'
import { type Traced, runInto } from '#core/chain'
import { type Edit, type MacroStep, OFF, freshId, own } from '#core/document'
import { frameTicks, TICKS_PER_MS, TICKS_PER_S } from '#core/run'
import { type Laid, allLaid, assigned, litIn } from './laid'

/** A macro made from what is known, or why there can be none. */
export type Made = { readonly edits: readonly Edit[]; readonly title: string } | { readonly why: string }

/** How long an overlay comes, stands and goes, frames of its switcher. */
export interface Times {
  readonly in: number
  readonly hold: number
  readonly out: number
}

/** The keyer that it has in the looks, else the one that it would get. */
function keyerOf(traced: Traced, laid: Laid): string | undefined {
  const lit = litIn(traced)
    .get(laid.id)
    ?.find(({ device }) => device === laid.node?.id)
  const given = assigned(allLaid(traced)).get(laid.id) ?? laid.keyers?.[0]
  return lit?.keyer ?? (given === undefined ? undefined : String(given))
}

function placed(traced: Traced, id: string): { laid: Laid; at: string; keyer: string } | { why: string } {
  const laid = allLaid(traced).find(one => one.id === id)
  const node = laid?.node
  const keyer = laid && keyerOf(traced, laid)
  if (!laid || !node || keyer === undefined) return { why: 'it has no keyer' }
  if ((mixOf(node.model)?.macros ?? 0) === 0) return { why: `${node.device.name} holds no macros` }
  return { laid, at: node.id, keyer }
}

/** Lit or put out, at once or over some frames. */
const key = (keyer: string, overlay: string, frames: number): MacroStep => ({
  do: 'key',
  keyer,
  overlay,
  ...(frames > 1 ? { frames } : {}),
})
const wait = (frames: number): MacroStep => ({ do: 'wait', frames: Math.max(1, Math.round(frames)) })

function added({ plan }: Traced, title: string, at: string, steps: readonly MacroStep[]): Made {
  const order = 1 + Math.max(0, ...Object.values(plan.macros).map(one => one.order))
  const value = { title: title.slice(0, 120), order, at, steps }
  return {
    title: value.title,
    edits: [{ do: 'add', collection: 'macros', id: freshId(title, plan.macros, () => 0), value }],
  }
}

/** An overlay that comes over some frames, stands, and goes. */
export function lowerThird(traced: Traced, id: string, { in: come, hold, out }: Times): Made {
  const found = placed(traced, id)
  if ('why' in found) return found
  const { laid, at, keyer } = found
  return added(traced, `${laid.overlay.title}: in and out`, at, [
    key(keyer, id, come),
    wait(come + hold),
    key(keyer, OFF, out),
    wait(out),
  ])
}

/**
 * A clip over the change of two pictures: its keyer is lit, it plays, and the cut falls into the middle of the frames in
 * which it covers the whole picture, as measured, with what its player takes to begin and its picture to arrive.
 */
export function stinger(traced: Traced, id: string, clipId: string): Made {
  const found = placed(traced, id)
  if ('why' in found) return found
  const { laid, at, keyer } = found
  const clip = own(traced.plan.clips, clipId)
  const player = clip && traced.chain.nodes.get(clip.player)
  if (!clip || !player || clip.player !== laid.overlay.fill) return { why: 'the clip is not played by its source' }
  const covers = clip.measured?.covers
  if (!covers) return { why: 'nobody measured when it covers the picture' }
  const standard = laid.node!.standard
  const run = laid.input === undefined ? undefined : runInto(traced, { device: at, port: laid.input })
  if (!standard || !run?.lit) return { why: 'its picture does not come to the switcher' }
  const frame = frameTicks(standard.rate)
  const each = frameTicks(clip.format?.rate ?? standard.rate)
  const middle = (covers[0] + covers[1] - 1) / 2
  const late = (run.links.at(-1)!.signal?.delay.typ ?? 0) * TICKS_PER_MS
  const preroll = prerollFramesOf(player.model) * frame
  const over = preroll + Math.round(clip.lengthS * TICKS_PER_S) + late
  const cutAt = Math.round((preroll + middle * each + late) / frame)
  return added(traced, `${clip.title} over a cut`, at, [
    key(keyer, id, 1),
    { do: 'play', clip: clipId },
    wait(cutAt),
    { do: 'cut' },
    wait(Math.ceil(over / frame) - cutAt),
    key(keyer, OFF, 1),
  ])
}
