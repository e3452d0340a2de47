import { zlibSync, zipSync } from 'fflate'
import { encode } from 'fast-png'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { patches } from '../testing/graphics'
import { BadArchive, isArchive, packArchive, unpackArchive } from './archive'
import { BadPicture, MOST_HEIGHT, MOST_WIDTH, readKeptPng, readPng, writePng } from './png'

const CRC = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c
})
function part(name: string, content: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(12 + content.length)
  const view = new DataView(bytes.buffer)
  view.setUint32(0, content.length)
  bytes.set(
    [...name].map(letter => letter.charCodeAt(0)),
    4,
  )
  bytes.set(content, 8)
  let c = 0xffffffff
  for (const byte of bytes.subarray(4, 8 + content.length)) c = CRC[(c ^ byte) & 255]! ^ (c >>> 8)
  view.setUint32(8 + content.length, (c ^ 0xffffffff) >>> 0)
  return bytes
}
/** A PNG file put together by hand: its header, rows as they are, further parts. */
function png(
  width: number,
  height: number,
  depth: number,
  type: number,
  rows: Uint8Array,
  more: Uint8Array[] = [],
  interlaced = 0,
) {
  const header = new Uint8Array(13)
  const view = new DataView(header.buffer)
  view.setUint32(0, width)
  view.setUint32(4, height)
  header.set([depth, type, 0, 0, interlaced], 8)
  const parts = [
    Uint8Array.from([137, 80, 78, 71, 13, 10, 26, 10]),
    part('IHDR', header),
    ...more,
    part('IDAT', zlibSync(rows)),
    part('IEND', new Uint8Array()),
  ]
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const one of parts) {
    all.set(one, at)
    at += one.length
  }
  return all
}
const why = (bytes: Uint8Array): string => {
  try {
    readPng(bytes)
    return 'taken'
  } catch (error) {
    expect(error).toBeInstanceOf(BadPicture)
    return (error as Error).message
  }
}

describe('PNG files', () => {
  it('keep every byte of colour and solidity, also where nothing is solid', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.uint8Array({ minLength: 324, maxLength: 324 }),
        (width, height, bytes) => {
          const data = Uint8ClampedArray.from(bytes.subarray(0, width * height * 4))
          data[3] = 0
          const file = writePng({ width, height, data, opaque: false })
          expect(readPng(file).data).toEqual(data)
          expect(readKeptPng(file)).toEqual(readPng(file))
        },
      ),
    ))
  it('of every kind come in as eight bit', () => {
    const solid = (bytes: Uint8Array) => [...readPng(bytes).data]
    // Two grey pixels of one bit: 1, 0; filter byte first.
    expect(solid(png(2, 1, 1, 0, Uint8Array.from([0, 0b10000000])))).toEqual([255, 255, 255, 255, 0, 0, 0, 255])
    // Four bit: 15, 8 of 15 is 136.
    expect(solid(png(2, 1, 4, 0, Uint8Array.from([0, 0xf8])))).toEqual([255, 255, 255, 255, 136, 136, 136, 255])
    // Sixteen bit grey with solidity: 0x8000 is 128 of 255 (127.5 rounded up), 0x0101 is 1.
    expect(solid(png(1, 1, 16, 4, Uint8Array.from([0, 0x80, 0, 1, 1])))).toEqual([128, 128, 128, 1])
    // A palette, whose second colour is clear.
    const palette = [part('PLTE', Uint8Array.from([9, 8, 7, 50, 60, 70])), part('tRNS', Uint8Array.from([255, 0]))]
    expect(solid(png(2, 1, 8, 3, Uint8Array.from([0, 0, 1]), palette))).toEqual([9, 8, 7, 255, 50, 60, 70, 0])
    // Three channels, of which one colour is named as clear.
    const clear = part('tRNS', Uint8Array.from([0, 1, 0, 2, 0, 3]))
    const named = readPng(png(3, 1, 8, 2, Uint8Array.from([0, 1, 2, 3, 4, 5, 6, 1, 2, 4]), [clear]))
    expect([...named.data, named.opaque]).toEqual([1, 2, 3, 0, 4, 5, 6, 255, 1, 2, 4, 255, false])
    expect(readPng(writePng(patches(3, 3, [1, 2, 3], []))).opaque).toBe(true)
  })
  it('that are none, broken or made to fill the memory are refused, with the reason', () => {
    const good = png(2, 1, 8, 0, Uint8Array.from([0, 1, 2]))
    expect(why(good)).toBe('taken')
    expect(why(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0]))).toBe('It is no PNG file.')
    expect(why(good.subarray(0, good.length - 14))).toBe('It is cut off.')
    for (let n = 8; n < good.length; n++) expect(why(good.subarray(0, n))).not.toBe('taken')
    const flipped = good.slice()
    flipped[45]! ^= 255
    expect(why(flipped)).toBe('It is damaged.')
    // Twelve million zeros behind a header of two pixels.
    expect(why(png(2, 1, 8, 0, new Uint8Array(12_000_000)))).toContain('unpacks to more')
    expect(why(png(MOST_WIDTH + 1, 1, 8, 0, new Uint8Array(9)))).toContain(`It measures ${MOST_WIDTH + 1} x 1`)
    expect(why(png(1, MOST_HEIGHT + 1, 8, 0, new Uint8Array(9)))).toContain('are taken')
    expect(why(png(0, 1, 8, 0, new Uint8Array(9)))).toContain('It measures 0 x 1')
    expect(why(png(2, 1, 8, 0, Uint8Array.from([0, 1, 2]), [part('acTL', new Uint8Array(8))]))).toContain('It moves')
    // A packed colour profile that would unpack to 20 MB is not looked at.
    const profile = Uint8Array.from([120, 0, 0, ...zlibSync(new Uint8Array(20_000_000))])
    expect(why(png(2, 1, 8, 0, Uint8Array.from([0, 1, 2]), [part('iCCP', profile)]))).toBe('taken')
    expect(why(png(2, 1, 4, 0, Uint8Array.from([0, 1]), [], 1))).toContain('interlaced')
    expect(why(png(2, 1, 3, 0, Uint8Array.from([0, 1])))).toContain('header')
    expect(why(new Uint8Array(12_000_001))).toContain('at most 12000000')
    expect(why(encode({ width: 4, height: 4, data: new Uint8Array(16), channels: 1, depth: 8 }))).toBe('taken')
  })
})

