import { describe, expect, it } from 'vitest'
import { mixOf } from '#core/catalog'
import { type Traced, tracedOf } from '#core/chain'
import type { Plan } from '#core/document'
import { base, chain, random, wild } from '../../testing/chains'
import { SOAK } from '../../testing/soak'
import { plan } from '../../testing/plans'
import { pictureAt, unfitIn } from './compose'
import type { Picture } from './tree'
import type { Happening } from './happening'
import { fingerprint, readRun, runOf } from './log'
import { type Command, commanded, machineOf, seenIn } from './machine'
import { Rehearsal, seededChances } from './rehearsal'
import { type ShowState, stateBefore } from './state'
import { happeningsOf, planTake } from './take'
import { wordsOf } from './tell'

const SECOND = 240_000
/** Frame time at 50 frames/s, ticks. */
const FRAME = 4800
const HALL = { device: 'hall', port: 'in' }
/** All clocks begin at 0 and all delays are at their least: what happens when can be counted by hand. */
const STILL = { phase: () => 0, delay: () => 0 }

const hdmi = () => chain('switcher-8-hdmi 1080p50', 'switcher-8-hdmi 1080p50')
const withPlan = (traced: Traced, more: object): Traced => tracedOf({ ...traced.plan, ...more } as Plan)
/** What the hall sees in words, frame by frame: [words, how many frames]. */
function stretches(run: Rehearsal, from: number, to: number, end = HALL): [string, number][] {
  const found: [string, number][] = []
  for (let at = from; at < to; at += FRAME) {
    const words = wordsOf(run.traced, run.seen(end, at))
    const last = found.at(-1)
    if (last?.[0] === words) last[1]++
    else found.push([words, 1])
  }
  return found
}

describe('signal and power that are lost', () => {
  it('leave the last picture for the frames that the model says, then black; the source again after it has locked', () => {
    const traced = hdmi()
    const run = new Rehearsal(traced, base(traced, { program: { side: 'in-1', main: 'in-2' } }), STILL)
    // The plug of c at main is out for 50 frames. Main holds 2 frames, is black until 12 frames after it is back: 60.
    run.happen([
      { tick: SECOND, device: 'main', port: 'in-2', signal: 'lost' },
      { tick: 2 * SECOND, device: 'main', port: 'in-2', signal: 'back' },
    ])
    const [before, held, dark, again] = stretches(run, 0, 4 * SECOND)
    expect([held, dark]).toEqual([
      ['c, standing still without signal', 2],
      ['dark', 60],
    ])
    expect([before![0], again![0]]).toEqual(['c', 'c'])
    expect(unfitIn(run.seen(HALL, SECOND + SECOND / 2))).toBe('lost')
    expect(unfitIn(run.seen(HALL, 4 * SECOND))).toBeUndefined()
  })
  it('freeze or show a colour where the model does', () => {
    for (const [model, words] of [
      ['switcher-12-sdi 1080p50', 'c, standing still without signal'],
      ['switcher-2-field 720p50', 'a plain colour, without signal'],
    ] as const) {
      const traced =
        model === 'switcher-12-sdi 1080p50'
          ? chain('switcher-8-hdmi 1080p50', model)
          : tracedOf(
              plan({
                devices: { c: 'computer 720p50', main: model, hall: 'screen' },
                links: { c: 'c.hdmi-1 > main.in-1 hdmi-passive 2', h: 'main.out-1 > hall.in hdmi-passive 2' },
                wants: { hall: 'program' },
              }),
            )
      const input = model === 'switcher-12-sdi 1080p50' ? 'in-2' : 'in-1'
      const run = new Rehearsal(traced, base(traced, { program: { main: input } }), STILL)
      run.happen([{ tick: SECOND, device: 'main', port: input, signal: 'lost' }])
      expect(wordsOf(traced, run.seen(HALL, 2 * SECOND)), model).toBe(words)
    }
  })
  it.each([
    // Always its first picture that comes, whatever stood when power went.
    ['first', 'in-2', 'in-2', ['b', 'b, standing still without signal', 'dark', 'a']],
    // The state that was kept in it, in which the run began.
    ['kept', 'in-2', 'in-1', ['b', 'a', 'a, standing still without signal', 'dark', 'b']],
    // What stood when power went.
    ['left', 'in-1', 'in-2', ['a', 'b', 'b, standing still without signal', 'dark', 'b']],
  ] as const)('take what lies behind a unit with it, which starts as its model does: %s', (wakes, begins, on, seen) => {
    const plain = hdmi()
    const [id, model] = Object.entries(plain.plan.models).find(([, { mix }]) => mix)!
    const traced = withPlan(plain, {
      models: { ...plain.plan.models, [id]: { ...model, mix: { ...model.mix!, wakes } } },
    })
    const run = new Rehearsal(traced, base(traced, { program: { side: begins, main: 'in-1' } }), STILL)
    run.happen([
      { tick: SECOND / 2, device: 'side', command: { do: 'program', input: on } },
      { tick: SECOND, device: 'side', power: 'off' },
      { tick: 2 * SECOND, device: 'side', power: 'on' },
      { tick: 3 * SECOND, device: 'side', command: { do: 'program', input: 'in-2' } },
    ])
    // 15 s until its pictures pass; the press came too soon.
    expect(run.refused).toEqual([{ index: 3, words: 'it has no power, or still starts' }])
    expect(run.isOff('side', 16 * SECOND)).toBe(true)
    expect(run.isOff('side', 17 * SECOND)).toBe(false)
    const all = stretches(run, 0, 19 * SECOND)
    expect(all.map(([words]) => words)).toEqual(seen)
    expect(all.find(([words]) => words.includes('standing still'))![1]).toBe(2)
  })
  it('is dark at a screen without power at once, and nowhere else', () => {
    const traced = hdmi()
    const run = new Rehearsal(traced, base(traced, { program: { main: 'in-2' } }), STILL)
    run.happen([{ tick: SECOND, device: 'hall', power: 'off' }])
    expect(stretches(run, SECOND - FRAME, SECOND + FRAME)).toEqual([
      ['c', 1],
      ['dark', 1],
    ])
  })
})

