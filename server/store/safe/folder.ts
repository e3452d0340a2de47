import { closeSync, existsSync, fsyncSync, openSync, readFileSync, readdirSync, renameSync, writeSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { settleEntry } from './log'

/** What makes a folder one of Interlumen's. */
export interface Identity {
  readonly interlumen: 'data'
  /** Of this layout of the folder; a newer one is not opened. */
  readonly version: number
  readonly id: string
  /** Changes when an older state is put in the place of a newer one: who has that open must ask anew. */
  readonly epoch: string
  /** The start of the machine under which the folder is open, and whether it was closed in order since. */
  readonly boot: string
  readonly clean: boolean
}

const VERSION = 1
const FILE = 'interlumen.json'
/** Files that stand in a folder before it is one of ours. */
const OWN = /^(interlumen\.(lock|json).*|safe|postgres\.begun)$/

/** The folder cannot be opened, and says why in a sentence. */
export class BadFolder extends Error {}

export function readIdentity(folder: string): Identity | undefined {
  const file = join(folder, FILE)
  if (!existsSync(file)) return undefined
  let found: Partial<Identity>
  try {
    found = JSON.parse(readFileSync(file, 'utf8')) as Partial<Identity>
  } catch {
    throw new BadFolder(`${file} cannot be read; it says whose folder this is. Put it back from a copy.`)
  }
  if (found.interlumen !== 'data' || typeof found.version !== 'number')
    throw new BadFolder(`${file} is no word of Interlumen; set INTERLUMEN_DATA to another folder.`)
  if (found.version > VERSION)
    throw new BadFolder(`the data folder ${folder} was written by a newer version of Interlumen; it is left as it is.`)
  return found as Identity
}

/** Written beside, settled on the disk, and put in place at once. */
export function writeIdentity(folder: string, identity: Identity): void {
  const draft = join(folder, `${FILE}.draft`)
  const fd = openSync(draft, 'w')
  writeSync(fd, `${JSON.stringify(identity, null, 2)}\n`)
  fsyncSync(fd)
  closeSync(fd)
  renameSync(draft, join(folder, FILE))
  settleEntry(folder)
}

/** The identity of a folder that is empty, or holds the database of a version that gave none; BadFolder for all others. */
export function beginFolder(folder: string): Identity {
  const there = readdirSync(folder).filter(name => !OWN.test(name))
  if (there.length > 0 && !existsSync(join(folder, 'postgres', 'PG_VERSION')))
    throw new BadFolder(
      `the folder ${folder} is not empty and holds no data of Interlumen (found ${there.slice(0, 3).join(', ')}); set INTERLUMEN_DATA to an empty one.`,
    )
  return {
    interlumen: 'data',
    version: VERSION,
    id: randomUUID(),
    epoch: randomUUID(),
    boot: bootId(),
    clean: there.length > 0,
  }
}

/** Names this start of the machine; where nothing does, every start of the program counts as another. */
export function bootId(): string {
  try {
    return process.env.INTERLUMEN_BOOT || readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()
  } catch {
    return randomUUID()
  }
}

/** Files of the database that are there in every one. */
const WHOLE = ['PG_VERSION', 'global/pg_control', 'base', 'pg_wal']
export const missingFrom = (database: string): string[] => WHOLE.filter(name => !existsSync(join(database, name)))

/** Brings all files below a folder to the disk itself. */
export function settleFolder(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) settleFolder(path)
    else if (entry.isFile()) {
      const fd = openSync(path, 'r')
      fsyncSync(fd)
      closeSync(fd)
    }
  }
}
