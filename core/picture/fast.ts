import { KERNELS } from './kernels/kernels.generated'

/** What the compiled kernels do; addresses are bytes in their memory. */
interface Kernels {
  readonly memory: { readonly buffer: ArrayBuffer; grow(pages: number): number }
  mix(a: number, b: number, out: number, pixels: number, more: number): void
  wipe(a: number, b: number, out: number, width: number, height: number, shares: number): void
  key(
    back: number,
    fill: number,
    cut: number,
    out: number,
    pixels: number,
    table: number,
    part: number,
    ...weights: readonly [red: number, green: number, blue: number]
  ): void
  chroma(
    back: number,
    fill: number,
    out: number,
    pixels: number,
    ...numbers: [kb: number, kr: number, tolerance: number, edge: number, spill: number, share: number]
  ): void
  shared(from: number, out: number, width: number, height: number): void
  scale(
    from: number,
    width: number,
    height: number,
    out: number,
    toWidth: number,
    toHeight: number,
    ...work: [across: number, down: number, rows: number]
  ): void
}

// Known wherever this runs: pages, workers, Node.js.
declare const WebAssembly: {
  readonly Module: new (bytes: Uint8Array) => object
  readonly Instance: new (module: object) => { readonly exports: unknown }
}
declare function atob(text: string): string

type Bytes = Uint8ClampedArray<ArrayBufferLike>

/** Of the kernels' memory, bytes: where pictures may lie, behind a table of 256 weights. */
const TABLE = 1024
const FIRST = 4096
const PAGE = 65_536
/** Room for pictures that stand still; what is made in a draw lies behind it. */
const STAYING = 24_000_000
const MADE = FIRST + STAYING
/** A picture stands on whole vectors, with one more behind it. */
const roomOf = (bytes: number): number => (bytes + 31) & ~15

/**
 * The kernels and their memory, which is given out from its start. Outside of a draw each call begins anew and takes its
 * result out; within one, results stay where they are, so that of a picture of many layers only the last is copied.
 */
class Room {
  private readonly fast = new WebAssembly.Instance(
    new WebAssembly.Module(Uint8Array.from(atob(KERNELS), character => character.charCodeAt(0))),
  ).exports as Kernels
  private readonly places = new Map<Bytes, number>()
  /** Pictures that came in an earlier draw too stand still: they stay, in front of what is made. */
  private readonly staying = new Map<Bytes, number>()
  private readonly seen = new WeakSet<Bytes>()
  private staysTo = FIRST
  /** What found no place there, bytes: the next draw begins with it empty. */
  private lacked = 0
  private next = MADE
  private most = MADE
  private drawing = false
  private other: Room | undefined

  /** Memory that grows is another: what was taken from it before is gone. */
  private grown(bytes: number): boolean {
    const { memory } = this.fast
    const missing = bytes - memory.buffer.byteLength
    if (missing > 0 && !this.drawing) memory.grow(Math.ceil(missing / PAGE))
    return missing <= 0 || !this.drawing
  }

  private begin(): void {
    this.places.clear()
    this.next = MADE
    if (this.staysTo + this.lacked <= MADE) return
    this.staying.clear()
    this.staysTo = FIRST
    this.lacked = 0
  }

  /** Copies a picture in. */
  private place(one: Bytes, all: Uint8ClampedArray): void {
    const size = roomOf(one.length)
    const again = this.drawing && this.seen.has(one)
    const stays = again && this.staysTo + size <= MADE
    if (stays) {
      all.set(one, this.staysTo)
      this.staying.set(one, this.staysTo)
      this.staysTo += size
      return
    }
    if (again && size <= STAYING) this.lacked = Math.max(this.lacked, size)
    if (this.drawing) this.seen.add(one)
    all.set(one, this.next)
    this.places.set(one, this.next)
    this.next += size
  }

  private addressOf(one: Bytes): number | undefined {
    return this.places.get(one) ?? (this.drawing ? this.staying.get(one) : undefined)
  }

  holds(bytes: Bytes): boolean {
    return bytes.buffer === this.fast.memory.buffer
  }

  draw(make: () => Bytes, into: Bytes | undefined): Bytes {
    this.begin()
    this.grown(this.most)
    this.drawing = true
    try {
      const made = make()
      if (into?.length !== made.length) return new Uint8ClampedArray(made)
      into.set(made)
      return into
    } finally {
      this.drawing = false
      this.begin()
    }
  }

  copy(bytes: Bytes): Bytes {
    const to = this.give(bytes.length)
    to?.set(bytes)
    return to ?? bytes.slice()
  }

  give(length: number): Bytes | undefined {
    return this.drawing ? this.made([], length, () => undefined) : undefined
  }

  /**
   * What a kernel makes of some pictures, `length` bytes: it gets their addresses, that of the result, and of `spare`
   * bytes to work in.
   */
  made(
    pictures: readonly Bytes[],
    length: number,
    work: (fast: Kernels, places: readonly number[], out: number, spare: number) => unknown,
    spare = 0,
  ): Bytes {
    if (!this.drawing) this.begin()
    const strangers = [...new Set(pictures)].filter(one => this.addressOf(one) === undefined)
    const taken = strangers.reduce((sum, one) => sum + roomOf(one.length), roomOf(length))
    this.most = Math.max(this.most, this.next + taken + spare)
    if (!this.grown(this.next + taken + spare)) return (this.other ??= new Room()).made(pictures, length, work, spare)
    const all = new Uint8ClampedArray(this.fast.memory.buffer)
    for (const one of strangers) this.place(one, all)
    const out = this.next
    const places = pictures.map(one => this.addressOf(one)!)
    work(this.fast, places, out, out + roomOf(length))
    const result = all.subarray(out, out + length)
    if (!this.drawing) return result.slice()
    this.places.set(result, out)
    this.next += roomOf(length)
    return result
  }
}

