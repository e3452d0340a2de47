import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { fmt, plan } from '../../testing/plans'
import { doubled, gateAt, waysTo } from './heard'
import type { Command } from './machine'
import { Rehearsal } from './rehearsal'
import { stateBefore, taken } from './state'
import { happeningsOf, planTake } from './take'

const format = fmt('1080p50')
const chain = plan({
  devices: {
    cam: 'camera-studio-sdi 1080p50',
    two: 'camera-studio-sdi 1080p50',
    mic: 'microphone-speech',
    desk: 'desk-16',
    side: { model: 'switcher-12-sdi', standard: format, ports: { 'in-1': { sound: 'fixed' } } },
    main: {
      model: 'switcher-12-sdi',
      standard: format,
      ports: { 'in-1': { sound: 'follows' }, 'sound-1': { soundDelayMs: 40 }, 'out-6': { feed: 'program' } },
    },
    rec: 'recorder-hdmi',
  },
  links: {
    a: 'cam.sdi > side.in-1 coax-rg6 5',
    b: 'two.sdi > main.in-2 coax-rg6 5',
    l: 'side.out-1 > main.in-1 coax-rg6 3',
    m: 'mic.out > desk.in-1 xlr-lead 3',
    x: 'desk.mix-1 > side.sound-1 xlr-lead 3',
    y: 'desk.mix-2 > main.sound-1 xlr-lead 3',
    r: 'main.out-6 > rec.in hdmi-passive 2',
  },
  overlays: {
    face: { title: 'Face', order: 1, kind: 'box', fill: 'cam' },
    names: { title: 'Names', order: 2, kind: 'luma', fill: 'cam' },
  },
  wants: { rec: { feed: 'program', sound: true } },
})
const traced = tracedOf(chain)
const state = (look: object) => taken(stateBefore(traced), { title: '', order: 0, ...look })
const REC = { device: 'rec', port: 'in' }
const told = (look: object, most?: 'most') =>
  waysTo(traced, state(look), REC, most).map(
    ({ origin, gates, open }) =>
      `${origin} ${gates.map(({ device, port }) => `${device}.${port}`).join(' ')} ${open ? 'open' : 'not'}`,
  )

