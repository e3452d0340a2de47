import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits, openFile } from '#core/document'
import { FINGERPRINTS } from '../../../testing/runs/fingerprints'
import { type Happening, Rehearsal, judgedSinks, seededChances } from '#core/run'
import { random, wild } from '../../../testing/chains'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { onBlackPage } from '../../../testing/overlaid'
import { SOAK } from '../../../testing/soak'
import { readKept } from './kept'
import { Session } from './session'
import { Watch } from './watch'

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
  it('shows beside a source what it sends: the graphic that is laid over the picture, on its way too, and none without power', () => {
    const plan = demo('observatory-quiz')
    const moving = applyEdits(plan, [{ do: 'set', at: ['overlays', 'score', 'comesFrom'], value: 'left' }])
    if (!moving.ok) throw new Error(moving.problem.path)
    const session = new Session(moving.value.plan)
    const sent = (second: number) => session.sourceOf('graphics', second * SECOND)
    // Title and score come from the same computer: at first the title is lit, then the score.
    expect(sent(1)).toMatchObject({ of: 'source', port: 'fill', graphic: { file: plan.graphics.evening!.file } })
    expect(session.take({ look: 'asked' }, 2 * SECOND)).toBe(true)
    expect(sent(6)).toMatchObject({ graphic: { file: plan.graphics.tables!.file } })
    expect(sent(6)).not.toHaveProperty('comes')
    // Whoever mixes sees it in the tile of its input too.
    const many = session.stage.sinks.findIndex(({ name }) => name === 'Screen of whoever mixes')
    const tile = (second: number) => {
      const wall = session.pictureOf(many, second * SECOND)
      return wall.of === 'tiles' ? wall.tiles.find(({ port }) => port === 'in-3')!.picture : wall
    }
    expect(tile(1)).toMatchObject({ device: 'graphics', graphic: { file: plan.graphics.evening!.file } })
    expect(tile(6)).toMatchObject({ device: 'graphics', graphic: { file: plan.graphics.tables!.file } })
    // Half a second it takes to come in from its edge: somewhere in between it is neither outside nor there.
    const shares = Array.from({ length: 100 }, (_, i) => sent(2 + i / 50)).flatMap(one =>
      one.of === 'source' && one.comes ? [one.comes.share] : [],
    )
    expect(shares.length).toBeGreaterThan(10)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    session.event('graphics', { power: 'off' }, 7 * SECOND)
    expect(sent(8)).toEqual({ of: 'none', lost: 'black' })
    expect(session.sourceOf('wide', 8 * SECOND)).toMatchObject({ of: 'source', device: 'wide' })
    expect(session.sourceOf('wide', 8 * SECOND)).not.toHaveProperty('graphic')
  })
  it('sends nothing after a press that was lost: what is on air stays, and the next try goes through', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    session.lose(true)
    expect(session.look(SECOND).losing).toBe(true)
    session.take({ source: 'referee' }, 2 * SECOND)
    const after = session.look(5 * SECOND)
    expect(after.losing).toBe(false)
    expect(after.words[hall(session)]).toBe('Wide, gallery')
    expect(after.wrong).toBe(0)
    expect(after.log.map(({ words, refused }) => [words, refused])).toEqual([
      ['Side to 2', 'it was lost on its way'],
      ['what was to follow was not sent', undefined],
    ])
    session.take({ source: 'referee' }, 6 * SECOND)
    const again = session.look(9 * SECOND)
    expect(again.words[hall(session)]).toBe('Remote referee')
    expect(again.wrong).toBe(0)
    // By hand: one press is lost, the next comes.
    session.lose(true)
    session.press('main', { do: 'program', input: 'in-1' }, 10 * SECOND)
    expect(session.look(11 * SECOND).words[hall(session)]).toBe('Remote referee')
    session.press('main', { do: 'program', input: 'in-1' }, 12 * SECOND)
    expect(session.look(13 * SECOND).words[hall(session)]).not.toBe('Remote referee')
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
  it('counts exactly the frames that show neither picture, where it is said what is meant', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    const meant = { source: 'referee' } as const
    session.press('main', { do: 'program', input: 'in-7' }, 2 * SECOND, {}, meant)
    // A second later: 50 frames of the clip player, and not a flash.
    session.press('side', { do: 'program', input: 'in-2' }, 3 * SECOND, {}, meant)
    const { history, wrong, log } = session.look(6 * SECOND)
    const [, between, after] = history[hall(session)]!
    expect([between!.words, between!.why, after!.words, after!.wrong]).toEqual([
      'Clip player',
      'neither',
      'Remote referee',
      undefined,
    ])
    // The feeder's delay and the two phases may take a frame or two more, at each of the audiences.
    expect(between!.wrong).toBeGreaterThanOrEqual(49)
    expect(between!.wrong).toBeLessThanOrEqual(53)
    expect(wrong).toBeGreaterThanOrEqual(between!.wrong!)
    expect(log.length).toBe(2)
  })
  it('knows a source that no longer comes, and takes another safe picture', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    session.event('wide', { power: 'off' }, SECOND)
    const dark = session.look(2 * SECOND)
    expect(dark.sources.wide!.lost).toBe(true)
    expect(dark.broken).toEqual([{ device: 'wide', words: 'Wide, gallery loses its power' }])
    expect(dark.history[hall(session)]!.at(-1)).toMatchObject({ why: 'lost' })
    expect(dark.words[hall(session)]).toContain('Wide, gallery, standing still')
    // The safe picture of the plan is the very one that is lost.
    session.take({ safe: true }, 3 * SECOND)
    const safe = session.look(5 * SECOND)
    expect(safe.words[hall(session)]).toBe('Arena north')
    expect(safe.arrive[0]).toBe(safe.arrive[1])
    session.event('wide', { power: 'on' }, 6 * SECOND)
    expect(session.look(8 * SECOND).broken).toEqual([])
  })
  it('keeps what was pressed as a macro that does the same, with the pauses in frames', () => {
    const plan = demo('kiln-night')
    const session = new Session(plan)
    session.press('main', { do: 'preview', input: 'in-2' }, SECOND)
    session.press('main', { do: 'auto', style: 'mix', frames: 25 }, SECOND + 48_000)
    const macro = session.asMacro('Soft to two', 1, 'main', 0, 2 * SECOND)!
    // 48 000 ticks at 25 frames/s (9600 ticks) are 5 frames, at 50 (4800) 10.
    const frame = session.stage.frame
    expect(macro.steps).toEqual([
      { do: 'preview', input: 'in-2' },
      { do: 'wait', frames: Math.round(48_000 / frame) },
      { do: 'auto', style: 'mix', frames: 25 },
    ])
    expect(session.worked(0, 2 * SECOND)).toEqual(['main'])
    expect(session.asMacro('Nothing', 1, 'main', 5 * SECOND, 6 * SECOND)).toBeUndefined()
    const applied = applyEdits(plan, [{ do: 'add', collection: 'macros', id: 'soft', value: macro }])
    if (!applied.ok) throw new Error(applied.problem.path)
    const again = new Session(applied.value.plan)
    again.take({ macro: 'soft' }, SECOND)
    expect(again.look(4 * SECOND).words).toEqual(session.look(4 * SECOND).words)
    expect(again.look(4 * SECOND).log.map(({ words }) => words)).toEqual(['macro Soft to two'])
  })
  it('keeps a clip by its number, and plays what stands there when it is fired', () => {
    const plan = demo('harbour-robotics-cup')
    const session = new Session(plan)
    session.press('main', { do: 'program', input: 'in-7' }, SECOND)
    session.event('clips', { clip: 'reel' }, SECOND)
    const macro = session.asMacro('Roll it', 9, 'main', 0, 2 * SECOND)!
    expect(macro.steps.at(-1)).toEqual({ do: 'play', clip: 'reel', index: 2 })
    const fired = (index: number) => {
      const applied = applyEdits(plan, [
        { do: 'add', collection: 'macros', id: 'roll', value: macro },
        { do: 'set', at: ['clips', 'reel', 'index'], value: index },
        { do: 'set', at: ['clips', 'trailer', 'index'], value: 3 - index },
      ])
      if (!applied.ok) throw new Error(applied.problem.path)
      const again = new Session(applied.value.plan)
      again.take({ macro: 'roll' }, SECOND)
      return again.look(3 * SECOND).words[hall(again)]
    }
    expect(fired(2)).toBe('Clip player, Reel of the finals')
    // Since the two changed places, the number leads to the other.
    expect(fired(1)).toBe('Clip player, Trailer of the season')
  })
  it('is the same when it is run again from what was kept, and says so of a file that is none', () => {
    const plan = demo('harbour-robotics-cup')
    const session = new Session(plan, 1, 7)
    session.take({ source: 'referee' }, SECOND, { mix: 12 })
    session.event('main', { signal: 'lost', port: 'in-3' }, 2 * SECOND)
    session.press('main', { do: 'program', input: 'in-3' }, 3 * SECOND, { person: 'nobody' })
    session.take({ overlay: 'scores' }, 4 * SECOND)
    session.look(6 * SECOND)
    const read = readKept(JSON.stringify(session.kept()))
    if (!read.ok) throw new Error(read.problem.path)
    const again = Session.again(plan, read.value).summary()
    expect(again).toEqual(session.summary())
    expect(again.sinks.some(({ wrong }) => wrong > 0)).toBe(true)
    const bad = (change: object) => readKept(JSON.stringify({ ...session.kept(), ...change }))
    expect(bad({ aims: [{ tick: 1, target: { nonsense: 1 } }] })).toMatchObject({ problem: { path: '/aims/0' } })
    expect(bad({ aims: 3 })).toMatchObject({ problem: { path: '/aims' } })
    expect(bad({ version: 9 })).toMatchObject({ problem: { path: '/version' } })
  })
  it('tells what is heard, and no longer what has lost its power', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    const sink = hall(session)
    const heard = session.heard(sink, SECOND)
    expect(heard.length).toBeGreaterThan(0)
    expect(heard.every(({ level }) => level === 1)).toBe(true)
    // What makes it loses its power, and is silent.
    session.event(heard[0]!.device, { power: 'off' }, 2 * SECOND)
    expect(session.heard(sink, 3 * SECOND).map(({ device }) => device)).not.toContain(heard[0]!.device)
  })
  it('says where a picture can be looked at that cannot be next, and what a macro does', () => {
    const session = new Session(demo('harbour-robotics-cup'))
    session.take({ source: 'clips' }, SECOND)
    session.look(4 * SECOND)
    const unseen = session.plan({ source: 'referee' })!.unseen
    expect(unseen).toContain('It cannot be next on Main: Side is on air with another picture.')
    expect(session.plan({ macro: 'none' })).toBeUndefined()
  })
  it.each(Object.entries(FINGERPRINTS))(
    '%s comes to the same, whole and after a passage in the middle',
    (name, print) => {
      const plan = demo(name)
      const text = readFileSync(new URL(`../../../testing/runs/${name}.json`, import.meta.url), 'utf8')
      const read = readKept(text)
      if (!read.ok) throw new Error(read.problem.path)
      const log = read.value
      expect(Session.again(plan, log).summary().fingerprint).toBe(print)
      const cut = Math.floor(log.events.length / 3)
      const first = Session.again(plan, { ...log, events: log.events.slice(0, cut) }).kept()
      const carried = readKept(JSON.stringify(first))
      if (!carried.ok) throw new Error(carried.problem.path)
      const rest = [...carried.value.events, ...log.events.slice(cut)]
      expect(Session.again(plan, { ...carried.value, events: rest }).summary().fingerprint).toBe(print)
    },
  )
})

