import { KERNELS } from './kernels/kernels.generated'

/** What the compiled kernels do; addresses are bytes in their memory. */
interface Kernels {
  readonly memory: { readonly buffer: ArrayBuffer; grow(pages: number): number }
  mix(a: number, b: number, out: number, pixels: number, more: number): void
  key(back: number, fill: number, cut: number, out: number, pixels: number, table: number, part: number): void
  chroma(
    back: number,
    fill: number,
    out: number,
    pixels: number,
    ...numbers: [kb: number, kr: number, tolerance: number, edge: number, spill: number, share: number]
  ): void
}

// Known wherever this runs: pages, workers, Node.js.
declare const WebAssembly: {
  readonly Module: new (bytes: Uint8Array) => object
  readonly Instance: new (module: object) => { readonly exports: unknown }
}
declare function atob(text: string): string

let known: Kernels | undefined
const kernels = (): Kernels =>
  (known ??= new WebAssembly.Instance(
    new WebAssembly.Module(Uint8Array.from(atob(KERNELS), character => character.charCodeAt(0))),
  ).exports as Kernels)

/** Of the kernels' memory, bytes: where pictures may lie, behind a table of 256 weights. */
const TABLE = 1024
const FIRST = 4096
const PAGE = 65_536

/** Room for some pictures of a length in bytes, each on a whole vector: the address of each. */
function placesFor({ memory }: Kernels, count: number, bytes: number): number[] {
  const each = (bytes + 31) & ~15
  const needed = FIRST + count * each
  if (memory.buffer.byteLength < needed) memory.grow(Math.ceil((needed - memory.buffer.byteLength) / PAGE))
  return Array.from({ length: count }, (_, i) => FIRST + i * each)
}

/** (a (256 - more) + b more + 128) >> 8 for each byte of two pictures of one length; `more` 0 .. 256. */
export function mixBytes(a: Uint8ClampedArray, b: Uint8ClampedArray, more: number): Uint8ClampedArray<ArrayBuffer> {
  const fast = kernels()
  const [first, second, out] = placesFor(fast, 3, a.length) as [number, number, number]
  const bytes = new Uint8ClampedArray(fast.memory.buffer)
  bytes.set(a, first)
  bytes.set(b, second)
  fast.mix(first, second, out, a.length >> 2, more)
  return bytes.slice(out, out + a.length)
}

/**
 * A fill over a picture of the same length: (w fill + r back + 32768) >> 16 for each byte, r = 65536 - a, a by the
 * brightness of `cut` (luma, 0 .. 255) from 256 weights of 1/65536. w is a; for a premultiplied fill it is `part`.
 */
export function keyBytes(
  back: Uint8ClampedArray,
  fill: Uint8ClampedArray,
  cut: Uint8ClampedArray,
  weights: Int32Array,
  part: number | undefined,
): Uint8ClampedArray<ArrayBuffer> {
  const fast = kernels()
  const [under, over, matte, out] = placesFor(fast, 4, back.length) as [number, number, number, number]
  const bytes = new Uint8ClampedArray(fast.memory.buffer)
  new Int32Array(fast.memory.buffer).set(weights, TABLE >> 2)
  bytes.set(back, under)
  bytes.set(fill, over)
  if (cut !== fill) bytes.set(cut, matte)
  fast.key(under, over, cut === fill ? over : matte, out, back.length >> 2, TABLE, part ?? -1)
  return bytes.slice(out, out + back.length)
}

/** A key by colour over a picture of the same length: the screen's unit vector, tolerance, edge (above 0), spill, share. */
export function chromaBytes(
  back: Uint8ClampedArray,
  fill: Uint8ClampedArray,
  ...numbers: [kb: number, kr: number, tolerance: number, edge: number, spill: number, share: number]
): Uint8ClampedArray<ArrayBuffer> {
  const fast = kernels()
  const [under, over, out] = placesFor(fast, 3, back.length) as [number, number, number]
  const bytes = new Uint8ClampedArray(fast.memory.buffer)
  bytes.set(back, under)
  bytes.set(fill, over)
  fast.chroma(under, over, out, back.length >> 2, ...numbers)
  return bytes.slice(out, out + back.length)
}