describe('the next transition', () => {
  const can = {
    during: 'ignores',
    longest: 250,
    stills: 0,
    stillFrames: 0,
    fadeToBlack: true,
    keyers: [
      { title: 'Key', place: 'before', kinds: ['luma'] },
      { title: 'Over all', place: 'after', kinds: ['luma'] },
    ],
  } as const
  const rest = machineOf({ program: 'a', preview: 'b', keys: {}, faded: false })
  const after = (...commands: [Command, number][]) =>
    commands.reduce((machine, [command, frame]) => commanded(machine, command, frame, can).machine, rest)
  const told = (machine: ReturnType<typeof after>, frame: number) => {
    const { program, incoming, keys, shares } = seenIn(machine, frame)
    return [program, incoming?.share, Object.entries(keys).join(';'), shares?.['1']]
  }
  it('brings keyers that are in it with the background, by the same share', () => {
    const machine = after([{ do: 'auto', style: 'mix', frames: 4, keys: { '1': 'names' } }, 10])
    expect([9, 10, 12, 13].map(frame => told(machine, frame))).toEqual([
      ['a', undefined, '', undefined],
      ['a', 0.25, '1,names', 0.25],
      ['a', 0.75, '1,names', 0.75],
      ['b', undefined, '1,names', undefined],
    ])
    const off = commanded(machine, { do: 'auto', style: 'mix', frames: 4, keys: { '1': 'off' } }, 20, can).machine
    expect([20, 23].map(frame => told(off, frame))).toEqual([
      ['b', 0.25, '1,names', 0.75],
      ['a', undefined, '', undefined],
    ])
  })
  it('leaves the background where it is not in it, and a cut does all of it at once', () => {
    const alone = after([{ do: 'auto', style: 'mix', frames: 2, background: false, keys: { '1': 'names' } }, 10])
    expect([10, 11].map(frame => told(alone, frame))).toEqual([
      ['a', undefined, '1,names', 0.5],
      ['a', undefined, '1,names', undefined],
    ])
    expect(told(after([{ do: 'cut', keys: { '1': 'names' } }, 10]), 10)).toEqual(['b', undefined, '1,names', undefined])
    // A key that stays on lies over both pictures; the mix goes on beneath it.
    const over = after([{ do: 'key', keyer: '1', overlay: 'names' }, 5], [{ do: 'auto', style: 'mix', frames: 2 }, 10])
    expect(told(over, 10)).toEqual(['a', 0.5, '1,names', undefined])
  })
  it('refuses keyers over its result', () =>
    expect(commanded(rest, { do: 'auto', style: 'mix', frames: 4, keys: { '2': 'names' } }, 1, can).refused).toBe(
      'keyer 2 is not in its transition',
    ))
})