describe('what is watched', () => {
  it('is the same whether every frame is looked at or quiet time is passed over', () => {
    class Restless extends Rehearsal {
      override quietUntil(): undefined {
        return undefined
      }
    }
    let wrong = 0
    for (let seed = 1; seed <= (SOAK ? 200 : 8); seed++) {
      const { traced, state } = wild(seed)
      const r = random(seed + 500)
      const pick = <T>(list: readonly T[]): T => list[Math.floor(r() * list.length)]!
      const [old, next] = [state(0), state(1)]
      const happenings = Array.from({ length: 10 }, (): Happening => {
        const tick = Math.floor(r() * 40 * SECOND)
        const device = pick(['side', 'main'])
        return pick<Happening>([
          { tick, device, command: { do: 'program', input: pick(['in-1', 'in-2', 'in-3']) } },
          { tick, device, command: { do: 'auto', style: pick(['mix', 'dip', 'wipe']), frames: pick([2, 25, 120]) } },
          { tick, device, command: { do: 'lever', share: pick([0, 0.4, 1]) } },
          { tick, device, command: { do: 'key', keyer: '1', overlay: pick(['o1', undefined]), frames: 50 } },
          { tick, device, command: { do: 'fade', to: r() < 0.5, frames: 40 } },
          { tick, device, port: pick(['in-1', 'in-2']), signal: pick(['lost', 'back']) },
          { tick, device, power: pick(['off', 'on']) },
          { tick, device: 's1', content: pick(['full', 'caption']) },
          { tick, device: 's2', camera: pick(['moves', 'settled'] as const) },
        ])
      })
      const ends = judgedSinks(traced).map(end => ({ end, judged: true }))
      const [quick, whole] = [Rehearsal, Restless].map(kind => {
        const run = new kind(traced, old, seededChances(seed))
        const watch = new Watch(traced, run, ends, 4800)
        let at = 0
        for (const one of happenings.toSorted((a, b) => a.tick - b.tick)) {
          watch.scan(one.tick)
          if (at++ === 3) watch.aim(run.settled(), next)
          run.happen([one])
        }
        watch.scan(50 * SECOND)
        return { history: watch.history, wrong: watch.wrong, arrived: watch.arrived }
      })
      expect(quick, `seed ${seed}`).toEqual(whole)
      wrong += whole!.wrong
    }
    expect(wrong).toBeGreaterThan(300)
  })
})

