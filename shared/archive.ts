import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'

// A show with its pictures in one file: the open file beside a folder of pictures, each by the hash of its content.

const SHOW = 'show.interlumen.json'
const PICTURE = /^pictures\/([0-9a-f]{64})\.png$/
/** Most that is unpacked of an archive, and out of how many files. */
const MOST_UNPACKED = 200_000_000
const MOST_FILES = 2000

/** An archive that is none of Interlumen's, or was damaged, and says so in a sentence. */
export class BadArchive extends Error {}

export interface Archive {
  /** The open file. */
  readonly show: Uint8Array
  /** Pictures by the hash that their name says; whether it fits is for who keeps them to see. */
  readonly pictures: ReadonlyMap<string, Uint8Array>
}

export const isArchive = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

export function packArchive(show: string, pictures: ReadonlyMap<string, Uint8Array>): Uint8Array {
  // No clock of this machine in it: the same show is the same file.
  const mtime = new Date(1980, 0, 1)
  return zipSync({
    [SHOW]: [strToU8(show), { level: 6, mtime }],
    ...Object.fromEntries(
      [...pictures].map(([hash, bytes]) => [`pictures/${hash}.png`, [bytes, { level: 0, mtime }]] as const),
    ),
  })
}

/** Unpacks an archive within limits. Throws BadArchive. */
export function unpackArchive(bytes: Uint8Array): Archive {
  let [files, size] = [0, 0]
  let found: Record<string, Uint8Array>
  try {
    found = unzipSync(bytes, {
      filter: ({ name, originalSize, size: packed }) => {
        if (name.endsWith('/')) return false
        files += 1
        size += Math.max(originalSize, packed)
        if (name !== SHOW && !PICTURE.test(name))
          throw new BadArchive(
            `Found ${JSON.stringify(name.slice(0, 80))}; allowed: ${SHOW} and pictures by their hash.`,
          )
        if (files > MOST_FILES) throw new BadArchive(`It holds more than ${MOST_FILES} files.`)
        if (size > MOST_UNPACKED) throw new BadArchive(`It unpacks to more than ${MOST_UNPACKED} bytes.`)
        return true
      },
    })
  } catch (error) {
    throw error instanceof BadArchive ? error : new BadArchive('The archive is damaged or cut off.')
  }
  const show = found[SHOW]
  if (!show) throw new BadArchive(`The archive holds no ${SHOW}.`)
  if (checksum(show) !== toldChecksum(bytes, SHOW)) throw new BadArchive(`${SHOW} in the archive is damaged.`)
  return {
    show,
    pictures: new Map(
      Object.entries(found).flatMap(([name, content]) => {
        const hash = PICTURE.exec(name)?.[1]
        return hash === undefined ? [] : [[hash, content] as const]
      }),
    ),
  }
}

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c
})

/** CRC-32 (ISO 3309), which the unpacking library does not look at. */
function checksum(bytes: Uint8Array): number {
  let c = 0xffffffff
  for (const byte of bytes) c = TABLE[(c ^ byte) & 255]! ^ (c >>> 8)
  return (c ^ 0xffffffff) >>> 0
}

/** The checksum that an archive's table of contents tells of a file. */
function toldChecksum(bytes: Uint8Array, name: string): number | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  for (let at = 0; at + 46 <= bytes.length; at++) {
    if (view.getUint32(at, true) !== 0x02014b50) continue
    const length = view.getUint16(at + 28, true)
    if (strFromU8(bytes.subarray(at + 46, at + 46 + length)) === name) return view.getUint32(at + 16, true)
  }
  return undefined
}
