import { wrap, type Remote } from 'comlink'
import type { Painter } from './protocol'

let remote: Remote<Painter> | undefined

/** The one worker that draws test pictures; it starts when the first is wanted. */
export function usePainter(): Remote<Painter> {
  remote ??= wrap<Painter>(
    new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module', name: 'picture' }),
  )
  return remote
}