describe('macros and hands', () => {
  const traced = withPlan(hdmi(), {
    macros: {
      open: {
        title: 'Open',
        order: 1,
        at: 'main',
        steps: [
          { do: 'preview', input: 'in-1' },
          { do: 'auto', style: 'mix', frames: 25 },
          { do: 'wait', frames: 50 },
          { do: 'fade', to: 'black', frames: 1 },
        ],
      },
    },
  })
  const start = base(traced, { program: { side: 'in-1', main: 'in-2' } })
  it('do their steps in sets, with waits in whole frames of their switcher', () => {
    const run = new Rehearsal(traced, start, STILL)
    run.happen([{ tick: SECOND, device: 'main', macro: 'open' }])
    // From tick 240 000, a boundary: frame 50 is frame 1 of the mix; frame 74 shows a whole; 50 frames on it is black.
    const words = stretches(run, 0, 4 * SECOND).map(([said]) => said)
    expect(words.at(-1)).toBe('black')
    expect(run.stateAt('main', SECOND).incoming?.share).toBe(0.04)
    expect(run.stateAt('main', SECOND + 24 * FRAME)).toMatchObject({ program: 'in-1', faded: false })
    expect(run.stateAt('main', SECOND + 49 * FRAME).faded).toBe(false)
    expect(run.stateAt('main', SECOND + 50 * FRAME).faded).toBe(true)
  })
  it('refuse to be fired again while they run, and go again when they are over', () => {
    const run = new Rehearsal(traced, start, STILL)
    run.happen([0, 0.5, 3].map(at => ({ tick: SECOND + at * SECOND, device: 'main', macro: 'open' })))
    expect(run.refused).toEqual([{ index: 1, words: 'it runs already' }])
  })
  it.each([
    // A wait of 50 frames and then black: fired at 0 and at 30 frames. Refused, the first goes on; restarted, only the
    // second comes to its end; beside, both do.
    [
      'refused',
      [
        [49, false],
        [50, true],
        [79, true],
      ],
      1,
    ],
    [
      'restarts',
      [
        [49, false],
        [50, false],
        [79, false],
        [80, true],
      ],
      0,
    ],
    [
      'beside',
      [
        [49, false],
        [50, true],
        [79, true],
        [80, true],
      ],
      0,
    ],
  ] as const)('fired again while they run: %s, in whatever order it is told', (again, black, refusals) => {
    const models = Object.fromEntries(
      Object.entries(traced.plan.models).map(([id, model]) => [
        id,
        model.role === 'switcher' ? { ...model, mix: { ...mixOf(model)!, again } } : model,
      ]),
    )
    const own = withPlan(traced, {
      models,
      macros: {
        dark: {
          title: 'Dark',
          order: 1,
          at: 'main',
          steps: [
            { do: 'wait', frames: 50 },
            { do: 'fade', to: 'black', frames: 1 },
          ],
        },
      },
    })
    const fire = (frames: number): Happening => ({ tick: SECOND + frames * FRAME, device: 'main', macro: 'dark' })
    for (const told of [
      [fire(0), fire(30)],
      [fire(30), fire(0)],
    ]) {
      const run = new Rehearsal(own, start, STILL)
      run.happen(told)
      for (const [frame, faded] of black)
        expect(run.stateAt('main', SECOND + frame * FRAME).faded, `${again}, frame ${frame}`).toBe(faded)
      expect(run.refused).toHaveLength(refusals)
    }
  })
  it('that are lost on their way change nothing, and are told', () => {
    const run = new Rehearsal(traced, start, STILL)
    const lost: Happening = { tick: SECOND, device: 'main', command: { do: 'program', input: 'in-1' }, lost: true }
    run.happen([lost])
    expect(run.stateAt('main', 2 * SECOND).program).toBe('in-2')
    expect(run.refused).toEqual([{ index: 0, words: 'it was lost on its way' }])
    const kept = (one: object) => readRun(JSON.stringify({ version: 1, plan: 'x', seed: 1, moment: 0, events: [one] }))
    expect(kept(lost)).toMatchObject({ ok: true, value: { events: [lost] } })
    expect(kept({ ...lost, lost: 'yes' })).toMatchObject({ ok: false, problem: { path: '/events/0/lost' } })
  })
  it('mark a second camera that is moved by hand while one still moves; a second stick, or a position, may', () => {
    const cameras = (sticks: number) =>
      tracedOf(
        plan({
          devices: {
            one: 'camera-ptz-hdmi 1080p50',
            two: 'camera-ptz-hdmi 1080p50',
            main: 'switcher-8-hdmi 1080p50',
            ...Object.fromEntries(Array.from({ length: sticks }, (_, n) => [`joy${n}`, 'controller-joystick'])),
          },
        }),
      )
    const camera = (device: string, s: number, moves = true, preset?: string): Happening => ({
      tick: s * SECOND,
      device,
      ...(moves ? { camera: 'moves', ...(preset ? { preset } : {}) } : { camera: 'settled' }),
    })
    const marked = (sticks: number, ...told: Happening[]) => {
      const own = cameras(sticks)
      const run = new Rehearsal(own, stateBefore(own), STILL)
      run.happen(told)
      return run.refused.map(({ index, words, done }) => [index, words, done])
    }
    const both = [camera('one', 1), camera('two', 2)]
    const words = 'one stick moves one camera at a time, and one still moves'
    expect(marked(1, ...both)).toEqual([[1, words, true]])
    expect(marked(0, ...both)).toEqual([[1, words, true]])
    expect(marked(1, ...both.toReversed())).toEqual([[0, words, true]])
    expect(marked(2, ...both)).toEqual([])
    expect(marked(1, camera('one', 1), camera('one', 1.5, false), camera('two', 2))).toEqual([])
    expect(marked(1, camera('one', 1, true, 'desk'), camera('two', 2))).toEqual([])
  })
  it('come as late as their surface, and only where it reaches', () => {
    const run = new Rehearsal(traced, start, STILL)
    const cut: Command = { do: 'program', input: 'in-1' }
    run.happen([
      { tick: SECOND, device: 'main', command: cut, surface: 'tablet' },
      { tick: 2 * SECOND, device: 'main', command: { do: 'output', port: 'out-1', feed: 'clean' }, surface: 'tablet' },
      { tick: 3 * SECOND, device: 'main', command: cut, surface: 'pad' },
    ])
    // 90 ms are 4.5 frames: seen from the fifth.
    expect([4, 5].map(n => run.stateAt('main', SECOND + n * FRAME).program)).toEqual(['in-2', 'in-1'])
    expect(run.refused).toEqual([
      { index: 1, words: 'its tablet does not reach outputs' },
      { index: 2, words: 'it has no pad' },
    ])
  })
  it('mark what one hand cannot do: two presses within 200 ms', () => {
    const run = new Rehearsal(traced, start, STILL)
    const press = (ms: number, device: string, person: string): Happening => ({
      tick: SECOND + ms * 240,
      device,
      person,
      command: { do: 'program', input: 'in-1' },
    })
    run.happen([
      press(0, 'side', 'kim'),
      press(199, 'main', 'kim'),
      press(199, 'side', 'lee'),
      press(400, 'main', 'kim'),
    ])
    expect(run.refused.map(({ index, done }) => [index, done])).toEqual([[1, true]])
    expect(run.stateAt('main', 2 * SECOND).program).toBe('in-1')
  })
})

