import { convertIndexedToRgb, decode, encode } from 'fast-png'
import { Unzlib } from 'fflate'
import type { FineFilePixels } from '#core/kernel'
import type { Graphic } from '#core/picture'

// Pictures come in as PNG and are kept as that. They are decoded here, never through a canvas: that one keeps colours
// weighted by how solid they are, in 8 bit, and what is hardly solid loses its colour there.

/** Most that a picture may measure and weigh. */
export const MOST_WIDTH = 4096
export const MOST_HEIGHT = 2304
export const MOST_BYTES = 12_000_000
/** A picture of more parts than this is one that was made to be read slowly. */
const MOST_CHUNKS = 20_000

/** A file that is no picture that can be used, and says why in a sentence. */
export class BadPicture extends Error {}

const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10]
const CHANNELS: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 }

interface Header {
  readonly width: number
  readonly height: number
  /** Bytes that its packed rows hold, filters and both ways of order included. */
  readonly raw: number
}

interface Parts {
  readonly header: Header
  readonly packed: readonly Uint8Array[]
  /** The file with nothing but its picture: a packed profile or text is not even looked at. */
  readonly bare: Uint8Array
}

const NEEDED = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND'])

/** Walks the parts of a PNG without unpacking them. Throws BadPicture. */
function partsOf(bytes: Uint8Array): Parts {
  if (bytes.length > MOST_BYTES) throw new BadPicture(`It has ${bytes.length} bytes; at most ${MOST_BYTES} are taken.`)
  if (!SIGNATURE.every((byte, i) => bytes[i] === byte)) throw new BadPicture('It is no PNG file.')
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const packed: Uint8Array[] = []
  const kept: Uint8Array[] = [bytes.subarray(0, 8)]
  let header: Header | undefined
  let at = 8
  for (let n = 0; ; n++) {
    if (n > MOST_CHUNKS) throw new BadPicture('It has too many parts.')
    if (at + 12 > bytes.length) throw new BadPicture('It is cut off.')
    const length = view.getUint32(at)
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    if (at + 12 + length > bytes.length) throw new BadPicture('It is cut off.')
    if (NEEDED.has(name)) kept.push(bytes.subarray(at, at + 12 + length))
    if (n === 0) {
      if (name !== 'IHDR' || length !== 13) throw new BadPicture('It is no PNG file: its first part is not its header.')
      header = sized(view, at + 8)
    } else if (name === 'IDAT') packed.push(bytes.subarray(at + 8, at + 8 + length))
    else if (name === 'acTL') throw new BadPicture('It moves; a still picture is wanted.')
    else if (name === 'IEND') break
    at += 12 + length
  }
  if (packed.length === 0) throw new BadPicture('It holds no picture.')
  const bare = new Uint8Array(kept.reduce((sum, part) => sum + part.length, 0))
  kept.reduce((to, part) => (bare.set(part, to), to + part.length), 0)
  return { header: header!, packed, bare }
}

function sized(view: DataView, at: number): Header {
  const [width, height] = [view.getUint32(at), view.getUint32(at + 4)]
  const [depth, type] = [view.getUint8(at + 8), view.getUint8(at + 9)]
  const channels = CHANNELS[type]
  if (depth < 8 && view.getUint8(at + 12) === 1)
    throw new BadPicture('It is interlaced and of fewer than 8 bit; save it without interlacing.')
  if (channels === undefined || ![1, 2, 4, 8, 16].includes(depth)) throw new BadPicture('It is damaged in its header.')
  if (width < 1 || height < 1 || width > MOST_WIDTH || height > MOST_HEIGHT)
    throw new BadPicture(`It measures ${width} x ${height}; from 1 x 1 to ${MOST_WIDTH} x ${MOST_HEIGHT} are taken.`)
  // Each of the seven passes of an interlaced one may add a row's filter byte and a rounded row.
  const row = Math.ceil((width * channels * depth) / 8) + 1
  return { width, height, raw: row * height + 7 * (row + height) }
}

