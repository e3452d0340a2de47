import type { LinkEnd } from '#core/document'
import { fact } from '#core/kernel'
import { socketKey } from './resolve'
import type { Run } from './runs'
import type { Traced } from './traced'

/** Runs with a picture, by the input in which they end. */
const endsFact = fact<Traced, ReadonlyMap<string, Run>>('runs by their end', ({ runs }) => {
  const found = new Map<string, Run>()
  for (const run of runs)
    if (!run.beside && run.end) {
      const key = socketKey(run.end.device, run.end.port)
      if (!found.has(key)) found.set(key, run)
    }
  return found
})

/** The run of a picture that ends at an input. */
export const runInto = (traced: Traced, { device, port }: LinkEnd): Run | undefined =>
  traced.ask(endsFact).get(socketKey(device, port))