describe('a graphic that comes from an edge', () => {
  const art = kept(patches(32, 18, CLEAR, [[4, 12, 24, 4, [255, 255, 255, 255]]]))
  const of = (comesFrom?: 'left') =>
    new Session(onBlackPage(art, { clip: 0.1, gain: 1, ...(comesFrom ? { comesFrom } : {}) }))
  const comesAt = (session: Session, tick: number): number | undefined => {
    const picture = session.pictureOf(
      session.stage.sinks.findIndex(({ name }) => name === 'hall'),
      tick,
    )
    const key = picture.of === 'mix' ? picture.layers.find(({ as }) => as === 'key') : undefined
    return key?.picture.of === 'source' ? key.picture.comes?.share : undefined
  }
  const lit = (session: Session): void => session.press('main', { do: 'key', keyer: '1', overlay: 'names' }, 2 * SECOND)

  it('is on its way for half a second after its key came on, and stands then', () => {
    const session = of('left')
    lit(session)
    expect(comesAt(session, SECOND)).toBeUndefined()
    const way = [1, 2, 3, 4, 5].map(n => comesAt(session, 2 * SECOND + (n * SECOND) / 10))
    // A tenth of a second is a fifth of its way; the frame and the chain take less than a tenth before anything is seen.
    for (const [n, share] of way.entries())
      if (share !== undefined) {
        expect(share).toBeLessThanOrEqual((n + 1) / 5 + 0.02)
        expect(share).toBeGreaterThanOrEqual(n / 5 - 0.02)
      }
    expect(way.filter(share => share !== undefined).length).toBeGreaterThanOrEqual(4)
    expect(way.flatMap(share => share ?? [])).toEqual(way.flatMap(share => share ?? []).sort())
    expect(comesAt(session, 3 * SECOND)).toBeUndefined()
  })
  it('stands where it is at once where it does not come from anywhere, and at the start of a run', () => {
    const session = of()
    lit(session)
    expect(comesAt(session, 2 * SECOND + SECOND / 5)).toBeUndefined()
    expect(comesAt(of('left'), 0)).toBeUndefined()
  })
})
