import { carriesPicture, isFeed, mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Run, type Traced, isSwitcher, runInto, socketKey } from '#core/chain'
import { own } from '#core/document'
import { raster } from '#core/signal'
import { tapOf } from '#core/run'
import { timesOf } from '../time/facts'
import { type Laid, allLaid } from './laid'

/** The loop from a pen over the computer that makes its marks to the picture on which it is drawn. */
export interface PenLoop {
  readonly laid: Laid
  readonly display: DeviceNode
  /** The computer that makes the marks. */
  readonly maker: DeviceNode
  /** The socket of the pen; absent, the display has none. */
  readonly pen: string | undefined
  /** Where its lead ends; absent, nowhere. */
  readonly leads: string | undefined
  /** The run whose picture the display shows. */
  readonly shows: Run | undefined
  /** The marks are in that picture. */
  readonly seen: boolean
  /** From the pen to its mark on the display, typically, ms; absent where it is not seen. */
  readonly loopMs: number | undefined
  /** The furthest that a mark lies beside the pen, pixels of the program; 0, every mark is under the pen. */
  readonly offPx: number
}

/** The loops of all overlays that are drawn by a pen; a tablet that shows and makes them itself has none. */
export const penLoops = (traced: Traced): PenLoop[] =>
  allLaid(traced).flatMap((laid): PenLoop[] => {
    const { drawnOn, key, fill } = laid.overlay
    const display = drawnOn === undefined ? undefined : traced.chain.nodes.get(drawnOn)
    const maker = traced.chain.nodes.get(key ?? fill)
    if (!display || !maker || display === maker) return []
    const pen = portsOf(display.model, 'out').find(([, port]) => port.pen)?.[0]
    const lead =
      pen === undefined
        ? undefined
        : (traced.chain.leaving.get(socketKey(display.id, pen)) ?? []).find(
            ({ id }) => traced.trace.wires.get(id)?.arrives,
          )
    const shows = portsOf(display.model, 'in')
      .filter(([, port]) => carriesPicture(port))
      .flatMap(([port]) => runInto(traced, { device: display.id, port }) ?? [])
      .find(({ lit }) => lit)
    const way = timesOf(traced)
      .filter(({ device }) => device === display.id)
      .flatMap(({ pictures }) => pictures.filter(({ source }) => source === maker.id))[0]
    const seen = shows !== undefined && way !== undefined && isMarked(traced, shows, laid)
    return [
      {
        laid,
        display,
        maker,
        pen,
        leads: lead?.to?.node.id,
        shows,
        seen,
        loopMs: seen ? way.total.typ : undefined,
        offPx: seen ? offsetOf(traced, laid, shows) : 0,
      },
    ]
  })

/** A picture in which an overlay is seen while it is on: its own source's, or a program behind its keyer. */
function isMarked(traced: Traced, { origin, links }: Run, { node, keyers, overlay }: Laid): boolean {
  const from = origin && traced.chain.nodes.get(origin.device)
  if (!from) return false
  if (!isSwitcher(from)) return from.id === overlay.fill || from.id === overlay.key
  const feed = links[0]?.signal?.feed
  if (feed === undefined || !isFeed(feed) || feed === 'multiview' || feed === 'preview') return false
  if (from !== node) return feed === 'program'
  const places = (keyers ?? []).map(number => mixOf(node.model)?.keyers[number - 1]?.place ?? 'before')
  return places.some(place => tapOf(node.model, feed).includes(place))
}

/** A stretch along one axis: where a share of the one lies in the other, `at + by * share`. */
interface Stretch {
  readonly at: number
  readonly by: number
}
const SAME: Stretch = { at: 0, by: 1 }
const within = (outer: Stretch, inner: Stretch): Stretch => ({
  at: outer.at + outer.by * inner.at,
  by: outer.by * inner.by,
})
const centred = (by: number): Stretch => ({ at: (1 - by) / 2, by })

const SHAPES: Readonly<Record<string, number>> = { '16:9': 16 / 9, '16:10': 16 / 10, '4:3': 4 / 3, '9:16': 9 / 16 }

/** Where the picture of a run lies in a frame of 16:9 of whoever takes it: x and y. */
function fitted({ links }: Run, fit: string | undefined): { readonly x: Stretch; readonly y: Stretch } {
  const signal = links.at(-1)?.signal
  const narrower = (SHAPES[signal?.aspect ?? '16:9'] ?? 16 / 9) / (16 / 9)
  const all = centred(fit === 'zoom' ? 1 : (signal?.fills ?? 1))
  if (narrower === 1 || fit === 'stretch') return { x: all, y: all }
  // Cut to the shape of the frame it is as wide as that, and sticks out above and below; else it has bars at its sides.
  return fit === 'crop'
    ? { x: all, y: within(all, centred(1 / narrower)) }
    : { x: within(all, centred(narrower)), y: all }
}

/**
 * How far a mark lies beside the pen. The pen's area is the computer's whole screen; that lies in the program as it is
 * fitted and boxed there, and the program on the display as it fills it. Both are affine, so the furthest is at a corner.
 */
function offsetOf(traced: Traced, { node, input, overlay }: Laid, shows: Run): number {
  const own_ = shows.origin?.device === overlay.fill || shows.origin?.device === overlay.key
  const into = node && input !== undefined ? runInto(traced, { device: node.id, port: input }) : undefined
  const fit = node && input !== undefined ? own(node.device.ports, input)?.fit : undefined
  const made = own_ || !into ? { x: SAME, y: SAME } : fitted(into, fit)
  const { x, y, w, h } = (own_ ? undefined : overlay.box) ?? { x: 0, y: 0, w: 1, h: 1 }
  const seen = fitted(
    shows,
    shows.end && own(traced.chain.nodes.get(shows.end.device)!.device.ports, shows.end.port)?.fit,
  )
  const { width, height } = raster(shows.links.at(-1)!.signal!.format.raster)
  const furthest = (box: Stretch, part: Stretch, shown: Stretch, pixels: number): number => {
    const mark = within(shown, within(box, part))
    return Math.max(Math.abs(mark.at), Math.abs(mark.at + mark.by - 1)) * pixels
  }
  return Math.hypot(
    furthest({ at: x, by: w }, made.x, seen.x, width),
    furthest({ at: y, by: h }, made.y, seen.y, height),
  )
}
