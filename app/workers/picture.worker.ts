import { expose, transfer } from 'comlink'
import type { Painter } from './protocol'
import { drawnBy } from './sources'

const painter: Painter = {
  draw(picture, scenes, width, height, frame = 0) {
    const bytes = drawnBy(picture, scenes, width, height, frame)
    return transfer(bytes, [bytes.buffer])
  },
}

expose(painter)
