import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import type { Plan } from '#core/document'
import { RATE_TEXTS } from '#core/signal'
import { SOAK } from '../../testing/soak'
import { plan } from '../../testing/plans'
import { base, chain, wild } from '../../testing/chains'
import { frameTicks, seenFrom } from './clock'
import { pictureAt } from './compose'
import { type Command, type Machine, commanded, machineOf, seenIn } from './machine'
import { Judge } from './judge'
import type { Happening } from './happening'
import { Rehearsal, seededChances } from './rehearsal'
import { type ShowState, stateBefore, taken } from './state'
import { jumpsOf, pressedOf } from './jumps'
import { routeTo } from './stage'
import { happeningsOf, judgedSinks, planTake } from './take'

describe('the clock', () => {
  it('has a whole number of ticks for every frame of the standards', () => {
    // 240 000 ticks a second: 240 000 * 1001 / 60 000 = 4004, 240 000 / 50 = 4800 ...
    const table = {
      '24000/1001': 10010,
      '24/1': 10000,
      '25/1': 9600,
      '30000/1001': 8008,
      '30/1': 8000,
      '50/1': 4800,
      '60000/1001': 4004,
      '60/1': 4000,
    }
    for (const [rate, ticks] of Object.entries(table)) expect(frameTicks(rate as never)).toBe(ticks)
    for (const rate of RATE_TEXTS) expect(Number.isInteger(frameTicks(rate))).toBe(true)
  })
  it('sees a command in the frame after that in which it comes; at a boundary, in that', () => {
    const clock = { frame: 4800, phase: 100 }
    expect([0, 100, 101, 4900, 4901].map(tick => seenFrom(clock, tick))).toEqual([0, 0, 1, 1, 2])
  })
})

