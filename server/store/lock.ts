import { linkSync, readFileSync, renameSync, rmSync, unlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The data folder belongs to another process that is still running. */
export class FolderInUse extends Error {
  constructor(
    folder: string,
    readonly pid: number,
  ) {
    super(`the data folder ${folder} is in use by process ${pid}; stop it, or set INTERLUMEN_DATA to another folder`)
  }
}

interface Owner {
  readonly pid: number
  /** When the process began, as the kernel counts it: a later process with the same number is another one. */
  readonly began: string
}

/**
 * Takes a folder for this process alone, since the embedded database does not. The lock of a process that was killed
 * is taken over. Returns what gives the folder back. Throws FolderInUse.
 */
export function lockFolder(folder: string): () => void {
  const lock = join(folder, 'interlumen.lock')
  const mine: Owner = { pid: process.pid, began: beganAt(process.pid) ?? '' }
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
        takeOver(folder, lock)
      }
    }
  } finally {
    rmSync(draft, { force: true })
  }
  return () => {
    if (readOwner(lock)?.pid === process.pid) unlinkSync(lock)
  }
}

/**
 * Puts a dead process's lock aside. The file is moved first and read then, so that of two processes that find it at
 * once only one removes it, and a lock that was renewed meanwhile is put back.
 */
function takeOver(folder: string, lock: string): void {
  const held = readOwner(lock)
  if (held && held.pid !== process.pid && isAlive(held)) throw new FolderInUse(folder, held.pid)
  const aside = `${lock}.aside.${process.pid}`
  try {
    renameSync(lock, aside)
  } catch {
    return
  }
  const owner = readOwner(aside)
  const alive = owner && owner.pid !== process.pid && isAlive(owner)
  if (alive) linkSync(aside, lock)
  rmSync(aside, { force: true })
  if (alive) throw new FolderInUse(folder, owner.pid)
}

function readOwner(lock: string): Owner | undefined {
  try {
    return JSON.parse(readFileSync(lock, 'utf8')) as Owner
  } catch {
    return undefined
  }
}

function isAlive({ pid, began }: Owner): boolean {
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
