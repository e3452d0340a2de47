import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits, openFile } from '#core/document'
import { Session } from './session'

const demo = (name: string): Plan => {
  const opened = openFile(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return opened.value.plans.main!
}
const SECOND = 240_000
const hall = (session: Session) => session.stage.sinks.findIndex(({ name }) => name === 'Hall screen west')

describe('a rehearsal', () => {
  it('takes a source behind a feeder by plan: the feeder first, then the last switcher, and nobody sees the way', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    expect(session.look(SECOND).words[hall(session)]).toBe('Wide, gallery')
    // The opening look has the clip player on the feeder; the referee is input 2 there.
    const planned = session.plan({ source: 'referee' })!
    expect(planned).toMatchObject({ kind: 'clean', presses: 2, words: 'Side to 2 (nobody sees it), then Main to 7.' })
    expect(planned.hasty).toMatch(/^Pressed at once, .* would see Clip player for (\d+ to )?\d+ frames?\.$/)
    expect(session.take({ source: 'referee' }, 2 * SECOND)).toBe(true)
    const after = session.look(5 * SECOND)
    expect(after.words[hall(session)]).toBe('Remote referee')
    expect(after.history[hall(session)]!.map(({ words, wrong }) => [words, wrong])).toEqual([
      ['Wide, gallery', undefined],
      ['Remote referee', undefined],
    ])
    expect(after.sources.referee).toEqual({ onAir: true, over: false, next: false, lost: false, moving: false })
    expect(after.sources.wide!.onAir).toBe(false)
  })
  it('marks the frames that are wrong where both are pressed by hand at once', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    session.press('main', { do: 'program', input: 'in-7' }, 2 * SECOND)
    session.press('side', { do: 'program', input: 'in-2' }, 2 * SECOND)
    const shown = session.look(4 * SECOND).history[hall(session)]!
    expect(shown.map(({ words }) => words)).toEqual(['Wide, gallery', 'Clip player', 'Remote referee'])
    expect(shown[1]!.wrong).toBeGreaterThan(0)
    expect(shown[1]!.wrong).toBeLessThanOrEqual(4)
  })
  it('mixes over so many frames, in one stretch', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    session.take({ source: 'ptz-north' }, SECOND, { mix: 25 })
    // 25 frames at 50 frames/s are half a second.
    expect(session.look(Math.round(1.3 * SECOND)).switchers.main!.share).toBeGreaterThan(0)
    const { history, words } = session.look(3 * SECOND)
    expect(words[hall(session)]).toBe('Arena north')
    expect(history[hall(session)]!.length).toBe(3)
  })
  it('lights an overlay in the keyer that the looks give it, and puts it out', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    session.take({ overlay: 'scores' }, SECOND)
    expect(session.look(2 * SECOND).switchers.main!.keys).toEqual({ '3': 'scores' })
    expect(session.look(2 * SECOND).words[hall(session)]).toBe('Wide, gallery with Scores')
    session.take({ overlay: 'scores' }, 3 * SECOND)
    expect(session.look(4 * SECOND).switchers.main!.keys).toEqual({})
  })
  it('takes looks, goes to black and back, and comes to the safe picture from anywhere', () => {
    const session = new Session(demo('kiln-night'), 2)
    const sink = session.stage.sinks.findIndex(({ name }) => name === 'Recorder')
    expect(session.look(0).words[sink]).toBe('Wheel close-up with Name of the potter')
    session.take({ look: 'from-above' }, SECOND)
    expect(session.look(2 * SECOND).words[sink]).toBe('Overhead phone')
    session.take({ faded: true }, 3 * SECOND)
    expect(session.look(4 * SECOND).words[sink]).toBe('black')
    session.take({ safe: true }, 5 * SECOND)
    expect(session.look(6 * SECOND).words[sink]).toBe('Wide camera')
  })
  it('keeps what stands as a look that leads there again', () => {
    const plan = demo('kiln-night')
    const session = new Session(plan, 2)
    session.take({ source: 'overhead' }, SECOND)
    const look = session.asLook('Kept', 9)
    const applied = applyEdits(plan, [{ do: 'add', collection: 'looks', id: 'kept', value: look }])
    if (!applied.ok) throw new Error(applied.problem.path)
    const again = new Session(applied.value.plan)
    again.take({ look: 'kept' }, SECOND)
    expect(again.look(2 * SECOND).words).toEqual(session.look(2 * SECOND).words)
  })
  it('logs what was done and what a switcher refused', () => {
    const session = new Session(demo('kiln-night'))
    session.press('main', { do: 'auto', style: 'mix', frames: 50 }, SECOND)
    session.press('main', { do: 'auto', style: 'mix', frames: 50 }, SECOND + 40_000)
    const { log } = session.look(2 * SECOND)
    expect(log.map(({ words, refused }) => [words, refused])).toEqual([
      ['Main mix 50 frames', undefined],
      ['Main mix 50 frames', 'a transition runs'],
    ])
  })
})
