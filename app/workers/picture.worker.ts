import { expose, transfer } from 'comlink'
import { type Pixels, type Scene, drawn, seen } from '#core/picture'
import type { Painter } from './protocol'

/** Drawn sources, so that what is seen in many places is drawn once. */
const KNOWN = new Map<string, Pixels>()
const MOST = 400

const painter: Painter = {
  draw(picture, scenes, width, height, frame = 0) {
    const { data } = seen(
      picture,
      ({ device, port, content, words }, w, h) => {
        const scene: Scene | undefined = scenes[device]
        if (!scene) return drawn({ name: device, kind: 'camera', index: 0 }, w, h, frame)
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
        const made = drawn(as, w, h, frame)
        if (KNOWN.size >= MOST) KNOWN.delete(KNOWN.keys().next().value!)
        KNOWN.set(key, made)
        return made
      },
      width,
      height,
    )
    // What is kept must not be given away.
    const own = data.slice()
    return transfer(own, [own.buffer])
  },
}

expose(painter)