describe('cameras and clips', () => {
  const traced = withPlan(hdmi(), {
    clips: {
      film: { title: 'Film', order: 1, player: 'c', lengthS: 1, end: 'hold' },
      round: { title: 'Round', order: 2, player: 'c', lengthS: 1, end: 'loop' },
      short: { title: 'Short', order: 3, player: 'c', lengthS: 1, end: 'back' },
    },
  })
  const playing = (clip: string) => {
    const run = new Rehearsal(traced, base(traced, { program: { main: 'in-2' } }), STILL)
    run.happen([{ tick: SECOND, device: 'c', clip }])
    return stretches(run, SECOND, 4 * SECOND)
      .filter(([words]) => words !== 'c')
      .map(([words, frames]) => [words, Math.abs(frames - 50) <= 1 ? 'a second' : frames > 50 ? 'longer' : frames])
  }
  it('play for as long as they last and then do what is said of their end', () => {
    expect(playing('film')).toEqual([
      ['c, Film', 'a second'],
      ['c, Film, past its end', 'longer'],
    ])
    expect(playing('round')).toEqual([['c, Round', 'longer']])
    expect(playing('short')).toEqual([['c, Short', 'a second']])
  })
  it('need the frames of a player before their first picture', () => {
    const models = { ...traced.plan.models, computer: { ...traced.plan.models.computer!, prerollFrames: 10 } }
    const slow = withPlan(traced, { models })
    const run = new Rehearsal(slow, base(slow, { program: { main: 'in-2' } }), STILL)
    run.happen([{ tick: SECOND, device: 'c', clip: 'film' }])
    const [early] = stretches(run, SECOND, 2 * SECOND).filter(([words]) => words.includes('not yet begun'))
    expect(early![1]).toBe(10)
  })
  it('are no picture for a take while they move', () => {
    const run = new Rehearsal(traced, base(traced, { program: { main: 'in-2' } }), STILL)
    run.happen([
      { tick: SECOND, device: 'c', camera: 'moves', preset: 'door' },
      { tick: 2 * SECOND, device: 'c', camera: 'settled' },
    ])
    expect([0.9, 1.5, 2.5].map(at => unfitIn(run.seen(HALL, at * SECOND)))).toEqual([undefined, 'moving', undefined])
    expect(run.settled().presets).toEqual({ c: 'door' })
  })
  it('go to their place before they are seen, and after they were', () => {
    const order = (old: object, next: object) => {
      const { kind, steps } = planTake(traced, base(traced, old), base(traced, next))
      return [kind, ...steps.map(({ device, happenings }) => `${device} ${Object.keys(happenings[0]!)[1]}`)]
    }
    const to = (preset: string, main: string) => ({ program: { side: 'in-1', main }, presets: { c: preset } })
    expect(order(to('wide', 'in-1'), to('door', 'in-2'))).toEqual(['clean', 'c camera', 'main command'])
    expect(order(to('wide', 'in-2'), to('door', 'in-1'))).toEqual(['clean', 'main command', 'c camera'])
    // On air before and after: everybody would see it go, so another picture stands meanwhile.
    expect(order(to('wide', 'in-2'), to('door', 'in-2'))[0]).toBe('detour')
  })
  it('turn a page behind a key in the order that nobody sees', () => {
    const slides = withPlan(hdmi(), {
      overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'a' } },
    })
    // The full slide of a is off air; it becomes a caption before its key is lit at main, where a comes by the feeder.
    const old = base(slides, { program: { side: 'in-1', main: 'in-2' }, contents: { a: 'full' } })
    const next = base(slides, {
      program: { side: 'in-1', main: 'in-2' },
      contents: { a: 'caption' },
      keys: { main: { '1': 'names' } },
    })
    const there = planTake(slides, old, next)
    expect([there.kind, ...there.steps.map(({ device }) => device)]).toEqual(['clean', 'a', 'main'])
    const back = planTake(slides, next, old)
    expect([back.kind, ...back.steps.map(({ device }) => device)]).toEqual(['clean', 'main', 'a'])
  })
})