describe('a switcher frame by frame', () => {
  const mix = { during: 'ignores', longest: 250, fadeToBlack: true, keyers: [], stills: 0, stillFrames: 0 } as const
  const rest = machineOf({ program: 'a', preview: 'b', keys: {}, faded: false })
  const after = (...commands: [Command, number][]): Machine =>
    commands.reduce((machine, [command, frame]) => commanded(machine, command, frame, mix).machine, rest)
  const told = (machine: Machine, frame: number) => {
    const { program, incoming } = seenIn(machine, frame)
    return incoming ? `${program} to ${incoming.input} ${incoming.share}` : program
  }
  it('shows n/N of the new picture in frame n of a mix, and with frame N they have changed places', () => {
    const machine = after([{ do: 'auto', style: 'mix', frames: 4 }, 10])
    expect([9, 10, 11, 12, 13, 14].map(frame => told(machine, frame))).toEqual([
      'a',
      'a to b 0.25',
      'a to b 0.5',
      'a to b 0.75',
      'b',
      'b',
    ])
    expect(seenIn(machine, 13)).toMatchObject({ program: 'b', preview: 'a' })
  })
  it('is a cut where a mix has one frame', () =>
    expect(told(after([{ do: 'auto', style: 'mix', frames: 1 }, 10]), 10)).toBe('b'))
  it.each([
    // Shares of the old picture's half, the dip picture alone in frame ceil(N/2), then those of the new one's half.
    [2, ['dip 0', 'b']],
    [3, ['a 0.5', 'dip 0', 'b']],
    [4, ['a 0.5', 'dip 0', 'dip 0.5', 'b']],
    [5, ['a 0.333', 'a 0.667', 'dip 0', 'dip 0.5', 'b']],
    [7, ['a 0.25', 'a 0.5', 'a 0.75', 'dip 0', 'dip 0.333', 'dip 0.667', 'b']],
  ] as const)('dips over %i frames by the dip picture alone, and nobody sees it go back', (frames, expected) => {
    const traced = chain()
    const old = base(traced, { program: { main: 'in-1' }, preview: { main: 'in-2' } })
    const next = base(traced, { program: { main: 'in-2' }, preview: { main: 'in-1' } })
    const rehearsal = new Rehearsal(traced, old, { phase: () => 0, delay: () => 0 })
    rehearsal.happen([{ tick: 48_000, device: 'main', command: { do: 'auto', style: 'dip', frames } }])
    const judge = new Judge(pictureAt(traced, old, END), pictureAt(traced, next, END))
    const told: string[] = []
    for (let at = 0; at < 240_000; at += 4800) {
      const picture = rehearsal.seen(END, at)
      expect(judge.frame(picture)).toBeUndefined()
      if (picture.of !== 'mix') throw new Error('a mix is seen')
      const [under, over] = picture.layers
      const name = under!.port === 'black' ? 'dip' : under!.port === 'in-1' ? 'a' : 'b'
      const word = over ? `${name} ${Number(over.share!.toFixed(3))}` : name
      if (word !== 'a' && told.at(-1) !== word) told.push(word)
    }
    expect(told).toEqual(expected)
    expect(judge.arrived).toBe(true)
  })
  it('keeps its source on preview after a take where the model does, and else swaps', () => {
    const taken = (command: Command, keepsPreview?: true) => {
      const { machine } = commanded(rest, command, 10, { ...mix, ...(keepsPreview ? { keepsPreview } : {}) })
      const { program, preview } = seenIn(machine, 99)
      return `${program} ${preview}`
    }
    for (const command of [
      { do: 'cut' },
      { do: 'auto', style: 'mix', frames: 1 },
      { do: 'auto', style: 'wipe', frames: 9 },
      { do: 'lever', share: 1 },
    ] as const) {
      expect(taken(command)).toBe('b a')
      expect(taken(command, true)).toBe('b b')
    }
  })
  it('keeps the edge of a wipe while it runs, and of nothing else', () => {
    const going = (style: 'mix' | 'wipe') => {
      const { machine } = commanded(rest, { do: 'auto', style, frames: 4, soft: 0.25 }, 10, mix)
      return seenIn(machine, 11).incoming
    }
    expect(going('wipe')).toMatchObject({ style: 'wipe', soft: 0.25 })
    expect(going('mix')).not.toHaveProperty('soft')
  })
  it('ends a mix with a cut; a second take is ignored, finishes or turns back, by the model', () => {
    const begun: [Command, number] = [{ do: 'auto', style: 'mix', frames: 8 }, 10]
    expect(told(after(begun, [{ do: 'cut' }, 12]), 12)).toBe('b')
    const second = (during: 'ignores' | 'finishes' | 'reverses') =>
      commanded(after(begun), { do: 'auto', style: 'mix', frames: 8 }, 14, { ...mix, during })
    expect(second('ignores').refused).toBe('a transition runs')
    expect(told(second('ignores').machine, 14)).toBe('a to b 0.625')
    expect(told(second('finishes').machine, 14)).toBe('b')
    // Frame 13 showed 4/8; turned back, frame 14 shows 3/8, and after frame 17 nothing has changed.
    const back = second('reverses').machine
    expect([14, 15, 16, 17].map(frame => told(back, frame))).toEqual([
      'a to b 0.375',
      'a to b 0.25',
      'a to b 0.125',
      'a',
    ])
    expect(seenIn(back, 20)).toMatchObject({ program: 'a', preview: 'b' })
  })
  it('follows a lever to and fro; back at 0 nothing has changed', () => {
    const half = after([{ do: 'lever', share: 0.5 }, 3])
    expect([told(half, 3), told(half, 99)]).toEqual(['a to b 0.5', 'a to b 0.5'])
    expect(told(after([{ do: 'lever', share: 0.5 }, 3], [{ do: 'lever', share: 0 }, 5]), 5)).toBe('a')
    expect(told(after([{ do: 'lever', share: 0.5 }, 3], [{ do: 'lever', share: 1 }, 5]), 5)).toBe('b')
  })
  it('changes the incoming half on a press on preview, and the outgoing one on program', () => {
    const begun: [Command, number] = [{ do: 'auto', style: 'mix', frames: 8 }, 10]
    expect(told(after(begun, [{ do: 'preview', input: 'c' }, 12]), 12)).toBe('a to c 0.375')
    expect(told(after(begun, [{ do: 'program', input: 'c' }, 12]), 12)).toBe('c to b 0.375')
  })
  it('fades keys and black over their own frames, and refuses what the model has not', () => {
    const keyed = after([{ do: 'key', keyer: '1', overlay: 'names', frames: 4 }, 10])
    expect([10, 11, 12, 13].map(frame => seenIn(keyed, frame).shares?.['1'])).toEqual([0.25, 0.5, 0.75, undefined])
    expect(seenIn(keyed, 13).keys).toEqual({ '1': 'names' })
    const off = commanded(keyed, { do: 'key', keyer: '1', overlay: undefined, frames: 2 }, 20, mix).machine
    expect([seenIn(off, 20).shares?.['1'], seenIn(off, 21).keys]).toEqual([0.5, {}])
    const faded = after([{ do: 'fade', to: true, frames: 4 }, 10])
    expect([10, 12, 13].map(frame => seenIn(faded, frame).black)).toEqual([0.25, 0.75, 1])
    expect(commanded(rest, { do: 'fade', to: true, frames: 4 }, 1, { ...mix, fadeToBlack: false }).refused).toContain(
      'does not fade',
    )
  })
})

