import { readFileSync } from 'node:fs'
import { openFile } from '#core/document'
import { Session } from '#core/features/rehearsal'
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
    drawnBy(
      session.pictureOf(hall, tick),
      stage.scenes,
      width,
      height,
      () => undefined,
      Math.floor(tick / stage.frame),
      50,
    )
    times.push(performance.now() - start)
  }
  return times
}
