import { judgeBeside } from '../judge'
import type { Store } from '../store/port'
import { openStore } from '../store/pglite/open'
import { needRoom } from '../store/safe/log'
import { fail } from './refusal'

let opening: Promise<Store> | undefined

export const dataFolder = (): string => process.env.INTERLUMEN_DATA || '.data'

/** Megabytes of the disk that are kept free. */
const spareMb = (): number => Number(process.env.INTERLUMEN_SPARE_MB) || 64

/** Begins to open the data folder; the page is served meanwhile. `engine` names this build of the program. */
export function startStore(engine: string): Promise<Store> {
  opening ??= openStore(dataFolder(), {
    engine,
    judge: judgeBeside(),
    sync: process.env.INTERLUMEN_SYNC !== 'off',
    spareMb: spareMb(),
  })
  return opening
}

export async function useStore(): Promise<Store> {
  if (!opening) throw fail(503, 'The data folder is not open.')
  return opening
}

export async function stopStore(): Promise<void> {
  const open = await opening?.catch(() => undefined)
  opening = undefined
  await open?.close()
}

/** Whether there is room to write: a server that is full answers, and reads. */
export function isWritable(): boolean {
  try {
    needRoom(dataFolder(), spareMb())
    return true
  } catch {
    return false
  }
}
