import type { Store } from '../store/port'
import { openStore } from '../store/pglite/open'
import { fail } from './refusal'

let opening: Promise<Store> | undefined

export const dataFolder = (): string => process.env.INTERLUMEN_DATA || '.data'

/** Begins to open the data folder; the page is served meanwhile. `engine` names this build of the program. */
export function startStore(engine: string): Promise<Store> {
  opening ??= openStore(dataFolder(), {
    engine,
    sync: process.env.INTERLUMEN_SYNC !== 'off',
    ...(process.env.INTERLUMEN_SPARE_MB ? { spareMb: Number(process.env.INTERLUMEN_SPARE_MB) } : {}),
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