describe('the ways of sound', () => {
  it('go by every switcher and desk on the way; an input that follows is open while its picture is on air', () => {
    expect(told({ program: { main: 'in-1' } })).toEqual([
      'cam side.in-1 main.in-1 open',
      'mic side.sound-1 main.in-1 open',
      'mic main.sound-1 open',
      'two main.in-2 not',
    ])
    expect(told({ program: { main: 'in-2' } }).filter(line => line.endsWith('open'))).toEqual(['mic main.sound-1 open'])
  })
  it('are opened by a picture in a box, and not by one that is cut out', () => {
    const main = traced.chain.nodes.get('main')!
    const gate = (keys: object) =>
      gateAt(traced, state({ program: { main: 'in-2' }, keys: { main: keys } }), main, 'in-1')
    expect(gate({ '1': 'face' })).toMatchObject({ opening: 'follows', open: true })
    expect(gate({ '1': 'names' })).toMatchObject({ opening: 'follows', open: false })
    expect(gate({})).toMatchObject({ open: false })
  })
  it('follow a look that opens or shuts an input', () => {
    expect(told({ program: { main: 'in-1' }, sound: { main: { 'in-1': 'shut' } } })[0]).toBe(
      'cam side.in-1 main.in-1 not',
    )
    expect(told({ program: { main: 'in-2' }, sound: { main: { 'in-2': 'fixed' } } })).toContain('two main.in-2 open')
  })
  it('leave out what nobody opened where that is asked, and nothing that a plug brings', () => {
    expect(told({ program: { main: 'in-1' } }, 'most')).not.toContain('two main.in-2 not')
    const shut = told({ program: { main: 'in-1' }, sound: { main: { 'in-1': 'shut' } } }, 'most')
    expect(shut).toContain('mic side.sound-1 main.in-1 not')
  })
  it('comb where one sound is open straight and through a feeder', () => {
    const pair = (look: object) => doubled(waysTo(traced, state(look), REC)).map(({ origin }) => origin)
    expect(pair({ program: { main: 'in-1' } })).toEqual(['mic'])
    expect(pair({ program: { main: 'in-2' } })).toEqual([])
  })
  it('add their gains up: below -40 dB nobody hears them, and of two 20 dB apart one alone', () => {
    const turned = (sideDb: number, mainDb: number) => {
      const { side, main } = chain.devices
      const written = tracedOf({
        ...chain,
        devices: {
          ...chain.devices,
          side: { ...side!, ports: { ...side!.ports, 'sound-1': { gainDb: sideDb } } },
          main: { ...main!, ports: { ...main!.ports, 'in-1': { sound: 'follows', gainDb: mainDb } } },
        },
      })
      const now = taken(stateBefore(written), { title: '', order: 0, program: { main: 'in-1' } })
      const ways = waysTo(written, now, REC)
      const run = new Rehearsal(written, now, { phase: () => 0, delay: () => 0 })
      return {
        mic: ways.filter(({ origin }) => origin === 'mic').map(({ gainDb, open }) => [gainDb, open]),
        twice: doubled(ways).map(({ origin }) => origin),
        cam: run.levels(REC, 0).get('cam') ?? 0,
      }
    }
    // Through the feeder both gains count; straight, none. 10^(-6/20) = 0.5012 is what the camera loses at main.
    expect(turned(-10, -6)).toMatchObject({
      mic: [
        [-16, true],
        [0, true],
      ],
      twice: ['mic'],
    })
    expect(turned(-10, -6).cam).toBeCloseTo(0.5012, 4)
    expect(turned(-20, -1)).toMatchObject({
      mic: [
        [-21, true],
        [0, true],
      ],
      twice: [],
    })
    // Listed with the open one first.
    expect(turned(-30, -11).mic).toEqual([
      [0, true],
      [-41, false],
    ])
  })
  const FRAME = 4800
  /** What is heard of each at a tick; `in-2` follows too, and the desk is shut at the last. */
  const heard = (command: Command, ticks: readonly number[]) => {
    const start = state({
      program: { main: 'in-2' },
      preview: { main: 'in-1' },
      sound: { main: { 'in-2': 'follows', 'sound-1': 'shut' } },
    })
    const run = new Rehearsal(traced, start, { phase: () => 0, delay: () => 0 })
    run.happen([{ tick: 100 * FRAME, device: 'main', command }])
    return ticks.map(tick => {
      const found = run.levels(REC, 100 * FRAME + tick)
      return ['cam', 'two', 'mic'].map(id => found.get(id) ?? 0)
    })
  }
  it('come and go at equal power while a mix runs: half way each at the root of a half', () => {
    // sin 45 = cos 45 = 0.7071; sin 30 = 0.5, cos 30 = 0.866.
    for (const [frames, into, from] of [
      [2, Math.SQRT1_2, Math.SQRT1_2],
      [3, 0.5, Math.sqrt(3) / 2],
    ] as const) {
      const [[cam, two, mic]] = heard({ do: 'auto', style: 'mix', frames }, [0]) as [number[]]
      expect(cam).toBeCloseTo(into, 9)
      expect(mic).toBeCloseTo(into, 9)
      expect(two).toBeCloseTo(from, 9)
    }
  })
  it('open and shut over 20 ms at a cut, in a straight ramp', () => {
    // 20 ms are 4800 ticks: from the frame of the cut on, a quarter of it after 1200 ticks.
    const found = heard({ do: 'cut' }, [-1, 0, 1200, 2400, 4800, 9600])
    for (const [i, into] of [0, 0, 0.25, 0.5, 1, 1].entries()) {
      expect(found[i]![0]).toBeCloseTo(into, 9)
      expect(found[i]![1]).toBeCloseTo(1 - into, 9)
      expect(found[i]![2]).toBeCloseTo(into, 9)
    }
  })
  it('are opened and shut by a planned take with its last press there, and by itself where nothing is seen', () => {
    const old = state({ program: { main: 'in-2' } })
    const next = state({ program: { main: 'in-1' }, sound: { main: { 'in-1': 'shut', 'sound-1': 'shut' } } })
    const take = planTake(traced, old, next)
    expect([take.kind, take.steps.length]).toEqual(['clean', 1])
    expect(take.steps[0]!.happenings).toEqual([
      {
        device: 'main',
        command: {
          do: 'all',
          commands: [
            { do: 'program', input: 'in-1' },
            { do: 'sound', port: 'in-1', opening: 'shut' },
            { do: 'sound', port: 'sound-1', opening: 'shut' },
          ],
        },
      },
    ])
    const run = new Rehearsal(traced, old, { phase: () => 0, delay: () => 0 })
    run.happen(happeningsOf(take, run, 100 * FRAME))
    expect([...run.levels(REC, 99 * FRAME).keys()]).toEqual(['mic'])
    expect([...run.levels(REC, 200 * FRAME).keys()]).toEqual([])
    expect(run.settled().sound).toEqual(next.sound)
    const alone = planTake(traced, old, state({ program: { main: 'in-2' }, sound: { main: { 'in-2': 'fixed' } } }))
    expect([alone.kind, alone.presses, alone.steps[0]!.changes]).toEqual(['clean', 1, []])
    // By hand, and heard at once.
    run.happen([{ tick: 300 * FRAME, device: 'main', command: { do: 'sound', port: 'in-2', opening: 'fixed' } }])
    expect([...run.levels(REC, 301 * FRAME).keys()]).toEqual(['two'])
  })
})
