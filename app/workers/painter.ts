import { wrap, type Remote } from 'comlink'
import type { Painter } from './protocol'

let remote: Remote<Painter> | undefined

const waiting: (() => Promise<void>)[] = []
let under = 0
/** So many are with the worker at a time: it goes through them in turn, and what is looked at must not wait for all others. */
const AT_ONCE = 2

/** Does work with the worker when its turn comes; what is to be `first` goes before all that waits. */
export function inTurn(work: () => Promise<void>, first: boolean): void {
  if (first) waiting.unshift(work)
  else waiting.push(work)
  go()
}

function go(): void {
  while (under < AT_ONCE && waiting.length) {
    under++
    void waiting.shift()!().finally(() => {
      under--
      go()
    })
  }
}

/** The one worker that draws test pictures; it starts when the first is wanted. */
export function usePainter(): Remote<Painter> {
  remote ??= wrap<Painter>(
    new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module', name: 'picture' }),
  )
  return remote
}