/** Unpacks and counts, and stops where more comes than the header says. Throws BadPicture. */
function weigh({ raw }: Header, packed: readonly Uint8Array[]): void {
  let size = 0
  const unpack = new Unzlib(part => {
    size += part.length
    if (size > raw) throw new BadPicture('It unpacks to more than a picture of its size can hold.')
  })
  try {
    packed.forEach((part, i) => {
      // In pieces, so that little is unpacked before it is counted.
      for (let from = 0; from < part.length || from === 0; from += 16_384)
        unpack.push(part.subarray(from, from + 16_384), i === packed.length - 1 && from + 16_384 >= part.length)
    })
  } catch (error) {
    throw error instanceof BadPicture ? error : new BadPicture('It is damaged.')
  }
}

/** Reads a PNG file: 8 bit, colours as they are in it. Throws BadPicture. */
export function readPng(bytes: Uint8Array): Graphic {
  const { header, packed, bare } = partsOf(bytes)
  weigh(header, packed)
  return unpackedPng(bare)
}

/** The same for a file that was read once when it was taken in, as all that the server keeps: it is not weighed again, which is a third of the work. Throws BadPicture. */
export const readKeptPng = (bytes: Uint8Array): Graphic => unpackedPng(partsOf(bytes).bare)

function unpackedPng(bare: Uint8Array): Graphic {
  let found: ReturnType<typeof decode>
  try {
    found = decode(bare, { checkCrc: true })
  } catch {
    throw new BadPicture('It is damaged.')
  }
  if (found.depth === 8 && found.channels === 4) return whole(found.width, found.height, found.data)
  const { width, height, transparency } = found
  const { samples, most } = unpacked(found)
  const channels = samples.length / (width * height)
  const at = (i: number): number => Math.floor((samples[i]! * 255) / most + 0.5)
  const grey = channels < 3
  const own = channels === 2 || channels === 4
  const data = new Uint8ClampedArray(width * height * 4)
  let opaque = true
  for (let p = 0; p < width * height; p++) {
    const from = p * channels
    for (let c = 0; c < 3; c++) data[p * 4 + c] = at(from + (grey ? 0 : c))
    const clear = !found.palette && keyedOut(samples, from, grey ? 1 : 3, transparency)
    const solid = own ? at(from + channels - 1) : clear ? 0 : 255
    if (solid < 255) opaque = false
    data[p * 4 + 3] = solid
  }
  return { width, height, data, opaque }
}

/** Four channels of eight bit: as they are. */
function whole(width: number, height: number, samples: ArrayLike<number>): Graphic {
  const data = new Uint8ClampedArray(samples)
  let opaque = true
  for (let i = 3; i < data.length && opaque; i += 4) opaque = data[i] === 255
  return { width, height, data, opaque }
}

/** Samples one by one, and the value that is white. */
function unpacked(found: ReturnType<typeof decode>): { readonly samples: ArrayLike<number>; readonly most: number } {
  const { width, height, depth, data } = found
  if (found.palette) return { samples: convertIndexedToRgb(found), most: 255 }
  if (depth >= 8) return { samples: data, most: 2 ** depth - 1 }
  const row = Math.ceil((width * depth) / 8)
  const samples = new Uint8Array(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const bit = x * depth
      samples[y * width + x] = (data[y * row + (bit >> 3)]! >> (8 - depth - (bit & 7))) & (2 ** depth - 1)
    }
  return { samples, most: 2 ** depth - 1 }
}

/** The one colour that a file without a channel of solidity may name as clear. */
const keyedOut = (
  samples: ArrayLike<number>,
  from: number,
  channels: number,
  clear: Uint16Array | undefined,
): boolean => {
  if (!clear || clear.length < channels) return false
  for (let c = 0; c < channels; c++) if (samples[from + c] !== clear[c]) return false
  return true
}

/** Writes values from 0 to 2^bits - 1, three a pixel, as a PNG file of 16 bit. */
export function writeFinePng({ width, height, values, bits }: FineFilePixels): Uint8Array {
  const data = values.map(value => Math.round((value * 65_535) / (2 ** bits - 1)))
  return encode({ width, height, data, channels: 3, depth: 16 })
}

/** Writes a graphic as a PNG file; one that is opaque has no channel of solidity. */
export function writePng({ width, height, data, opaque }: Graphic): Uint8Array {
  if (!opaque) return encode({ width, height, data: new Uint8Array(data), channels: 4, depth: 8 })
  const rgb = new Uint8Array(width * height * 3)
  for (let p = 0; p < width * height; p++) rgb.set(data.subarray(p * 4, p * 4 + 3), p * 3)
  return encode({ width, height, data: rgb, channels: 3, depth: 8 })
}