/** Random happenings of all kinds in a chain, with ticks in no order. */
function happenings(traced: Traced, seed: number, count: number): Happening[] {
  const r = random(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(r() * list.length)]!
  const mixers = Object.keys(stateBefore(traced).mixers)
  const devices = Object.keys(traced.plan.devices)
  return Array.from({ length: count }, (): Happening => {
    const tick = Math.floor(r() * 20 * SECOND)
    const device = pick(mixers)
    const input = `in-${1 + Math.floor(r() * 3)}`
    const kind = r()
    if (kind < 0.6)
      return {
        tick,
        device,
        command: pick<Command>([
          { do: 'program', input },
          { do: 'preview', input },
          { do: 'cut' },
          { do: 'auto', style: 'mix', frames: 1 + Math.floor(r() * 60) },
          { do: 'auto', style: 'wipe', frames: 1 + Math.floor(r() * 60), soft: r() < 0.5 ? 0 : r() },
          { do: 'key', keyer: '1', overlay: r() < 0.5 ? 'o1' : undefined, frames: 1 + Math.floor(r() * 9) },
          { do: 'lever', share: r() },
          { do: 'fade', to: r() < 0.5, frames: 1 + Math.floor(r() * 20) },
        ]),
      }
    if (kind < 0.75) return { tick, device, port: input, signal: r() < 0.5 ? 'lost' : 'back' }
    if (kind < 0.85) return { tick, device: pick(devices), power: r() < 0.4 ? 'off' : 'on' }
    return { tick, device: 's1', content: pick(['full', 'caption', 'blank'] as const) }
  })
}

describe('a run', () => {
  const ends = [HALL, { device: 'rec', port: 'in' }]
  const told = (run: Rehearsal) =>
    JSON.stringify([5, 11, 17, 19.5].map(at => fingerprint(run, ends, Math.floor(at * SECOND))))

  it('is the same in whatever pieces, and after a passage through JSON at any event', () => {
    for (let seed = 1; seed <= (SOAK ? 400 : 40); seed++) {
      const { traced } = wild(seed)
      const start = stateBefore(traced)
      const all = happenings(traced, seed, 30).sort((a, b) => a.tick - b.tick)
      const whole = new Rehearsal(traced, start, seededChances(seed))
      whole.happen(all)
      const cut = seed % all.length
      const log = { version: 1 as const, plan: '', seed, moment: 0, events: all.slice(0, cut) }
      const read = readRun(JSON.stringify(log))
      if (!read.ok) throw new Error(read.problem.path)
      const pieces = runOf(traced, read.value)
      pieces.happen(JSON.parse(JSON.stringify(all.slice(cut))) as Happening[])
      expect(told(pieces), `seed ${seed}`).toBe(told(whole))
    }
  })
  it('does not hang on the order in which it is told what happened when', () => {
    for (let seed = 1; seed <= (SOAK ? 400 : 40); seed++) {
      const { traced } = wild(seed)
      // Without power, whose answer to a press hangs on what is known of it by then.
      const all = happenings(traced, seed, 30).filter(one => !('power' in one))
      const [mixed, sorted] = [all, [...all].sort((a, b) => a.tick - b.tick)].map(list => {
        const run = new Rehearsal(traced, stateBefore(traced), seededChances(seed))
        run.happen(list)
        return told(run)
      })
      expect(mixed, `seed ${seed}`).toBe(sorted)
    }
  })
  it('is refused where it is none, with the place', () => {
    const event = { tick: 1, device: 'main', command: { do: 'cut' } }
    const log = { version: 1, plan: 'x', seed: 1, moment: 0, events: [event] }
    const bad = (more: object) => {
      const read = readRun(JSON.stringify({ ...log, ...more }))
      return read.ok ? 'taken' : read.problem.path
    }
    expect(bad({})).toBe('taken')
    expect(bad({ version: 2 })).toBe('/version')
    expect(bad({ seed: -1 })).toBe('/seed')
    expect(bad({ events: {} })).toBe('/events')
    expect(bad({ events: [event, { ...event, tick: 0.5 }] })).toBe('/events/1/tick')
    expect(bad({ events: [{ ...event, command: { do: 'explode' } }] })).toBe('/events/0/command')
    expect(bad({ events: [{ ...event, command: { do: 'auto', style: 'mix', frames: 1e9 } }] })).toBe(
      '/events/0/command',
    )
    const wipe = { do: 'auto', style: 'wipe', frames: 9 }
    expect(bad({ events: [{ ...event, command: { ...wipe, soft: 0.25 } }] })).toBe('taken')
    expect(bad({ events: [{ ...event, command: { ...wipe, soft: 2 } }] })).toBe('/events/0/command')
    expect(bad({ events: [{ tick: 1, device: 'main' }] })).toBe('/events/0')
    expect(bad({ events: [{ ...event, surface: 'dream' }] })).toBe('/events/0/surface')
    expect(bad({ events: [{ tick: 1, device: 'main', signal: 'lost' }] })).toBe('/events/0/signal')
    const nested = Array.from({ length: 9 }).reduce<object>(one => ({ do: 'all', commands: [one] }), { do: 'cut' })
    expect(bad({ events: [{ ...event, command: nested }] })).toBe('/events/0/command')
    expect(readRun('{').ok).toBe(false)
    expect(readRun('null').ok).toBe(false)
  })
})

