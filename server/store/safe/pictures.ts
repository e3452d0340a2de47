import { createHash } from 'node:crypto'
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import { NoRoom, needRoom, settleEntry } from './log'

const HASH = /^[0-9a-f]{64}$/
/** Pictures that one folder keeps. */
const MOST_PICTURES = 10_000

export const isHash = (text: string): boolean => HASH.test(text)
export const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** There are as many pictures as a folder keeps. */
export class TooMany extends Error {}

/**
 * Pictures of shows, each by the SHA-256 of its bytes, in a folder beside the database. What was put there stays: any
 * revision of a plan may name it. The bytes are on the disk itself before they are acknowledged.
 */
export class Pictures {
  private readonly folder: string

  constructor(
    root: string,
    private readonly spareMb = 64,
  ) {
    this.folder = join(root, 'pictures')
  }

  has(hash: string): boolean {
    return isHash(hash) && existsSync(this.file(hash))
  }

  /** The bytes of a picture; undefined where it is not kept, or was damaged where it lies. */
  get(hash: string): Uint8Array | undefined {
    if (!this.has(hash)) return undefined
    const bytes = readFileSync(this.file(hash))
    return hashOf(bytes) === hash ? bytes : undefined
  }

  /** Keeps a picture; its hash. Throws NoRoom, TooMany. */
  put(bytes: Uint8Array): string {
    const hash = hashOf(bytes)
    if (this.get(hash)) return hash
    needRoom(this.folder.replace(/[\\/]pictures$/, ''), this.spareMb)
    mkdirSync(this.folder, { recursive: true })
    if (this.list().length >= MOST_PICTURES)
      throw new TooMany(`${MOST_PICTURES} pictures are kept; more are not taken.`)
    const draft = `${this.file(hash)}.draft`
    const fd = openSync(draft, 'w')
    try {
      writeSync(fd, bytes)
      fsyncSync(fd)
    } catch (error) {
      rmSync(draft, { force: true })
      throw (error as NodeJS.ErrnoException).code === 'ENOSPC' ? new NoRoom(0, this.spareMb) : error
    } finally {
      closeSync(fd)
    }
    renameSync(draft, this.file(hash))
    settleEntry(this.folder)
    return hash
  }

  list(): string[] {
    if (!existsSync(this.folder)) return []
    return readdirSync(this.folder)
      .flatMap(name => (name.endsWith('.png') && isHash(name.slice(0, -4)) ? [name.slice(0, -4)] : []))
      .sort()
  }

  /** Gives each picture that is whole, one after the other. */
  each(take: (bytes: Uint8Array) => void): void {
    for (const hash of this.list()) {
      const bytes = this.get(hash)
      if (bytes) take(bytes)
    }
  }

  private file(hash: string): string {
    return join(this.folder, `${hash}.png`)
  }
}

/** The pictures that the text of an open file names. */
export const picturesNamed = (text: string): string[] => [
  ...new Set([...text.matchAll(/"file": ?"([0-9a-f]{64})"/g)].map(([, hash]) => hash!)),
]
