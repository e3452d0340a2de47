import { type Ref, onBeforeUnmount, onMounted, shallowRef } from 'vue'
import type { Wanted } from '~/workers/protocol'
import type LiveCanvas from './LiveCanvas.vue'
import { useRehearsal } from './store'

type Canvas = InstanceType<typeof LiveCanvas>

/** A picture that is wanted on a canvas, and what it would show: while that is the same it is not drawn again. */
export interface Want {
  readonly key: string
  readonly as: string
  readonly wanted: Wanted
}

/** As many of the small pictures as are drawn in one turn beside the large one. */
const MOST_AT_ONCE = 6

/**
 * Draws what has changed, turn by turn, in the worker; the run never waits for it. The first of the list goes first.
 * Gives the frames of it that were drawn in the last second, and tells each second of them.
 */
export function usePainting(wants: () => readonly Want[], tick: Ref<number>, second: (frames: number) => void) {
  const live = useRehearsal()
  const canvases = new Map<string, Canvas>()
  const drawnAs = new Map<string, string>()
  const perSecond = shallowRef(0)
  /** Pictures that were shown go back with the next turn: memory that is there is cheaper than fresh one. */
  const shown: Uint8ClampedArray[] = []
  let drawing = false
  let handle = 0
  let counted = 0
  let since = 0

  const register = (key: string) => (canvas: unknown) => {
    if (canvas) canvases.set(key, canvas as Canvas)
    else {
      canvases.delete(key)
      drawnAs.delete(key)
    }
  }

  async function paint(): Promise<void> {
    handle = requestAnimationFrame(() => void paint())
    if (drawing) return
    const all = wants()
    const turn = all.filter(({ key, as }) => canvases.has(key) && drawnAs.get(key) !== as).slice(0, MOST_AT_ONCE)
    if (turn.length === 0) return
    drawing = true
    try {
      const bytes = await live.draw(
        turn.map(one => one.wanted),
        tick.value,
        shown.splice(0),
      )
      bytes?.forEach((picture, i) => {
        const { key, as, wanted } = turn[i]!
        canvases.get(key)?.paint(picture, wanted.width)
        if ('length' in picture) shown.push(picture)
        drawnAs.set(key, as)
      })
      if (turn[0]!.key === all[0]?.key) counted++
      const time = performance.now()
      if (time - since > 1000) {
        perSecond.value = Math.round((counted * 1000) / (time - since))
        second(perSecond.value)
        counted = 0
        since = time
      }
    } finally {
      drawing = false
    }
  }
  onMounted(() => {
    since = performance.now()
    handle = requestAnimationFrame(() => void paint())
  })
  onBeforeUnmount(() => cancelAnimationFrame(handle))
  return { register, perSecond }
}