/** A colour of a source, or a matte of an overlay, as a number of 0.2 .. 0.8 that its name gives. */
const flat = (name: string): number =>
  0.2 + (0.6 * ([...name].reduce((h, c) => (h * 31 + c.charCodeAt(0)) % 997, 7) % 97)) / 96
/** Points of the picture at which it is looked: in boxes and beside them, and just within what a wipe leaves last. */
const ACROSS = Array.from({ length: 16 }, (_, i) => (i + 0.53) / 16)
const EDGES = [0.0005, 0.3005, 0.8995, 0.9995]
const POINTS = [...ACROSS, ...EDGES].flatMap(x => ACROSS.map(y => [x, y] as const))

/** The plain path, unrounded: flat colours, straight fills, flat mattes. */
function pixel(picture: Picture, [x, y]: readonly [number, number], colour: (device: string) => number): number {
  if (picture.of === 'source') return colour(picture.device)
  if (picture.of === 'held') return pixel(picture.picture, [x, y], colour)
  if (picture.of !== 'mix') return 0
  return picture.layers.reduce((back, layer) => {
    const { share = 1, wipe, soft = 0, box } = layer
    // A key without a picture leaves what is beneath it, as it is drawn.
    if (layer.as === 'key' && layer.picture.of === 'none') return back
    // What stands in a box is all of it, reduced; what is cut out of a picture stays where it was in that.
    const at = layer.kind === 'box' && box ? ([(x - box.x) / box.w, (y - box.y) / box.h] as const) : ([x, y] as const)
    const front = pixel(layer.picture, at, colour)
    if (layer.as === 'key' && box && !(x >= box.x && x < box.x + box.w && y >= box.y && y < box.y + box.h)) return back
    const matte = layer.as !== 'key' || layer.kind === 'box' ? 1 : flat(`matte ${layer.overlay}`)
    const swept = soft ? Math.min(1, Math.max(0, (share * (1 + soft) - x) / soft)) : Number(x < share)
    const weight = wipe ? swept : share * matte
    return back * (1 - weight) + front * weight
  }, 0)
}

describe('tally', () => {
  it('is lit exactly for the sources of which a change of colour is seen in that frame', async () => {
    const { tallyOf } = await import('./stage')
    let lit = 0
    let dark = 0
    for (let seed = 1; seed <= (SOAK ? 2000 : 70); seed++) {
      const { traced: plain } = wild(seed, seed % 2 === 0)
      // No box covers everything.
      const overlays = Object.fromEntries(
        Object.entries(plain.plan.overlays).map(([id, overlay]) => [
          id,
          { ...overlay, ...(overlay.kind === 'box' ? { box: { x: 0.3, y: 0.3, w: 0.6, h: 0.6 } } : {}) },
        ]),
      )
      const traced = withPlan(plain, { overlays })
      const run = new Rehearsal(traced, stateBefore(traced), seededChances(seed))
      run.happen(happenings(traced, seed, 40).filter(one => !('power' in one)))
      const sources = Object.keys(traced.plan.devices).filter(id => /^s\d/.test(id))
      const r = random(seed + 1)
      for (let look = 0; look < (SOAK ? 50 : 12); look++) {
        const picture = run.seen(HALL, Math.floor(r() * 20 * SECOND))
        const { onAir } = tallyOf([picture])
        for (const source of sources) {
          const seen = POINTS.some(point => {
            const [one, other] = [0, 0.11].map(more =>
              pixel(picture, point, device => flat(device) + (device === source ? more : 0)),
            )
            return one !== other
          })
          expect(onAir.has(source), `seed ${seed}, look ${look}, ${source}: ${wordsOf(traced, picture)}`).toBe(seen)
          if (seen) lit++
          else dark++
        }
      }
    }
    expect(Math.min(lit, dark)).toBeGreaterThan(400)
  }, 600_000)
})

