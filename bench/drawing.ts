import { readFileSync } from 'node:fs'
import { openFile } from '#core/document'
import { Session } from '#core/features/rehearsal'
import type { Scene } from '#core/picture'
import type { Picture } from '#core/run'
import { drawnBy } from '../app/workers/sources'

/**
 * Milliseconds that each frame of the program takes to be drawn, in one thread: a mix from one drawn source to another runs
 * all the time, with a graphic over it, and every source moves in every frame.
 */
export function drawing(width: number, frames: number): number[] {
  const opened = openFile(readFileSync(new URL('../demo/harbour-robotics-cup.json', import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  const session = new Session(opened.value.plans.main!)
  const { stage } = session
  const hall = stage.sinks.findIndex(({ judged }) => judged)
  const [one, two] = stage.sources.filter(({ camera }) => camera)
  session.take({ overlay: stage.overlays[0]!.id }, 0)
  const height = Math.round((width * 9) / 16)
  let tick = stage.frame * 100
  const times: number[] = []
  let to = one!
  for (let i = 0; i < frames; i++, tick += stage.frame) {
    if (i % 50 === 0) {
      to = to === one ? two! : one!
      session.take({ source: to.device }, tick, { mix: 50 })
    }
    session.look(tick)
    const start = performance.now()
    const shown = {
      scenes: stage.scenes,
      graphics: () => undefined,
      frame: Math.floor(tick / stage.frame),
      perSecond: 50,
    }
    drawnBy(session.pictureOf(hall, tick), shown, width, height)
    times.push(performance.now() - start)
  }
  return times
}

/** Nine cameras that all move: a mix of two, a caption and a graphic over it, and a multiview of the nine, preview and program. */
export function multiviewing(width: number, frames: number): number[] {
  const height = Math.round((width * 9) / 16)
  const scenes = Object.fromEntries(
    Array.from({ length: 9 }, (_, index): [string, Scene] => [
      `c${index}`,
      { name: `Camera ${index + 1}`, kind: 'camera', index },
    ]),
  )
  const camera = (n: number): Picture => ({ of: 'source', device: `c${n}`, port: 'out' })
  const page = (device: string, port = 'fill'): Picture => ({ of: 'source', device, port, content: 'caption' })
  const times: number[] = []
  let spare: Uint8ClampedArray[] = []
  for (let frame = 0; frame < frames; frame++) {
    const program: Picture = {
      of: 'mix',
      device: 'main',
      tap: 'program',
      layers: [
        { as: 'background', port: 'in-1', picture: camera(0) },
        { as: 'background', port: 'in-2', picture: camera(1), share: (frame % 50) / 50 },
        { as: 'key', port: 'in-8', kind: 'luma', picture: page('names'), cut: { clip: 0.05, gain: 0.9 } },
        { as: 'key', port: 'in-9', kind: 'linear', picture: page('scores'), key: page('scores', 'key') },
      ],
    }
    const tiles: Picture = {
      of: 'tiles',
      device: 'main',
      tiles: [
        { port: 'preview', label: 'Preview', picture: camera(2) },
        { port: 'program', label: 'Program', picture: program },
        ...Array.from({ length: 9 }, (_, n) => ({ port: `in-${n + 1}`, label: `Camera ${n + 1}`, picture: camera(n) })),
      ],
    }
    const start = performance.now()
    const shown = { scenes, graphics: () => undefined, frame, perSecond: 50 }
    spare = [program, tiles].map((picture, i) => drawnBy(picture, shown, width, height, spare[i]))
    times.push(performance.now() - start)
  }
  return times
}
