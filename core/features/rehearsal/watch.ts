import type { Traced } from '#core/chain'
import type { LinkEnd } from '#core/document'
import {
  type Fault,
  Judge,
  type Picture,
  type Rehearsal,
  type ShowState,
  TICKS_PER_S,
  pictureAt,
  unfitIn,
  wordsOf,
} from '#core/run'

/** A stretch of time in which a sink showed one thing. */
export interface Shown {
  readonly tick: number
  readonly words: string
  /** Frames of it that were wrong, and why. */
  readonly wrong?: number
  readonly why?: Fault | 'flash'
}

/** A picture that stands between two others for less than this, where nobody said what was meant, is taken for a flash. */
const LEAST_TICKS = TICKS_PER_S / 2
const MOST_SHOWN = 400
/** What nobody waited for is passed over: only so much of the past is watched, ticks. */
const MOST_BACK = 60 * TICKS_PER_S

interface Seen {
  readonly end: LinkEnd
  readonly judged: boolean
  readonly shown: Shown[]
  tree: string
  /** What it is on its way to, the first one first. */
  judges: Judge[]
}

/** Notes what each sink shows, frame by frame, and which frames are wrong: by what was meant, or by what may never be seen. */
export class Watch {
  private readonly sinks: Seen[]
  private scanned = 0
  /** Wrong frames of judged sinks in all. */
  wrong = 0

  constructor(
    private readonly traced: Traced,
    private readonly rehearsal: Rehearsal,
    ends: readonly { readonly end: LinkEnd; readonly judged: boolean }[],
    private readonly frame: number,
  ) {
    this.sinks = ends.map(({ end, judged }) => ({ end, judged, shown: [], tree: '', judges: [] }))
  }

  get history(): readonly (readonly Shown[])[] {
    return this.sinks.map(({ shown }) => shown)
  }

  /** From the next frame on each sink is to go from one picture to another. */
  aim(old: ShowState, next: ShowState): void {
    for (const sink of this.sinks) {
      if (!sink.judged) continue
      const [from, to] = [old, next].map(state => pictureAt(this.traced, state, sink.end)) as [Picture, Picture]
      sink.judges = [...sink.judges.filter(({ arrived }) => !arrived), new Judge(from, to)]
    }
  }

  /** Nobody says any more what is meant. */
  free(): void {
    for (const sink of this.sinks) sink.judges = []
  }

  /** Every sink shows what it was to. */
  get arrived(): boolean {
    return this.sinks.every(({ judges }) => judges.every(({ arrived }) => arrived))
  }

  scan(tick: number): void {
    if (tick - this.scanned > MOST_BACK) this.scanned = tick - MOST_BACK
    for (let at = this.scanned; at <= tick; at += this.frame) {
      for (const sink of this.sinks) this.note(sink, this.rehearsal.seen(sink.end, at), at)
      this.scanned = at + this.frame
      const quiet = this.rehearsal.quietUntil(at)
      if (quiet === undefined) continue
      // Nothing changes: what is wrong in the next frame is wrong in all until something happens.
      const same = Math.floor((Math.min(quiet, tick + 1) - 1 - at) / this.frame)
      if (same < 1) continue
      for (const sink of this.sinks)
        this.note(sink, this.rehearsal.seen(sink.end, at + this.frame), at + this.frame, same)
      at += same * this.frame
      this.scanned = at + this.frame
    }
  }

  /** What a sink shows in a frame, and in so many that are the same. */
  private note(sink: Seen, picture: Picture, tick: number, frames = 1): void {
    const tree = JSON.stringify(bare(picture))
    const why = sink.judged ? this.faultOf(sink, picture) : undefined
    if (tree !== sink.tree) {
      sink.tree = tree
      this.flash(sink, picture, tick)
      const words = wordsOf(this.traced, picture)
      sink.shown.push({ tick, words: isMoving(picture) ? `${words}${MOVING}` : words })
      if (sink.shown.length > MOST_SHOWN) sink.shown.shift()
    }
    if (why === undefined) return
    this.wrong += frames
    const last = sink.shown.at(-1)!
    sink.shown[sink.shown.length - 1] = { ...last, wrong: (last.wrong ?? 0) + frames, why }
  }

  private faultOf(sink: Seen, picture: Picture): Fault | undefined {
    const [judge, ...later] = sink.judges
    if (!judge) return unfitIn(picture)
    const fault = judge.frame(picture)
    if (later.length && (judge.arrived || fault)) {
      // The next thing that is meant begins where this one ends.
      const other = later[0]!.frame(picture)
      if (judge.arrived || other === undefined) sink.judges = later
      return fault && other
    }
    return fault
  }

  /** What stood before this was there so shortly that nobody can have meant it. */
  private flash({ shown, judges, judged }: Seen, picture: Picture, tick: number): void {
    const last = shown.at(-1)
    if (!judged || judges.length || !last || shown.length < 2 || last.wrong || isMoving(picture)) return
    const stood = tick - last.tick
    if (stood >= LEAST_TICKS || last.words.includes(MOVING)) return
    const frames = Math.round(stood / this.frame)
    this.wrong += frames
    shown[shown.length - 1] = { ...last, wrong: frames, why: 'flash' }
  }
}

const MOVING = ', on its way'

/** Somewhere in it something comes or goes. */
function isMoving(picture: Picture): boolean {
  if (picture.of === 'mix') return picture.layers.some(layer => layer.share !== undefined || isMoving(layer.picture))
  return false
}

/** Without the shares of what moves: a mix is one stretch, not as many as it has frames. */
function bare(picture: Picture): unknown {
  if (picture.of === 'tiles') return picture.tiles.map(tile => bare(tile.picture))
  if (picture.of !== 'mix') return picture
  return [
    picture.device,
    picture.tap,
    picture.layers.map(({ picture: inner, share, ...layer }) => [bare(inner), share !== undefined, layer]),
  ]
}
