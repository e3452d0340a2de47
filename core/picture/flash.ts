import type { Graphic } from './graphic'

/** Luminance of a code on a screen with white at 200 cd/m2 and gamma 2.4 (BT.1886, black 0), cd/m2. */
const NITS = Float64Array.from({ length: 256 }, (_, code) => 200 * (code / 255) ** 2.4)

/** Cells that a frame is looked at in. */
const [ACROSS, DOWN] = [32, 18]
const CELLS = ACROSS * DOWN

/** A change that counts, cd/m2, where its darker side is below the second figure; the share of the picture (BT.1702). */
const [CHANGE, DARKER, AREA] = [20, 160, 0.25]
/** Frames within which changes of cells count as one of the picture. */
const TOGETHER = 2
/** Below this a pixel lets something through that a cut beneath would show, of 255. */
const SOLID = 250

/** What was found in the pictures of a clip. */
export interface ClipMeasure {
  readonly frames: number
  /** The most pairs of opposing changes in a second, over more than a quarter of the picture. */
  readonly pairs: number
  /** Something of it lets through what lies under it. */
  readonly clear: boolean
  /** The longest run of frames, counted from 1, that cover the whole picture; only where others do not. */
  readonly covers?: readonly [first: number, last: number]
}

/** Mean luminance of each cell over black, cd/m2, and whether every pixel is solid. */
function looked({ width, height, data }: Graphic): { readonly nits: Float64Array; readonly solid: boolean } {
  const nits = new Float64Array(CELLS)
  const counts = new Uint32Array(CELLS)
  let solid = true
  for (let y = 0; y < height; y++) {
    const row = Math.floor((y * DOWN) / height) * ACROSS
    for (let x = 0; x < width; x++) {
      const i = (y * width + x) * 4
      const a = data[i + 3]! / 255
      if (data[i + 3]! < SOLID) solid = false
      const cell = row + Math.floor((x * ACROSS) / width)
      nits[cell]! +=
        0.2126 * NITS[Math.round(data[i]! * a)]! +
        0.7152 * NITS[Math.round(data[i + 1]! * a)]! +
        0.0722 * NITS[Math.round(data[i + 2]! * a)]!
      counts[cell]!++
    }
  }
  for (let cell = 0; cell < CELLS; cell++) if (counts[cell]) nits[cell]! /= counts[cell]!
  return { nits, solid }
}

/**
 * Measures the pictures of a clip, one after the other. A change of a cell is the way from one extreme to the next, of 20
 * cd/m2 or more with the darker one below 160; the picture changes where more than a quarter of it does so within two
 * frames, in one direction; two such changes that oppose each other are a pair. `perSecond`: its frames in a second.
 */
export class ClipMeter {
  private frames = 0
  private clear = false
  private run = 0
  private covers: [number, number] | undefined
  /** By cell: the extreme since the last change, and the direction of that. */
  private readonly low = new Float64Array(CELLS)
  private readonly high = new Float64Array(CELLS)
  private readonly way = new Int8Array(CELLS)
  /** By cell and direction: the frame of the last change. */
  private readonly rose = new Int32Array(CELLS).fill(-1000)
  private readonly fell = new Int32Array(CELLS).fill(-1000)
  /** Frames in which the picture changed, and which way. */
  private readonly changes: { readonly frame: number; readonly up: boolean }[] = []

  constructor(private readonly perSecond: number) {}

  add(graphic: Graphic): void {
    const { nits, solid } = looked(graphic)
    const frame = this.frames++
    if (solid) {
      this.run++
      if (this.run > (this.covers ? this.covers[1] - this.covers[0] + 1 : 0))
        this.covers = [frame - this.run + 2, frame + 1]
    } else {
      this.run = 0
      this.clear = true
    }
    for (let cell = 0; cell < CELLS; cell++) this.cell(cell, nits[cell]!, frame)
    this.note(frame, this.rose, true)
    this.note(frame, this.fell, false)
  }

  private cell(cell: number, now: number, frame: number): void {
    if (frame === 0) this.low[cell] = this.high[cell] = now
    this.low[cell] = Math.min(this.low[cell]!, now)
    this.high[cell] = Math.max(this.high[cell]!, now)
    if (this.way[cell] !== 1 && now - this.low[cell]! >= CHANGE && this.low[cell]! < DARKER) {
      this.way[cell] = 1
      this.rose[cell] = frame
      this.high[cell] = now
    } else if (this.way[cell] !== -1 && this.high[cell]! - now >= CHANGE && now < DARKER) {
      this.way[cell] = -1
      this.fell[cell] = frame
      this.low[cell] = now
    }
  }

  private note(frame: number, when: Int32Array, up: boolean): void {
    const last = this.changes.at(-1)
    if (last?.up === up) return
    let now = 0
    for (const at of when) if (frame - at < TOGETHER) now++
    if (now <= AREA * CELLS) return
    this.changes.push({ frame, up })
    // Each change of a cell counts once.
    when.fill(-1000)
  }

  result(): ClipMeasure {
    const { frames, clear, covers } = this
    let pairs = 0
    this.changes.forEach(({ frame }, i) => {
      const within = this.changes.slice(i).filter(one => one.frame - frame < this.perSecond).length
      pairs = Math.max(pairs, Math.floor(within / 2))
    })
    return { frames, pairs, clear, ...(clear && covers ? { covers } : {}) }
  }
}