const END = { device: 'hall', port: 'in' }
/** How many frames of each sink a judge finds wrong, and whether the new picture has come, over the frames of a rate. */
const watch = (
  rehearsal: Rehearsal,
  sinks: readonly { device: string; port: string }[],
  [old, next]: readonly [ShowState, ShowState],
  ticks: number,
  step = 4800,
) =>
  sinks.map(end => {
    const judge = new Judge(pictureAt(rehearsal.traced, old, end), pictureAt(rehearsal.traced, next, end))
    let wrong = 0
    for (let at = 0; at < ticks; at += step) if (judge.frame(rehearsal.seen(end, at))) wrong++
    return { wrong, arrived: judge.arrived }
  })

describe('both pressed at once', () => {
  // The feeder's old picture is seen for n = max(0, ceil(D + g + u)) frames of the last switcher: D what lies between the
  // feeder's boundary and the last's input, g by how much the last was pressed earlier, u the wait for the feeder's boundary
  // less that for the last's, all in frames of the last.
  it.each([
    // A feeder that takes 1 to 2 frames of its own, into inputs without a frame store (a converter of up to 0.1 ms).
    ['1080p50', 'switcher-12-sdi 1080p50', 4800, 4800, [1, 2], [0, 0]],
    // Twice as slow as the last: 1 to 2 frames are 2 to 4 of those; the input adds 1 to 2 of its own.
    ['1080p25', 'switcher-8-hdmi 1080p50', 9600, 4800, [2, 4], [1, 2]],
    ['1080p50', 'switcher-8-hdmi 1080p59.94', 4800, 4004, [1.1988, 2.3976], [1, 2]],
  ] as const)(
    'from %s into %s shows the feeder’s old picture for as many frames as follows from delays, phases and gap',
    (rate, last, feeds, lasts, [least, most], [added, addedMost]) => {
      const traced = chain(`switcher-8-hdmi ${rate}`, last)
      const old = base(traced, { program: { side: 'in-1', main: 'in-2' } })
      const next = base(traced, { program: { side: 'in-2', main: 'in-1' } })
      const wired = last.startsWith('switcher-12') ? [0, 0.1] : [0, 0]
      const counts = new Map<string, number>()
      for (const delay of [0, 0.5, 0.999])
        for (let n = 0; n < 64; n++)
          for (const gap of [-1.5, 0, 0.4]) {
            // Not on a boundary: what comes within a tick of one is a matter of rounding.
            const phase = { side: (n % 8) / 8 + 0.0131, main: Math.floor(n / 8) / 8 + 0.0271 }
            const rehearsal = new Rehearsal(traced, old, {
              phase: device => phase[device as 'side'],
              delay: () => delay,
            })
            const tick = 480_480
            const first = tick + Math.round(gap * lasts)
            rehearsal.happen([
              { tick: first, device: 'side', command: { do: 'program', input: 'in-2' } },
              { tick, device: 'main', command: { do: 'program', input: 'in-1' } },
            ])
            const { wrong } = watch(rehearsal, [END], [old, next], 960_960, lasts)[0]!
            const wait = (at: number, frame: number, share: number) =>
              ((((Math.floor(share * frame) - at) % frame) + frame) % frame) / lasts
            const u = wait(first, feeds, phase.side) - wait(tick, lasts, phase.main)
            // Whole frames of the feeder; the input and the wire anything between.
            const frames = delay < 0.5 ? least : most
            const between = ((wired[0]! + delay * (wired[1]! - wired[0]!)) * 240) / lasts
            const D = frames + added + delay * (addedMost - added) + between
            const expected = Math.max(0, Math.ceil(D + Math.round(gap * lasts) / lasts + u - 1e-3))
            expect(wrong, `delay ${delay}, phases ${n}, gap ${gap}`).toBe(expected)
            counts.set(`${gap}`, Math.max(counts.get(`${gap}`) ?? 0, expected))
          }
      expect(new Set(counts.values()).size).toBeGreaterThan(1)
    },
  )
})

