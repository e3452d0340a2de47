import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isCamera, portsOf } from '#core/catalog'
import { delayMs, isSwitcher, tracedOf, runInto, UNHEARD_DB, gainOf } from '#core/chain'
import { cameraPictures, pluggedSounds } from '#core/propose'
import { SOAK } from '../../../testing/soak'
import { wildPlans } from '../../../testing/wild'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import type { Plan } from '#core/document'
import { windowOf } from '../sound/facts'
import { timesOf } from './sync'

const RUNS = SOAK ? 3000 : 150

/** Every camera's delay at a sink behind a switcher, added up the older way: at the switcher, then what comes behind it. */
function byTheSwitcher(plan: Plan): { sink: string; source: string; ms: number }[] {
  const traced = tracedOf(plan)
  return [...traced.chain.nodes.values()]
    .filter(({ model }) => model.role === 'sink')
    .flatMap(sink =>
      portsOf(sink.model, 'in').flatMap(([port, row]) => {
        const run = runInto(traced, { device: sink.id, port })
        const from = run?.origin && traced.chain.nodes.get(run.origin.device)
        const first = run?.links[0]?.signal
        if (!run?.lit || !from || !isSwitcher(from) || first?.feed === 'multiview') return []
        const last = run.links.at(-1)!.signal!
        const behind = last.delay.typ - first!.delay.typ + delayMs(row.delay, last.format).typ
        const set = from.device.ports?.[run.origin!.port]
        return cameraPictures(traced, from)
          .filter(({ input }) => (set?.feed === 'input' ? input === set.of : !from.device.ports?.[input]?.offAir))
          .map(({ camera, ms }) => ({ sink: `${sink.id}/${port}`, source: camera.id, ms: ms + behind }))
      }),
    )
}

function byHops(plan: Plan): { sink: string; source: string; ms: number }[] {
  const traced = tracedOf(plan)
  return timesOf(traced).flatMap(({ device, port, pictures }) =>
    port === undefined
      ? []
      : pictures
          .filter(({ source, through }) => through.length > 0 && isCamera(traced.chain.nodes.get(source)!.model))
          .map(({ source, total }) => ({ sink: `${device}/${port}`, source, ms: total.typ })),
  )
}
const told = (all: readonly { sink: string; source: string; ms: number }[]): string[] =>
  [...new Set(all.map(({ sink, source, ms }) => `${sink} ${source} ${ms.toFixed(3)}`))].sort()

describe('delays by hop', () => {
  it('are those that are added up at the switchers, over all known plans', () => {
    let seen = 0
    for (const plan of [...Object.values(CLEAN), ...FAULTY.map(({ plan: faulty }) => faulty)]) {
      const hops = told(byHops(plan))
      seen += hops.length
      expect(hops).toEqual(told(byTheSwitcher(plan)))
    }
    expect(seen).toBeGreaterThan(150)
  })
  it('add up, never go backwards, and end for any plan', () => {
    fc.assert(
      fc.property(wildPlans(), plan => {
        for (const { pictures, sounds } of timesOf(tracedOf(plan)))
          for (const { hops, total } of [...pictures, ...sounds]) {
            // Hops of less than a twentieth of a millisecond are not shown and yet counted.
            const shown = hops.reduce((all, { delay }) => all + delay.typ, 0)
            expect(total.typ).toBeGreaterThanOrEqual(shown - 1e-6)
            expect(total.typ).toBeLessThan(shown + 0.5)
            for (const { delay } of hops) {
              expect(delay.min).toBeGreaterThanOrEqual(-1e-9)
              expect(delay.typ).toBeGreaterThanOrEqual(delay.min - 1e-9)
              expect(delay.max).toBeGreaterThanOrEqual(delay.typ - 1e-9)
            }
          }
      }),
      { numRuns: RUNS },
    )
  })
})

describe('the best delay', () => {
  it('is better than every other whole millisecond, over all known plans', () => {
    let seen = 0
    for (const plan of [...Object.values(CLEAN), ...FAULTY.map(({ plan: faulty }) => faulty)]) {
      const traced = tracedOf(plan)
      const { lo, hi } = windowOf(traced)
      for (const { best, pairs } of timesOf(traced))
        for (const { sounds, nowMs, bestMs, serves, left } of best) {
          seen++
          const bare = pairs.filter(({ sound }) => sounds.includes(sound)).map(({ earlyMs }) => earlyMs.typ + nowMs)
          // How far the worst is from the middle of the window.
          const worst = (ms: number): number => Math.max(...bare.map(early => Math.abs(early - ms - (lo + hi) / 2)))
          for (let ms = 0; ms <= 2000; ms += 1) expect(worst(bestMs)).toBeLessThanOrEqual(worst(ms) + 1e-6)
          expect(serves).toBe(bare.every(early => early - bestMs <= hi && early - bestMs >= lo))
          expect(Math.max(...left.map(({ earlyMs }) => Math.abs(earlyMs)))).toBeCloseTo(
            Math.max(...bare.map(early => Math.abs(early - bestMs))),
            6,
          )
        }
    }
    expect(seen).toBeGreaterThan(20)
  })
})

describe('sound from plugs', () => {
  it('is as late at the switcher as what is held back there and the boxes before it', () => {
    let seen = 0
    for (const { plan } of FAULTY) {
      const traced = tracedOf(plan)
      for (const { device, port, pictures, sounds } of timesOf(traced)) {
        const last = pictures[0]?.through.at(-1)
        const airMs = 2.9 * (Object.values(plan.wants).find(({ sink }) => sink === device)?.airM ?? 0)
        const node = last && traced.chain.nodes.get(last.device)
        // The older way knows one delay of each sound; what comes twice is told by another rule.
        const straight = sounds.filter(
          ({ holdAt, through, origin }) =>
            holdAt?.device === node?.id &&
            // Turned down until nobody hears it, the older way has it no more.
            (!node || !holdAt || gainOf({ node, portId: holdAt.port }) >= UNHEARD_DB) &&
            through.length === 1 &&
            sounds.filter(other => other.origin === origin).length === 1,
        )
        if (port === undefined || !node || straight.length === 0) continue
        // What both share behind the switcher is what a picture takes there less what it had at its outputs.
        const atSwitcher = pluggedSounds(traced, node).map(({ typ }) => typ)
        const camera = cameraPictures(traced, node)[0]
        const way =
          camera && pictures.find(({ source, through }) => source === camera.camera.id && through.length === 1)
        if (!camera || !way) continue
        const behind = way.total.typ - camera.ms
        for (const { total } of straight) {
          seen++
          expect(atSwitcher.some(ms => Math.abs(ms + behind + airMs - total.typ) < 0.01)).toBe(true)
        }
      }
    }
    expect(seen).toBeGreaterThan(10)
  })
})