describe('no way is shorter', () => {
  /** Every settled state of the switchers, by what can be pressed in one of them at once; knows nothing of the planner. */
  function fewest(traced: Traced, old: ShowState, next: ShowState, most: number): number | undefined {
    const overlays = Object.keys(traced.plan.overlays)
    const keyed = Object.keys(old.mixers).flatMap(id =>
      ['1', '2'].filter(k => [old, next].some(one => one.mixers[id]!.keys[k])).map(k => [id, k] as const),
    )
    const tree = (state: ShowState) =>
      ['hall', 'rec'].map(device => JSON.stringify(pictureAt(traced, state, { device, port: 'in' })))
    const [from, to] = [tree(old), tree(next)]
    const name = (state: ShowState) =>
      JSON.stringify(Object.entries(state.mixers).map(([id, { program, keys }]) => [id, program, keys['1'], keys['2']]))
    const levels: Map<string, ShowState>[] = [new Map([[name(old), old]])]
    const seen = new Set([name(old)])
    for (let presses = 0; presses <= most; presses++) {
      const here = levels[presses]
      for (const [key, state] of here ?? []) {
        if (key === name(next)) return presses
        const was = tree(state)
        for (const id of Object.keys(state.mixers)) {
          const mix = state.mixers[id]!
          let options: { mix: typeof mix; cost: number }[] = ['in-1', 'in-2', 'in-3'].map(program => ({
            mix: { ...mix, program },
            cost: Number(program !== mix.program),
          }))
          for (const [device, keyer] of keyed)
            if (device === id)
              options = options.flatMap(one =>
                [undefined, ...overlays].map(overlay => {
                  const { [keyer]: _, ...keys } = one.mix.keys
                  return {
                    mix: { ...one.mix, keys: overlay === undefined ? keys : { ...keys, [keyer]: overlay } },
                    cost: one.cost + Number(overlay !== mix.keys[keyer]),
                  }
                }),
              )
          for (const { mix: other, cost } of options) {
            const then: ShowState = { ...state, mixers: { ...state.mixers, [id]: other } }
            const named = name(then)
            if (cost === 0 || presses + cost > most) continue
            const now = tree(then)
            if (!now.every((one, i) => one === was[i] || (was[i] === from[i] && one === to[i]))) continue
            // A level may hold what is reached sooner later: the first that is looked at is the cheapest.
            if (seen.has(named) && !levels[presses + cost]?.has(named) && presses + cost >= presses) {
              const sooner = levels.findIndex(level => level?.has(named))
              if (sooner >= 0 && sooner <= presses + cost) continue
            }
            seen.add(named)
            const level = (levels[presses + cost] ??= new Map())
            level.set(named, then)
          }
        }
      }
    }
    return undefined
  }

  it('than the planned one, and where it says there is none, no order of up to six presses is clean', () => {
    const kinds = { clean: 0, detour: 0, nothing: 0 }
    for (let seed = 1; seed <= (SOAK ? 600 : 25); seed++) {
      const { traced, state } = wild(seed)
      const [old, next] = [state(0), state(1)]
      const take = planTake(traced, old, next)
      kinds[take.kind]++
      const least = fewest(traced, old, next, 6)
      if (take.kind === 'detour') {
        expect(take.why!.tried, `seed ${seed}`).toBe('all')
        expect(least, `seed ${seed}`).toBeUndefined()
      } else if (take.presses <= 6) expect(take.presses, `seed ${seed}`).toBe(least)
    }
    expect(kinds.clean).toBeGreaterThan(10)
  }, 1_200_000)

  it('and a second lead turns what cannot be done straight into a plan', () => {
    const traced = withPlan(hdmi(), {
      overlays: { marks: { title: 'Marks', order: 1, kind: 'luma', fill: 'a' } },
    })
    const take = (on: Traced) => {
      const old = base(on, { program: { side: 'in-2', main: 'in-1' } })
      const next = base(on, { program: { side: 'in-1', main: 'in-2' }, keys: { main: { '1': 'marks' } } })
      return planTake(on, old, next)
    }
    expect(take(traced)).toMatchObject({ kind: 'detour', why: { tried: 'all', together: ['main', 'side'] } })
    const second = {
      from: { device: 'a', port: 'hdmi-2' },
      to: { device: 'main', port: 'in-3' },
      cable: 'hdmi-passive',
      routeM: 2,
    }
    expect(take(withPlan(traced, { links: { ...traced.plan.links, second } })).kind).toBe('clean')
  })
})