const wildChain = (seed: number) => wild(seed).traced

describe('a planned take', () => {
  it('sets the feeder first when it enters, and cuts the last first when it leaves', () => {
    const traced = chain()
    const on = base(traced, { program: { side: 'in-2', main: 'in-1' } })
    const off = base(traced, { program: { side: 'in-1', main: 'in-2' } })
    const order = (from: ShowState, to: ShowState) => {
      const { kind, steps } = planTake(traced, from, to)
      return [kind, ...steps.map(({ device }) => device)]
    }
    expect(order(off, on)).toEqual(['clean', 'side', 'main'])
    expect(order(on, off)).toEqual(['clean', 'main', 'side'])
    // Feeder source to feeder source while it is on air: its take alone.
    expect(order(on, base(traced, { program: { side: 'in-1', main: 'in-1' } }))).toEqual(['clean', 'side'])
    expect(planTake(traced, on, on)).toMatchObject({ kind: 'nothing', presses: 0 })
  })
  it('goes by a picture between where an overlay over the link must change with the picture under it', () => {
    const plans = chain('switcher-8-hdmi 1080p50', 'switcher-8-hdmi 1080p50').plan
    const overlays: Plan['overlays'] = { marks: { title: 'Marks', order: 1, kind: 'luma', fill: 'a' } }
    const traced = tracedOf({ ...plans, overlays })
    // From b on air by the link, to c on air with a, by the same link, keyed over it.
    const old = base(traced, { program: { side: 'in-2', main: 'in-1' } })
    const next = base(traced, { program: { side: 'in-1', main: 'in-2' }, keys: { main: { '1': 'marks' } } })
    expect(planTake(traced, old, next)).toMatchObject({ kind: 'detour' })
  })

  it('shows nobody a wrong frame, whatever the phases and delays; a monitor that knows no plans watches', () => {
    const kinds: Record<string, number> = {}
    for (let seed = 1; seed <= (SOAK ? 2000 : 120); seed++) {
      const { traced, state } = wild(seed, seed % 2 === 0)
      const [old, next] = [state(0), state(1)]
      const take = planTake(traced, old, next)
      kinds[take.kind] = (kinds[take.kind] ?? 0) + 1
      const sinks = judgedSinks(traced)
      // A press that is lost ends it: what was done until then has shown nobody a wrong frame, and shows none.
      for (let steps = 1; take.kind === 'clean' && steps < take.steps.length; steps++) {
        const rehearsal = new Rehearsal(traced, old, seededChances(seed))
        rehearsal.happen(happeningsOf({ ...take, steps: take.steps.slice(0, steps) }, rehearsal, 48_000))
        for (const { wrong } of watch(rehearsal, sinks, [old, next], 240_000)) expect(wrong, `seed ${seed}`).toBe(0)
      }
      for (let phase = 0; phase < (SOAK ? 32 : 4); phase++) {
        const rehearsal = new Rehearsal(traced, old, seededChances(seed * 100 + phase))
        const happenings = happeningsOf(take, rehearsal, 48_000)
        rehearsal.happen(happenings)
        const end = (happenings.at(-1)?.tick ?? 48_000) + 96_000
        for (const { wrong, arrived } of watch(rehearsal, sinks, [old, next], end)) {
          // It ends where it was to.
          expect(arrived, `seed ${seed}`).toBe(true)
          if (take.kind !== 'detour') expect(wrong, `seed ${seed}`).toBe(0)
        }
      }
    }
    expect(kinds.clean).toBeGreaterThan(50)
    expect(kinds.detour).toBeGreaterThan(2)
  }, 600_000)
  it('catches the same pressed at once, or in the wrong order', () => {
    let caught = 0
    for (let seed = 1; seed <= 60; seed++) {
      const { traced, state } = wild(seed)
      const [old, next] = [state(0), state(1)]
      const take = planTake(traced, old, next)
      if (take.kind !== 'clean' || take.steps.length < 2) continue
      const sinks = judgedSinks(traced)
      const rehearsal = new Rehearsal(traced, old, seededChances(seed))
      const wrongOrder = take.steps
        .toReversed()
        .flatMap(({ happenings }, i) => happenings.map(one => ({ ...one, tick: 48_000 + i * 24_000 }) as Happening))
      rehearsal.happen(wrongOrder)
      if (watch(rehearsal, sinks, [old, next], 240_000).some(({ wrong }) => wrong)) caught++
    }
    expect(caught).toBeGreaterThan(10)
  })
})

