import highsLoader, { type Highs } from 'highs'
import { sampled } from '../../../testing/soak'
import { beforeAll, describe, expect, it } from 'vitest'
import { planMinor } from '#core/chain'
import { type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { CLEAN } from '../../../testing/clean'
import { fmt, plan } from '../../../testing/plans'
import { choose, chooserOf } from './choose'
import { composed, layout } from './lay'
import type { Demand, Task } from './question'
import { taskOf } from './task'
import { PRESETS } from './weights'

let highs: Highs
beforeAll(async () => {
  highs = await highsLoader()
})
const demandOf = (task: Task, id: string): Demand =>
  task.demands.find(demand => demand.id === id || demand.members.includes(id))!

describe('what a plan asks', () => {
  const devices = {
    cam: 'camera-box-hdmi 1080p59.94',
    pc: 'computer 1080p59.94',
    main: 'switcher-4-multiview 1080p59.94',
    side: 'switcher-4-strict 1080p59.94',
    scr: 'screen',
    op: 'screen',
  }
  it('takes the switcher with most inputs and outputs for the last one while nothing is wired', () => {
    const { switchers } = taskOf(check(plan({ devices: { ...devices, big: 'switcher-8-mixed 1080p59.94' } })))
    expect(switchers.map(({ node, root }) => [node.id, root])).toEqual([
      ['big', true],
      ['main', false],
      ['side', false],
    ])
    expect(switchers.map(({ parents }) => parents)).toEqual([[], ['big'], ['big', 'main']])
  })
  it('leaves a cascade that is wired as it is wired', () => {
    const { switchers } = taskOf(
      check(
        plan({
          devices,
          links: {
            up: 'main.out-1 > side.in-1 hdmi-passive 1',
            a: 'cam.hdmi > main.in-1 hdmi-passive 2',
            s: 'side.out-1 > scr.in hdmi-passive 2',
          },
        }),
      ),
    )
    expect(switchers.map(({ node, root, parents }) => [node.id, root, parents])).toEqual([
      ['side', true, []],
      ['main', false, ['side']],
    ])
  })
  it('takes a sink that nobody mentions to want program, and asks nothing for one that has it', () => {
    const { demands } = taskOf(
      check(
        plan({
          devices,
          links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', s: 'main.out-1 > scr.in hdmi-passive 2' },
          wants: { scr: 'program' },
        }),
      ),
    )
    expect(
      demands.filter(({ of }) => of === 'sink').map(({ members, feed, assumed }) => [members[0], feed, assumed]),
    ).toEqual([
      ['scr', 'program', undefined],
      ['op', 'program', true],
    ])
  })
  it('asks once for sources that are alike, and singly for those that are not', () => {
    const { demands } = taskOf(
      check(
        plan({
          devices: {
            main: 'switcher-8-mixed 1080p59.94',
            a: 'camera-box-hdmi',
            b: 'camera-box-hdmi',
            c: { model: 'camera-box-hdmi', shot: 'safe' },
            d: { model: 'camera-box-hdmi', place: 'far' },
            e: 'laptop',
          },
        }),
      ),
    )
    expect(demands.map(({ members }) => members)).toEqual([['a', 'b'], ['c'], ['d'], ['e']])
  })
  it.each<[string, Parameters<typeof plan>[0], string, boolean]>([
    ['a cable alone', { devices, links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' } }, 'cam', false],
    [
      'a pinned cable',
      {
        devices,
        links: {
          a: {
            from: { device: 'cam', port: 'hdmi' },
            to: { device: 'main', port: 'in-1' },
            cable: 'hdmi-passive',
            routeM: 2,
            pinned: true,
          },
        },
      },
      'cam',
      true,
    ],
    [
      'a run through converters of its own',
      {
        devices: { ...devices, x: 'hdmi-to-sdi', y: 'sdi-to-hdmi' },
        links: {
          a: 'cam.hdmi > x.in hdmi-passive 0',
          b: 'x.out > y.in coax-rg6 20',
          c: 'y.out > main.in-1 hdmi-passive 0',
        },
      },
      'cam',
      false,
    ],
    [
      'a splitter that feeds two',
      {
        devices: { ...devices, x: 'splitter-hdmi' },
        links: {
          a: 'cam.hdmi > x.in hdmi-passive 0',
          b: 'x.out-1 > main.in-1 hdmi-passive 1',
          c: 'x.out-2 > scr.in hdmi-passive 1',
        },
      },
      'cam',
      true,
    ],
    ['a source straight to a screen', { devices, links: { a: 'pc.hdmi-1 > scr.in hdmi-passive 2' } }, 'pc', true],
    [
      'a radio link',
      {
        devices: { ...devices, air: 'radio-hdmi' },
        links: { a: 'cam.hdmi > air.in hdmi-passive 0', b: 'air.out > main.in-1 hdmi-passive 1' },
      },
      'cam',
      true,
    ],
    [
      'a matrix',
      {
        devices: { ...devices, mx: 'matrix-4-hdmi' },
        links: { a: 'pc.hdmi-1 > mx.in-1 hdmi-passive 2', b: 'mx.out-1 > main.in-1 hdmi-passive 2' },
      },
      'pc',
      true,
    ],
  ])('leaves alone what more hangs on than one picture: %s', (_, written, source, rigid) => {
    const task = taskOf(check(plan(written)))
    expect(demandOf(task, source)).toMatchObject({ rigid })
    // What stays is still in the bare plan, with its cables.
    expect(Object.keys(task.bare.links).length > 0).toBe(rigid)
  })
  it('keeps a reserved input out of it, and counts it as free for guests', () => {
    const written = plan({
      brief: { spareInputs: 2 },
      devices: {
        cam: 'camera-box-hdmi',
        main: {
          model: 'switcher-4-strict',
          standard: fmt('1080p59.94'),
          ports: { 'in-2': { reserved: 'late guest' } },
        },
      },
    })
    const task = taskOf(check(written))
    expect(
      [...task.sockets.values()]
        .filter(({ dir, device }) => dir === 'in' && device === 'main')
        .flatMap(({ ports }) => ports),
    ).toEqual(['in-1', 'in-3', 'in-4'])
    expect(task.spare).toBe(1)
  })
  it('counts what the kit has and what stays in use', () => {
    const written = plan({
      devices: { ...devices, x: 'hdmi-to-sdi' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' },
      kit: {
        box: { kind: 'model', id: 'hdmi-to-sdi', owned: 3 },
        lead: { kind: 'lead', id: 'hdmi-passive', pieceM: 5, owned: 1 },
      },
    })
    const task = taskOf(check(written))
    expect([task.have.get('model:hdmi-to-sdi'), task.used.get('model:hdmi-to-sdi')]).toEqual([3, 1])
    // The cable that may be led otherwise is not in use in the bare plan.
    expect(task.used.get('lead:hdmi-passive:5') ?? 0).toBe(0)
    expect(task.bareMinor + demandOf(task, 'cam').choices.find(({ keep }) => keep)!.minor).toBe(planMinor(written))
  })
})

describe('every choice that is offered holds', () => {
  /** The demand bound to one choice, the others free. */
  const bound = (task: Task, demand: Demand, n: number): Task => ({
    ...task,
    demands: task.demands.map(one => (one === demand ? { ...one, choices: [one.choices[n]!] } : one)),
  })
  const PLANS: Record<string, Plan> = {
    'a mixed switcher and a feeder': {
      ...plan({
        devices: {
          box: { model: 'camera-box-hdmi', place: 'switcher' },
          sdi: { model: 'camera-studio-sdi', place: 'switcher' },
          pc: { model: 'laptop', place: 'desk' },
          phone: { model: 'phone', place: 'desk' },
          main: { model: 'switcher-8-mixed', place: 'desk' },
          side: { model: 'switcher-4-strict', place: 'desk' },
          wall: { model: 'projector', place: 'switcher' },
        },
        wants: { wall: 'program' },
      }),
      distances: { far: { between: ['desk', 'switcher'], m: 35 } },
    },
    'scaling inputs': {
      ...plan({
        devices: {
          box: { model: 'camera-box-hdmi', place: 'switcher' },
          gfx: { model: 'player-fill-key', place: 'desk' },
          main: { model: 'switcher-6-combo', place: 'desk' },
          rec: { model: 'recorder-hdmi', place: 'desk' },
        },
        wants: { rec: { feed: 'program', sound: true } },
      }),
      distances: { far: { between: ['desk', 'switcher'], m: 12 } },
    },
    'something laid already': CLEAN['a feeder']!,
  }
  it.each(Object.keys(PLANS))(
    '%s',
    name => {
      const written = PLANS[name]!
      const task = taskOf(check(written))
      let tried = 0
      for (const demand of task.demands.filter(({ rigid }) => !rigid)) {
        // Every seventh, so that each kind of choice of each demand has its turn.
        for (let n = 0; n < demand.choices.length; n += Math.max(1, Math.floor(demand.choices.length / 7))) {
          const one = bound(task, demand, n)
          const solution = choose(highs, chooserOf(one, PRESETS.even.weights))
          if (typeof solution === 'string') continue
          const applied = applyEdits(written, composed(layout(one, solution)))
          if (!applied.ok) throw new Error(`${demand.id} ${n}: ${applied.problem.path}`)
          const { verdict } = check(applied.value.plan)
          expect([demand.id, n, verdict.arrive]).toEqual([demand.id, n, verdict.wanted])
          expect(planMinor(applied.value.plan)).toBe(solution.minor)
          tried++
        }
      }
      expect(tried).toBeGreaterThan(10)
    },
    60_000,
  )
})

describe('a plan that is clean', () => {
  it('is never made darker or dearer by its best proposal, in all of the clean corpus', () => {
    for (const [name, written] of sampled(Object.entries(CLEAN), 4)) {
      const checked = check(written)
      const task = taskOf(checked)
      // Where nothing can be shown, nothing is asked.
      if (!task.switchers.length || !task.demands.some(({ of }) => of === 'source')) continue
      const solution = choose(highs, chooserOf(task, PRESETS.laid.weights))
      if (typeof solution === 'string') throw new Error(`${name}: ${solution}`)
      const applied = applyEdits(written, composed(layout(task, solution)))
      if (!applied.ok) throw new Error(`${name}: ${applied.problem.path}`)
      const after = check(applied.value.plan).verdict
      expect([name, after.D, after.H, after.wanted - after.arrive]).toEqual([name, 0, 0, 0])
    }
  }, 120_000)
})
