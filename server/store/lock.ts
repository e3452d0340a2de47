import {
  linkSync,
  readFileSync,
  readlinkSync,
  renameSync,
  rmSync,
  statSync,
  unlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { bootId } from './safe/folder'

/** The data folder belongs to another process that is still running. */
export class FolderInUse extends Error {
  constructor(
    folder: string,
    readonly pid: number,
    host: string,
  ) {
    const where = host === hostname() ? '' : ` on ${host}`
    super(
      `the data folder ${folder} is in use by process ${pid}${where}; stop it, or set INTERLUMEN_DATA to another folder`,
    )
  }
}

interface Owner {
  readonly pid: number
  /** When the process began, as the kernel counts it: a later process with the same number is another one. */
  readonly began: string
  /** The machine, its start, and the world of process numbers: a number means nothing in another. */
  readonly host: string
  readonly boot: string
  readonly space: string
}

/** The holder touches its lock so often; who finds the lock of another world watches it for so long. */
const BEAT_MS = 3000
const WATCH_MS = 10_000

/**
 * Takes a folder for this process alone, since the embedded database does not. The lock of a process that was killed is
 * taken over: at once where its number can be looked up, else, in another container or on another machine that shares the
 * folder, once it has stood still for a while. Returns what gives the folder back. Throws FolderInUse.
 */
export async function lockFolder(
  folder: string,
  lost: () => void = () => undefined,
  watchMs = WATCH_MS,
): Promise<() => void> {
  const lock = join(folder, 'interlumen.lock')
  const mine: Owner = {
    pid: process.pid,
    began: beganAt(process.pid) ?? '',
    host: hostname(),
    boot: bootId(),
    space: space(),
  }
  const draft = `${lock}.${process.pid}`
  writeFileSync(draft, JSON.stringify(mine))
  try {
    for (let attempt = 0; ; attempt++) {
      try {
        // A hard link is made whole or not at all, and never over an existing file.
        linkSync(draft, lock)
        break
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST' || attempt > 20) throw error
        await takeOver(folder, lock, mine, watchMs)
      }
    }
  } finally {
    rmSync(draft, { force: true })
  }
  const beat = setInterval(() => {
    if (isMine(readOwner(lock), mine)) utimesSync(lock, new Date(), new Date())
    else {
      clearInterval(beat)
      lost()
    }
  }, BEAT_MS)
  beat.unref()
  return () => {
    clearInterval(beat)
    if (isMine(readOwner(lock), mine)) unlinkSync(lock)
  }
}

const isMine = (found: Owner | undefined, mine: Owner): boolean =>
  found !== undefined && found.pid === mine.pid && found.host === mine.host && found.boot === mine.boot

/**
 * Puts a dead process's lock aside. The file is moved first and read then, so that of two processes that find it at
 * once only one removes it, and a lock that was renewed meanwhile is put back.
 */
async function takeOver(folder: string, lock: string, mine: Owner, watchMs: number): Promise<void> {
  const held = readOwner(lock)
  if (held && !isMine(held, mine) && (await isAlive(held, lock, mine, watchMs)))
    throw new FolderInUse(folder, held.pid, held.host)
  const aside = `${lock}.aside.${process.pid}`
  try {
    renameSync(lock, aside)
  } catch {
    return
  }
  const owner = readOwner(aside)
  const renewed = owner !== undefined && !isMine(owner, mine) && JSON.stringify(owner) !== JSON.stringify(held)
  if (renewed) linkSync(aside, lock)
  rmSync(aside, { force: true })
  if (renewed) throw new FolderInUse(folder, owner.pid, owner.host)
}

function readOwner(lock: string): Owner | undefined {
  try {
    return { host: hostname(), boot: bootId(), space: space(), ...JSON.parse(readFileSync(lock, 'utf8')) } as Owner
  } catch {
    return undefined
  }
}

async function isAlive(owner: Owner, lock: string, mine: Owner, watchMs: number): Promise<boolean> {
  if (owner.boot === mine.boot && owner.space === mine.space) return isRunning(owner)
  // The same machine after a new start, outside of any container: nothing of before is left.
  if (owner.host === mine.host && owner.space === mine.space && owner.boot !== mine.boot) return false
  const touched = () => {
    try {
      return statSync(lock).mtimeMs
    } catch {
      return undefined
    }
  }
  const before = touched()
  for (let waited = 0; waited < watchMs; waited += 100) {
    await new Promise(resolve => setTimeout(resolve, 100))
    const now = touched()
    if (now === undefined) return false
    if (now !== before) return true
  }
  return false
}

function isRunning({ pid, began }: Owner): boolean {
  try {
    process.kill(pid, 0)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false
  }
  const now = beganAt(pid)
  return began === '' || now === undefined || now === began
}

/** Field 22 of /proc/<pid>/stat; undefined where there is no such file. */
function beganAt(pid: number): string | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19]
  } catch {
    return undefined
  }
}

/** The world in which process numbers are told: a container has one of its own. */
function space(): string {
  try {
    return readlinkSync('/proc/self/ns/pid')
  } catch {
    return hostname()
  }
}
