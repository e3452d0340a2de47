import { openDatabase, type OpenDatabase } from '../db/open'
import type { Database } from '../db/types'
import { fail } from './refusal'

let opening: Promise<OpenDatabase> | undefined

export const dataFolder = (): string => process.env.INTERLUMEN_DATA || '.data'

/** Begins to open the data folder; the page is served meanwhile. */
export function startDatabase(): Promise<OpenDatabase> {
  opening ??= openDatabase(dataFolder())
  return opening
}

export async function useDatabase(): Promise<Database> {
  if (!opening) throw fail(503, 'The data folder is not open.')
  return (await opening).db
}

export async function stopDatabase(): Promise<void> {
  const open = await opening?.catch(() => undefined)
  opening = undefined
  await open?.close()
}
