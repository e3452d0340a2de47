import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Highs } from 'highs'
import { planMinor } from '#core/chain'
import { type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { sameFormat } from '#core/signal'
import { plan } from '../../../testing/plans'
import { choose, chooserOf, distinctPlans } from './choose'
import { composed, layout } from './lay'
import { standardSteps } from './merit'
import { Program, solve } from '#core/solve'
import type { Means, Task } from './question'
import { taskOf } from './task'
import { PRESETS, type Weights } from './weights'

let highs: Highs
beforeAll(async () => {
  highs = await highsLoader()
})

describe('the solver', () => {
  it('solves whole programs exactly', () => {
    // A knapsack by hand: values 10, 13, 7 at weights 3, 4, 2 under 6. 13 + 7 = 20 at weight 6 beats 10 + 7 and 10 or 13 alone.
    const program = new Program()
    const items = [
      [10, 3],
      [13, 4],
      [7, 2],
    ].map(([value, weight]) => [program.binary(-value!), weight!] as const)
    program.row(items, -Infinity, 6)
    const solved = solve(highs, program)
    expect(solved).toMatchObject({ status: 'solved', proven: true, cost: -20 })
    expect(solved.status === 'solved' && [...solved.values]).toEqual([0, 1, 1])
  })
  it('tells what has no solution, and takes an empty program for solved', () => {
    const program = new Program()
    program.row([[program.binary(), 1]], 2, 2)
    expect(solve(highs, program)).toEqual({ status: 'infeasible' })
    expect(solve(highs, new Program())).toMatchObject({ status: 'solved', cost: 0 })
  })
  it('reports the best so far and the bound while it works', () => {
    const program = new Program()
    const columns = Array.from({ length: 60 }, (_, i) => program.binary(-((i * 37) % 101) - 1))
    for (let r = 0; r < 20; r++)
      program.row(
        columns.map((column, i) => [column, ((i * 7 + r * 13) % 17) + 1]),
        -Infinity,
        90,
      )
    const seen: [number, number][] = []
    const solved = solve(highs, program, { progress: (best, bound) => seen.push([best, bound]) })
    expect(seen.length).toBeGreaterThan(0)
    for (const [best, bound] of seen) expect(bound).toBeLessThanOrEqual(best + 1e-6)
    expect(solved.status === 'solved' && solved.bound).toBeLessThanOrEqual(
      (solved.status === 'solved' ? solved.cost : 0) + 1e-6,
    )
  })
})

// --- a reckoning of its own: every combination of choices is counted out ---

function bruteForce(
  { switchers, demands, sockets, used, have, price, spare, plan: written }: Task,
  weights: Weights,
): number {
  let best = Infinity
  const members = demands.flatMap(demand => (demand.of === 'feeder' ? [] : demand.members.map(() => demand)))
  const feeders = demands.filter(({ of }) => of === 'feeder')
  const standards = (i: number, chosen: Map<string, number>): void => {
    if (i < switchers.length) {
      switchers[i]!.standards.forEach((_, s) => standards(i + 1, new Map(chosen).set(switchers[i]!.node.id, s)))
      return
    }
    const holds = (choice: Means) =>
      choice.needs.every(([switcher, format]) => {
        const at = switchers.find(({ node }) => node.id === switcher)!
        return sameFormat(at.standards[chosen.get(switcher)!]!, format)
      })
    const options = [...members, ...feeders].map(demand => demand.choices.filter(holds))
    const combine = (n: number, picks: Means[]): void => {
      if (n === options.length) {
        best = Math.min(best, worth(picks))
        return
      }
      const demand = n < members.length ? members[n]! : feeders[n - members.length]!
      // A feeder that nothing enters leads nowhere; one that something enters must lead on.
      const entered =
        demand.of === 'feeder' &&
        picks.some(
          (pick, j) => j < members.length && members[j]!.of === 'source' && pick.switcher === demand.members[0],
        )
      if (demand.of === 'feeder' && !entered) combine(n + 1, picks)
      else for (const choice of options[n]!) combine(n + 1, [...picks, choice])
    }
    const worth = (picks: readonly Means[]): number => {
      const taken = new Map<string, number>()
      const needed = new Map(used)
      for (const { takes, items } of picks) {
        for (const key of takes) taken.set(key, (taken.get(key) ?? 0) + 1)
        for (const item of items) needed.set(item, (needed.get(item) ?? 0) + 1)
      }
      for (const [key, count] of taken) if (count > sockets.get(key)!.ports.length) return Infinity
      const inputs = [...sockets.values()].filter(
        ({ dir, device }) => dir === 'in' && switchers.some(({ node }) => node.id === device),
      )
      const free = inputs.reduce((sum, { key, ports }) => sum + ports.length - (taken.get(key) ?? 0), 0)
      if (free < spare) return Infinity
      let cost = 0
      picks.forEach((choice, j) => {
        const demand = j < members.length ? members[j]! : feeders.find(({ choices }) => choices.includes(choice))!
        const steps = demand.of === 'feeder' ? 3 * choice.steps : choice.steps
        cost +=
          (weights.gear * choice.minor) / 100 +
          weights.delay * choice.delayMs +
          weights.quality * steps +
          weights.risk * choice.risk +
          weights.settings * choice.settings +
          weights.moves * choice.moved +
          weights.power * choice.watts
        if (demand.safe && !switchers.find(({ node }) => node.id === choice.switcher)!.root) cost += 30
      })
      for (const [item, count] of needed) {
        // What the bare plan lacks already is no matter of choice.
        const lacking =
          Math.max(0, count - (have.get(item) ?? 0)) - Math.max(0, (used.get(item) ?? 0) - (have.get(item) ?? 0))
        cost += lacking * ((weights.money * (price.get(item) ?? 0)) / 100 + weights.things)
      }
      for (const { node, root, standards: able } of switchers) {
        const inUse =
          (root && picks.length > 0) ||
          picks.some((pick, j) => j < members.length && members[j]!.of === 'source' && pick.switcher === node.id)
        const format = able[chosen.get(node.id)!]!
        if (inUse)
          cost +=
            weights.quality * standardSteps(written, format) +
            (node.device.standard && !sameFormat(node.device.standard, format) ? weights.moves : 0)
      }
      return cost
    }
    combine(0, [])
  }
  standards(0, new Map())
  return best
}

const SOURCES = ['camera-studio-sdi', 'camera-box-hdmi', 'laptop', 'camera-hand-hdmi'] as const
const shows = fc.record({
  sources: fc.array(
    fc.record({ model: fc.constantFrom(...SOURCES), far: fc.constantFrom('near', 'far'), safe: fc.boolean() }),
    { minLength: 1, maxLength: 3 },
  ),
  switchers: fc.constantFrom(
    ['switcher-4-strict'],
    ['switcher-8-mixed'],
    ['switcher-4-scaling'],
    ['switcher-8-mixed', 'switcher-4-strict'],
  ),
  sinks: fc.array(fc.constantFrom('screen', 'recorder-hdmi'), { maxLength: 1 }),
  metres: fc.constantFrom(2, 12, 26, 60),
  owned: fc.nat(2),
  spare: fc.nat(3),
  standard: fc.constantFrom('1080p50', '1080p59.94', '1080p25'),
})

function show({
  sources,
  switchers,
  sinks,
  metres,
  owned,
  spare,
  standard,
}: typeof shows extends fc.Arbitrary<infer T> ? T : never): Plan {
  const devices: Record<string, any> = {}
  switchers.forEach((model, i) => {
    devices[`stage-${i}`] = { model, name: `Stage ${i}`, order: i, place: 'near' }
  })
  sources.forEach(({ model, far, safe }, i) => {
    devices[`source-${i}`] = {
      model,
      name: `Source ${i}`,
      order: i,
      place: far,
      ...(safe && model.startsWith('camera') ? { shot: 'safe' } : {}),
    }
  })
  sinks.forEach((model, i) => {
    devices[`sink-${i}`] = { model, name: `Sink ${i}`, order: i, place: 'near' }
  })
  const written = plan({
    devices: { ...devices, spare: 'hdmi-to-sdi' },
    brief: { spareInputs: spare },
    kit: { boxes: { kind: 'model', id: 'hdmi-to-sdi', owned: owned + 1 } },
    wants: Object.fromEntries(sinks.map((_, i) => [`sink-${i}`, 'program' as const])),
  })
  return {
    ...written,
    brief: {
      ...written.brief,
      standard: plan({ devices: { s: `switcher-4-strict ${standard}` } }).devices.s!.standard!,
    },
    distances: { far: { between: ['near', 'far'], m: metres } },
  }
}

describe('the choice', () => {
  it('is the best of all combinations, on 100 random shows', () => {
    let solved = 0
    fc.assert(
      fc.property(shows, fc.constantFrom(...Object.values(PRESETS)), (shape, { weights }) => {
        const task = taskOf(check(show(shape)))
        const found = choose(highs, chooserOf(task, weights))
        const best = bruteForce(task, weights)
        if (best === Infinity) expect(found).toBe('infeasible')
        else {
          if (typeof found === 'string') throw new Error(found)
          // The program also counts what the bare plan lacks of things that are chosen among; nothing does here.
          expect(found.cost).toBeCloseTo(best, 4)
          expect(found.proven).toBe(true)
          expect(found.bound).toBeLessThanOrEqual(found.cost + 1e-6)
          solved++
        }
      }),
      { numRuns: 100, seed: 20261126 },
    )
    expect(solved).toBeGreaterThan(60)
  }, 240_000)

  it('costs what trace and check say that the applied plan costs, and everything arrives', () => {
    fc.assert(
      fc.property(shows, fc.constantFrom(...Object.values(PRESETS)), (shape, { weights }) => {
        const written = show(shape)
        const task = taskOf(check(written))
        const found = choose(highs, chooserOf(task, weights))
        if (typeof found === 'string') return
        const applied = applyEdits(written, composed(layout(task, found)))
        if (!applied.ok) throw new Error(applied.problem.path)
        expect(planMinor(applied.value.plan)).toBe(found.minor)
        const { verdict } = check(applied.value.plan)
        expect(verdict.arrive).toBe(verdict.wanted)
      }),
      { numRuns: 60, seed: 7 },
    )
  }, 120_000)

  it('finds next what gives up a standard, a device or a place of conversion, never other inputs alone, and never better', () => {
    const task = taskOf(
      check(
        show({
          sources: [
            { model: 'camera-box-hdmi', far: 'far', safe: false },
            { model: 'laptop', far: 'near', safe: false },
          ],
          switchers: ['switcher-8-mixed'],
          sinks: ['screen'],
          metres: 26,
          owned: 0,
          spare: 0,
          standard: '1080p50',
        }),
      ),
    )
    const marks: string[] = []
    let last = -Infinity
    for (const found of distinctPlans(highs, chooserOf(task, PRESETS.even.weights))) {
      if (typeof found === 'string') throw new Error(found)
      expect(found.cost).toBeGreaterThanOrEqual(last - 1e-6)
      last = found.cost
      marks.push(
        JSON.stringify([
          [...found.standards.values()],
          found.picks
            .flatMap(({ choice }) => choice.devices.split('+'))
            .filter(Boolean)
            .sort(),
          found.picks.filter(({ choice }) => choice.scales).map(({ demand }) => demand.id),
        ]),
      )
      if (marks.length === 6) break
    }
    expect(marks.length).toBeGreaterThan(2)
    expect(new Set(marks).size).toBe(marks.length)
  })
})
