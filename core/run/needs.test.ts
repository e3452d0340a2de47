import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import type { Plan } from '#core/document'
import { plan } from '../../testing/plans'
import { type LookNeed, holds, lostBehind, needsOf } from './index'
import { matched } from './needs'

/** Two cameras behind a feeder, one straight; a page with names over it. */
const chain = (looks: Plan['looks']): Plan =>
  plan({
    devices: {
      a: 'camera-box-hdmi 1080p59.94',
      b: 'camera-box-hdmi 1080p59.94',
      c: 'camera-box-hdmi 1080p59.94',
      pc: 'computer 1080p59.94',
      side: 'switcher-8-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      hall: 'projector',
    },
    links: {
      a: 'a.hdmi > side.in-1 hdmi-passive 2',
      b: 'b.hdmi > side.in-2 hdmi-passive 2',
      l: 'side.out-1 > main.in-1 hdmi-passive 2',
      c: 'c.hdmi > main.in-2 hdmi-passive 2',
      p: 'pc.hdmi-1 > main.in-3 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 3',
    },
    wants: { hall: 'program' },
    overlays: {
      names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' },
      face: { title: 'Face', order: 2, kind: 'box', fill: 'b', box: { x: 0.6, y: 0.6, w: 0.3, h: 0.3 } },
    },
    segments: { one: { title: 'One', order: 1 } },
    cues: Object.fromEntries(
      Object.keys(looks).map((look, i) => [look, { segment: 'one', title: look, order: i, look }]),
    ),
    looks,
  })
const look = (order: number, more: object) => ({ title: `Look ${order}`, order, ...more })

describe('what looks need at once', () => {
  const traced = tracedOf(
    chain({
      named: look(1, { program: { main: 'in-2' }, keys: { main: { '1': 'names' } } }),
      apart: look(2, { program: { main: 'in-1', side: 'in-1' }, keys: { main: { '1': 'off' } } }),
      faced: look(3, { program: { main: 'in-2' }, keys: { main: { '1': 'face' } } }),
    }),
  )
  it('is every source that is seen, and every overlay that is lit', () => {
    expect(needsOf(traced).map(need => [need.look, [...need.sources].sort(), need.overlays])).toEqual([
      ['named', ['c', 'pc'], ['names']],
      ['apart', ['a'], []],
      // The feeder stands on a: the box shows what comes by that link.
      ['faced', ['a', 'c'], ['face']],
    ])
  })
  it('is held by an input for each picture and a keyer for each overlay, and one link brings one picture', () => {
    const need = (sources: string[], overlays: string[] = []): LookNeed => ({
      look: 'x',
      title: 'X',
      sources,
      overlays,
    })
    expect(holds(traced, need(['a', 'c', 'pc']))).toBe(true)
    expect(holds(traced, need(['a', 'b']))).toBe(false)
    expect(holds(traced, need(['c'], ['names']))).toBe(true)
    // This switcher has one keyer; the feeder cannot cut out what does not come to it, but it has the box.
    expect(holds(traced, need(['c'], ['names', 'face']))).toBe(true)
    expect(
      holds(
        tracedOf({
          ...traced.plan,
          overlays: { ...traced.plan.overlays, face: { ...traced.plan.overlays.face!, fill: 'c' } },
        }),
        need(['c'], ['names', 'face']),
      ),
    ).toBe(false)
  })
})

describe('choices', () => {
  it('are shared out where any way of trying all of them shares them out', () => {
    const all = (choices: readonly (readonly number[])[], taken: readonly number[] = []): boolean =>
      taken.length === choices.length ||
      choices[taken.length]!.some(one => !taken.includes(one) && all(choices, [...taken, one]))
    fc.assert(
      fc.property(fc.array(fc.uniqueArray(fc.nat(4), { maxLength: 4 }), { maxLength: 5 }), choices => {
        expect(matched(choices)).toBe(all(choices))
      }),
      { numRuns: 300 },
    )
  })
  it('of what stands behind one link lose the fewest looks, against every choice', () => {
    const SOURCES = ['a', 'b', 'c', 'd', 'e', 'f']
    const each = (n: number, from = 0): string[][] =>
      n === 0 ? [[]] : SOURCES.slice(from).flatMap((one, i) => each(n - 1, from + i + 1).map(rest => [one, ...rest]))
    fc.assert(
      fc.property(
        fc.array(fc.subarray(SOURCES, { minLength: 1, maxLength: 3 }), { maxLength: 8 }),
        fc.integer({ min: 0, max: 6 }),
        (looks, behind) => {
          const needs = looks.map((sources, i) => ({ look: `l${i}`, title: `L${i}`, sources, overlays: [] }))
          const fewest = Math.min(
            ...each(behind).map(
              set => looks.filter(one => one.filter(source => set.includes(source)).length > 1).length,
            ),
          )
          expect(lostBehind(needs, SOURCES, behind)).toHaveLength(fewest)
        },
      ),
      { numRuns: 200 },
    )
  })
})