describe('a planned take with moves and pages', () => {
  it('ends where it was to, and nothing unfit is seen on the way', () => {
    const traced = hdmi()
    const old = base(traced, { program: { side: 'in-1', main: 'in-1' }, presets: { c: 'wide' } })
    const next = base(traced, { program: { main: 'in-2' }, presets: { c: 'door' } })
    for (let seed = 0; seed < 8; seed++) {
      const run = new Rehearsal(traced, old, seededChances(seed))
      run.happen(happeningsOf(planTake(traced, old, next), run, SECOND))
      const pictures = Array.from({ length: 400 }, (_, i) => run.seen(HALL, i * FRAME))
      expect(pictures.filter(unfitIn)).toEqual([])
      expect(pictures.at(-1)).toEqual(pictureAt(traced, next, HALL))
    }
  })
})

describe('stills', () => {
  // 20 stores and 12 frames to load one; 21 overlays of its own, so the last stands in no store.
  const traced = withPlan(hdmi(), {
    overlays: Object.fromEntries(
      Array.from({ length: 21 }, (_, i) => i + 1).map(n => [
        `s${n}`,
        { title: `Still ${n}`, order: n, kind: 'luma', fill: 'main' },
      ]),
    ),
  })
  const start = base(traced, { program: { side: 'in-1', main: 'in-2' }, keys: { main: { '1': 's1' } } })
  const keyed = (overlay: string) =>
    base(traced, { program: { side: 'in-1', main: 'in-2' }, keys: { main: { '1': overlay } } })
  const load = (at: number, store: string, overlay: string): Happening => ({
    tick: SECOND + at * FRAME,
    device: 'main',
    command: { do: 'load', store, overlay },
  })
  const key = (at: number, overlay: string): Happening => ({
    tick: SECOND + at * FRAME,
    device: 'main',
    command: { do: 'key', keyer: '1', overlay },
  })
  it('are seen whole once they are loaded, and not before', () => {
    const run = new Rehearsal(traced, start, STILL)
    run.happen([load(0, '2', 's21'), key(10, 's21')])
    // It loads in frames 0 to 11; keyed from frame 10: 2 frames of it are wrong.
    expect(stretches(run, 0, 2 * SECOND).map(([words]) => words)).toEqual(['c with Still 1', 'c with Still 21'])
    const unfit = Array.from({ length: 50 }, (_, n) => unfitIn(run.seen(HALL, SECOND + n * FRAME)))
    expect(unfit.filter(one => one === 'loading')).toHaveLength(2)
    expect(unfit.at(-1)).toBeUndefined()
    expect(run.isSettledAt(SECOND + 11 * FRAME)).toBe(false)
    expect(run.isSettledAt(SECOND + 12 * FRAME)).toBe(true)
  })
  it('that are loaded over one that is on air, or that stand in no store, are wrong pictures', () => {
    const over = new Rehearsal(traced, start, STILL)
    over.happen([load(0, '1', 's21')])
    expect(unfitIn(over.seen(HALL, 2 * SECOND))).toBe('empty')
    expect(wordsOf(traced, pictureAt(traced, keyed('s21'), HALL))).toContain('Still 21')
    expect(unfitIn(pictureAt(traced, keyed('s21'), HALL))).toBe('empty')
    expect(unfitIn(pictureAt(traced, keyed('s4'), HALL))).toBeUndefined()
  })
  it('are refused where the model has no such store', () => {
    const run = new Rehearsal(traced, start, STILL)
    run.happen([load(0, '21', 's21'), { ...load(0, '1', 's21'), device: 'nowhere' }])
    expect(run.refused).toEqual([{ index: 0, words: 'it has 20 stores' }])
  })
  it('are loaded first by a planned take, into a store that nobody sees, and nobody sees a wrong frame', () => {
    const take = planTake(traced, start, keyed('s21'))
    expect(take.kind).toBe('clean')
    const [first] = take.steps[0]!.happenings
    expect(first).toMatchObject({
      command: { do: 'load', overlay: 's21', store: expect.stringMatching(/^([2-9]|1\d|20)$/) },
    })
    for (let seed = 0; seed < 16; seed++) {
      const run = new Rehearsal(traced, start, seededChances(seed))
      const happenings = happeningsOf(take, run, SECOND)
      run.happen(happenings)
      for (let at = 0; at < 4 * SECOND; at += FRAME) expect(unfitIn(run.seen(HALL, at))).toBeUndefined()
      expect(wordsOf(traced, run.seen(HALL, 4 * SECOND))).toBe('c with Still 21')
    }
  })
})
