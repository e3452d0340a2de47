import {
  closeSync,
  existsSync,
  fsyncSync,
  ftruncateSync,
  openSync,
  readFileSync,
  statfsSync,
  writeSync,
  fdatasync,
} from 'node:fs'
import { dirname } from 'node:path'
import { promisify } from 'node:util'

const settle = promisify(fdatasync)

/** There is too little room on the disk to write safely. Nothing was written. */
export class NoRoom extends Error {
  constructor(
    readonly freeMb: number,
    readonly spareMb: number,
  ) {
    super(
      `The disk of the data folder is full: ${freeMb} MB are free and ${spareMb} MB are kept free. Nothing was changed.`,
    )
  }
}

/** Throws NoRoom where fewer than `spareMb` megabytes are free beside the file. */
export function needRoom(folder: string, spareMb: number): void {
  const { bavail, bsize } = statfsSync(folder)
  const freeMb = Math.floor((bavail * bsize) / 1e6)
  if (freeMb < spareMb) throw new NoRoom(freeMb, spareMb)
}

/** Brings what a folder lists to the disk: a file that is new is not there after a power cut until its folder says so. */
export function settleEntry(folder: string): void {
  const fd = openSync(folder, 'r')
  fsyncSync(fd)
  closeSync(fd)
}

/**
 * Append-only: one JSON record a line, on the disk itself before `append` answers. What a power cut tears off is the
 * last line at most, which nobody was told of.
 */
export class WriteLog {
  private readonly fd: number
  private size: number

  constructor(
    readonly file: string,
    private readonly sync: boolean,
  ) {
    const text = existsSync(file) ? readFileSync(file) : Buffer.alloc(0)
    // A torn line is cut off, so that the next record does not hang on to it.
    this.size = text.lastIndexOf(10) + 1
    this.fd = openSync(file, 'a')
    if (this.size !== text.length) ftruncateSync(this.fd, this.size)
    settleEntry(dirname(file))
  }

  get bytes(): number {
    return this.size
  }

  /** Writes a record; where that fails, the log is as it was before. */
  async append(record: unknown): Promise<void> {
    const line = Buffer.from(`${JSON.stringify(record)}\n`)
    try {
      for (let done = 0; done < line.length;) done += writeSync(this.fd, line, done)
      if (this.sync) await settle(this.fd)
      this.size += line.length
    } catch (error) {
      ftruncateSync(this.fd, this.size)
      throw error
    }
  }

  close(): void {
    closeSync(this.fd)
  }
}

/** The whole records of a log, oldest first; none where there is no such file. */
export function readLog<T>(file: string): T[] {
  if (!existsSync(file)) return []
  const text = readFileSync(file, 'utf8')
  return text
    .slice(0, text.lastIndexOf('\n') + 1)
    .split('\n')
    .filter(Boolean)
    .map(line => JSON.parse(line) as T)
}