describe('archives', () => {
  const hash = 'a'.repeat(64)
  const packed = packArchive('{"format": 1}', new Map([[hash, Uint8Array.from([1, 2, 3])]]))
  const refusal = (bytes: Uint8Array): string => {
    try {
      unpackArchive(bytes)
      return 'taken'
    } catch (error) {
      expect(error).toBeInstanceOf(BadArchive)
      return (error as Error).message
    }
  }
  it('hold a show and its pictures, and are the same for the same', () => {
    const { show, pictures } = unpackArchive(packed)
    expect(new TextDecoder().decode(show)).toBe('{"format": 1}')
    expect([...pictures]).toEqual([[hash, Uint8Array.from([1, 2, 3])]])
    expect(packArchive('{"format": 1}', pictures)).toEqual(packed)
    expect([isArchive(packed), isArchive(new TextEncoder().encode('{}'))]).toEqual([true, false])
  })
  it('that are none, damaged, foreign or too large are refused, with the reason', () => {
    expect(refusal(Uint8Array.from([0x50, 0x4b, 3, 4]))).toContain('damaged or cut off')
    expect(refusal(packed.subarray(0, packed.length - 30))).toContain('damaged or cut off')
    expect(refusal(zipSync({ 'pictures/': new Uint8Array() }))).toContain('holds no show')
    expect(refusal(zipSync({ '../../etc/passwd': Uint8Array.from([1]) }))).toContain('Found "../../etc/passwd"')
    expect(refusal(zipSync({ [`pictures/${hash}.exe`]: Uint8Array.from([1]) }))).toContain('Found')
    // An archive that tells of 2 GB.
    const bomb = zipSync({ 'show.interlumen.json': new Uint8Array(1000) })
    const contents = bomb.findIndex((_, i) => bomb[i] === 0x50 && bomb[i + 1] === 0x4b && bomb[i + 2] === 1)
    new DataView(bomb.buffer, bomb.byteOffset).setUint32(contents + 24, 2 ** 31, true)
    expect(refusal(bomb)).toContain('unpacks to more')
    // A letter of the stored text changed: the archive's own checksum no longer fits.
    const stored = zipSync({ 'show.interlumen.json': [Uint8Array.from([1, 2, 3, 4]), { level: 0 }] })
    stored[stored.findIndex((byte, i) => byte === 1 && stored[i + 1] === 2 && stored[i + 3] === 4)] = 9
    expect(refusal(stored)).toContain('is damaged')
  })
})
