import { wrap, type Remote } from 'comlink'
import type { Scene } from '#core/picture'
import type { Picture } from '#core/run'
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

interface Painted {
  readonly scenes: Readonly<Record<string, Scene>>
  readonly width: number
  readonly bytes: Promise<Uint8ClampedArray>
}
const PAINTED = new WeakMap<Picture, Painted>()

/** The bytes of a picture, which are not to be changed: what many see at a size is drawn once for all of them. */
export function paintedOnce(
  picture: Picture,
  scenes: Readonly<Record<string, Scene>>,
  width: number,
  height: number,
): Promise<Uint8ClampedArray> {
  const known = PAINTED.get(picture)
  if (known && known.scenes === scenes && known.width === width) return known.bytes
  const bytes = usePainter().draw(picture, scenes, width, height)
  PAINTED.set(picture, { scenes, width, bytes })
  // What could not be drawn is tried again when it is asked for next.
  bytes.catch(() => PAINTED.delete(picture))
  return bytes
}
