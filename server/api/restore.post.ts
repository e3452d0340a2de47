import { getRequestIP } from 'h3'

/**
 * Begins a new data folder, beside the one that is served, with what a copy of everything holds. What is served stays
 * as it is. Only for who sits at the machine.
 */
export default defineEventHandler(async event => {
  if (!isLoopback((getRequestIP(event) ?? '').replace(/^::ffff:/, '')))
    throw fail(403, 'A copy is restored at the machine that serves.')
  const copy = await readCopyText(event)
  try {
    return { folder: await restoreBeside(dataFolder(), copy) }
  } catch (error) {
    throw fail(422, `The copy was not restored: ${(error as Error).message}`)
  }
})