describe('jumps', () => {
  it('take one press within a switcher and two into a feeder that stands wrong; every pair is told', () => {
    // Two sources at the feeder, one at the last: out of the feeder and within either one press, into it two at worst.
    const [found] = jumpsOf(chain())
    expect(found!.sources).toEqual(['a', 'b', 'c'])
    expect(found!.rows.map(row => row.map(jump => (jump ? `${jump.kind} ${jump.presses}` : '-')))).toEqual([
      ['-', 'clean 1', 'clean 1'],
      ['clean 1', '-', 'clean 1'],
      ['clean 2', 'clean 2', '-'],
    ])
  })
  it('are impossible where a feeder would have to show two pictures at once, until a lead goes around it', () => {
    const two = (more: Record<string, string>) =>
      tracedOf(
        plan({
          devices: {
            ...Object.fromEntries(['a', 'b', 'c'].map(id => [id, 'computer 1080p50'])),
            ...Object.fromEntries(['side', 'main', 'other'].map(id => [id, 'switcher-8-hdmi 1080p50'])),
            hall: 'screen',
            room: 'screen',
          },
          links: {
            a: 'a.hdmi-1 > side.in-1 hdmi-passive 2',
            b: 'b.hdmi-1 > side.in-2 hdmi-passive 2',
            c: 'c.hdmi-1 > main.in-2 hdmi-passive 2',
            l: 'side.out-1 > main.in-1 hdmi-passive 1',
            k: 'side.out-2 > other.in-1 hdmi-passive 1',
            h: 'main.out-1 > hall.in hdmi-passive 5',
            r: 'other.out-1 > room.in hdmi-passive 5',
            ...more,
          },
          wants: { hall: 'program', room: { feed: 'program', of: 'other' } },
        } as never),
      )
    const row = (more: Record<string, string>) => {
      const { sources, rows, held } = jumpsOf(two(more)).find(({ last }) => last === 'main')!
      expect([sources, held]).toEqual([['a', 'b', 'c'], ['room']])
      return rows.map(jumps => jumps.map(jump => (jump ? `${jump.kind} ${jump.shared ?? jump.presses}` : '-')))
    }
    // The room sees what Side shows: a. From c to b, Side would have to show a and b.
    expect(row({})[2]).toEqual(['clean 1', 'impossible side', '-'])
    expect(row({ straight: 'b.hdmi-2 > main.in-3 hdmi-passive 2' })[2]).toEqual(['clean 1', 'clean 1', '-'])
  })
  it('pressed without waiting are as wrong as delays and gap make them: feeder first, last first, at once, by one hand', () => {
    // The feeder takes 1 or 2 frames; what lies between adds less than a tenth of a millisecond. At once the old picture of
    // the feeder is seen for ceil(D + u) frames with -1 < u < 1: 1 to 3. One hand later, 200 ms are ten frames: the feeder
    // has long arrived; the other way round it is seen for ten more.
    const told = pressedOf(chain(), 'main', 'c', 'a').map(
      ({ order, gapMs, least, most }) => [order.join(' '), gapMs, least, most] as const,
    )
    expect(told.map(([order, gap]) => [order, gap])).toEqual([
      ['side main', 0],
      ['side main', 200],
      ['main side', 0],
      ['main side', 200],
    ])
    const [first, later, reversed, late] = told as [
      (typeof told)[0],
      (typeof told)[0],
      (typeof told)[0],
      (typeof told)[0],
    ]
    for (const [, , least, most] of [first, reversed]) {
      expect(least).toBeGreaterThanOrEqual(1)
      expect(most).toBeLessThanOrEqual(3)
      expect(most).toBeGreaterThan(least)
    }
    expect(later.slice(2)).toEqual([0, 0])
    expect(late[2]).toBe(first[2] + 10)
    expect(late[3]).toBe(first[3] + 10)
    // One press does it: nothing can go wrong between two.
    expect(pressedOf(chain(), 'main', 'a', 'b')).toEqual([])
    expect(pressedOf(chain(), 'nowhere', 'a', 'b')).toEqual([])
  })
  it('are n (n - 1) for any chain', () => {
    for (let seed = 1; seed <= 12; seed++)
      for (const { sources, rows } of jumpsOf(wildChain(seed)))
        expect(rows.flat().filter(Boolean).length).toBe(sources.length * (sources.length - 1))
  })
  it('are as dear as the worst of all states of the feeders, tried one by one', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const traced = wildChain(seed)
      for (const { last, sources, rows } of jumpsOf(traced)) {
        const route = (id: string) => routeTo(traced, traced.chain.nodes.get(last)!, id)!
        const inputs = (device: string) =>
          traced.runs.flatMap(({ lit, end }) => (lit && end?.device === device ? [end.port] : []))
        sources.forEach((a, i) =>
          sources.forEach((b, j) => {
            if (i === j) return
            const free = Object.keys(stateBefore(traced).mixers).filter(device => !(device in route(a)))
            const states = free.reduce<Record<string, string>[]>(
              (all, device) => all.flatMap(one => inputs(device).map(port => ({ ...one, [device]: port }))),
              [{}],
            )
            const takes = states.map(others => {
              const old = base(traced, { program: { ...others, ...route(a) } })
              return planTake(traced, old, taken(old, { title: '', order: 0, program: route(b) }))
            })
            const detour = takes.some(({ kind }) => kind === 'detour')
            expect(rows[i]![j]!.kind, `seed ${seed}, ${a} to ${b}`).toBe(detour ? 'detour' : 'clean')
            if (!detour) expect(rows[i]![j]!.presses).toBe(Math.max(...takes.map(({ presses }) => presses)))
          }),
        )
      }
    }
  })
})
