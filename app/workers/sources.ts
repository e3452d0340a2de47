import { type Pixels, type Scene, drawn, seen } from '#core/picture'
import type { Picture } from '#core/run'

/** Drawn sources, so that what is seen in many places is drawn once. */
const KNOWN = new Map<string, Pixels>()
const MOST = 300

/** The bytes of a picture, its sources drawn as test pictures of a frame; they may be given away. */
export function drawnBy(
  picture: Picture,
  scenes: Readonly<Record<string, Scene>>,
  width: number,
  height: number,
  frame = 0,
  perSecond = 25,
): Uint8ClampedArray {
  const { data } = seen(
    picture,
    ({ device, port, content, words }, w, h) => {
      const scene = scenes[device] ?? { name: device, kind: 'camera' as const, index: 0 }
      const as: Scene = {
        ...scene,
        ...(content ? { content } : {}),
        ...(words ? { words } : {}),
        ...(port === 'key' ? { asKey: true, kind: 'computer' } : {}),
        ...(port === 'fill' ? { kind: 'computer' } : {}),
      }
      const key = JSON.stringify([as, w, h, frame])
      const known = KNOWN.get(key)
      if (known) return known
      const made = drawn(as, w, h, frame, perSecond)
      if (KNOWN.size >= MOST) KNOWN.delete(KNOWN.keys().next().value!)
      KNOWN.set(key, made)
      return made
    },
    width,
    height,
  )
  // What is kept must not be given away.
  return data.slice()
}