let known: Room | undefined
const kernels = (): Room => (known ??= new Room())

/**
 * The bytes of a picture that is made layer by layer; they may be given away. What `make` takes must not change meanwhile.
 * `into`: bytes that nobody needs any more, which are taken where they fit.
 */
export const drawnAtOnce = (make: () => Bytes, into?: Bytes): Bytes => kernels().draw(make, into)

/** A picture that outlives the draw in which it was made. */
export const taken = <T extends { readonly data: Bytes }>(made: T): T =>
  kernels().holds(made.data) ? { ...made, data: made.data.slice() } : made

/** So many bytes that somebody fills before anything else is made; undefined where no picture is being drawn. */
export const room = (length: number): Bytes | undefined => kernels().give(length)

/** A picture's bytes again, to be drawn into. */
export const copied = (bytes: Bytes): Bytes => kernels().copy(bytes)

/** (a (256 - more) + b more + 128) >> 8 for each byte of two pictures of one length; `more` 0 .. 256. */
export const mixBytes = (a: Bytes, b: Bytes, more: number): Bytes =>
  kernels().made([a, b], a.length, (fast, [first, second], out) => fast.mix(first!, second!, out, a.length >> 2, more))

/** The same with a share of its own for each column of the picture, 0 .. 256. */
export function wipeBytes(a: Bytes, b: Bytes, shares: Uint16Array): Bytes {
  const width = shares.length
  // Whole vectors, of two pixels each.
  const room = ((width + 3) & ~3) * 8
  return kernels().made(
    [a, b],
    a.length,
    (fast, [first, second], out, spare) => {
      const table = new Uint16Array(fast.memory.buffer, spare, room >> 1)
      shares.forEach((share, x) => table.fill(share, x * 4, x * 4 + 4))
      fast.wipe(first!, second!, out, width, a.length / 4 / width, spare)
    },
    room,
  )
}

/**
 * A fill over a picture of the same length: (w fill + r back + 32768) >> 16 for each byte, r = 65536 - a, a by the
 * brightness of `cut` (0 .. 255, by `luma`, shares of 1/65536) from 256 weights of 1/65536. w is a; for a premultiplied fill
 * it is `part`.
 */
export const keyBytes = (
  back: Bytes,
  fill: Bytes,
  cut: Bytes,
  weights: Int32Array,
  part: number | undefined,
  luma: readonly [number, number, number],
): Bytes =>
  kernels().made([back, fill, cut], back.length, (fast, [under, over, matte], out) => {
    new Int32Array(fast.memory.buffer).set(weights, TABLE >> 2)
    fast.key(under!, over!, matte!, out, back.length >> 2, TABLE, part ?? -1, ...luma)
  })

/** A key by colour over a picture of the same length: the screen's unit vector, tolerance, edge (above 0), spill, share. */
export const chromaBytes = (
  back: Bytes,
  fill: Bytes,
  ...numbers: [kb: number, kr: number, tolerance: number, edge: number, spill: number, share: number]
): Bytes =>
  kernels().made([back, fill], back.length, (fast, [under, over], out) =>
    fast.chroma(under!, over!, out, back.length >> 2, ...numbers),
  )

/** A picture whose neighbours share their colour differences, two and two of each row: see `inPairs`. */
export const sharedBytes = (from: Bytes, width: number): Bytes =>
  kernels().made([from], from.length, (fast, [at], out) => fast.shared(at!, out, width, from.length / 4 / width))

/** For each pixel of a scaled row or column: the first source pixel that counts, and so many weights from it on. */
export interface Taps {
  readonly first: Int32Array
  readonly weights: Float32Array
  readonly each: number
}

/** A picture in another size: rows by `across`, kept real, then columns by `down`, rounded half up once. */
export function scaleBytes(from: Bytes, [width, height]: readonly [number, number], across: Taps, down: Taps): Bytes {
  const [toWidth, toHeight] = [across.first.length, down.first.length]
  const tables = [across, down].map(({ first, each }) => first.length * (1 + each) * 4)
  // Behind them one line of the source.
  const rows = (toWidth * height + width) * 16
  return kernels().made(
    [from],
    toWidth * toHeight * 4,
    (fast, [at], out, spare) => {
      const put = (to: number, { first, weights, each }: Taps): number => {
        const ints = new Int32Array(fast.memory.buffer, to, first.length + 1)
        ints[0] = each
        ints.set(first, 1)
        new Float32Array(fast.memory.buffer, to + ints.byteLength, weights.length).set(weights)
        return to
      }
      const [one, two] = [put(spare + rows, across), put(spare + rows + tables[0]! + 16, down)]
      fast.scale(at!, width, height, out, toWidth, toHeight, one, two, spare)
    },
    rows + tables[0]! + tables[1]! + 64,
  )
}
