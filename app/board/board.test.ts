import { describe, expect, it } from 'vitest'
import type { Plan } from '#core/document'
import { check } from '#core/features'
import { type CableHop, boardOf } from '#core/features/board'
import { CLEAN } from '../../testing/clean'
import { FAULTY } from '../../testing/faulty'
import { plan } from '../../testing/plans'

import { largePlan } from '../../bench/plans'

import { bandHeight, bandPath, darkPart, lightEnd, tickSpacing } from './band'
import { layOut } from './layout'
import { partsOf } from './parts'

const boardFor = (written: Plan) => boardOf(check(written))
const faulty = (name: string) => FAULTY.find(candidate => candidate.name === name)!.plan
const all = {
  ...CLEAN,
  ...Object.fromEntries(FAULTY.map(({ name, plan: one }) => [name, one])),
  'large': largePlan(24),
  'very large': largePlan(60),
}

describe('the light', () => {
  it.each([
    [480, 4],
    [720, 6],
    [1080, 10],
    [2160, 16],
  ])('of %i lines is %i px tall', (height, px) => expect(bandHeight({ height })).toBe(px))
  it.each([
    [25, 24],
    [50, 12],
    [60, 10],
    [60000 / 1001, 10],
  ])('of %d frames/s has a tick every %d px', (pulses, px) => expect(tickSpacing({ pulses })).toBeCloseTo(px, 1))
  const hop = (written: Plan) => boardFor(written).lanes[0]!.hops[0] as CableHop
  it('closes at the metre where the reach ends', () => {
    // 25 m of a cable that carries 15 m: three fifths of the way
    const dark = hop(faulty('passive HDMI that is dark'))
    expect(lightEnd(dark, 100, 600)).toBeCloseTo(400, 6)
    expect(darkPart(dark, 100, 600)).toEqual([400, 200])
    expect(bandPath(dark, 100, 600, 20)).toBe('M100 15L400 20L400 20L100 25Z')
    expect(dark.reason).toMatchObject({ words: 'too far', tooFarM: 10 })
  })
  it('thins by the share of reach that is used', () => {
    // 5 m of 15 m: one third used, the tip is 1 - 0.8/3 of the height
    const lit = hop(CLEAN['one camera']!)
    expect(bandPath(lit, 0, 100, 20)).toBe(
      `M0 15L100 ${20 - 5 * (1 - 0.8 * (5 / 15))}L100 ${20 + 5 * (1 - 0.8 * (5 / 15))}L0 25Z`,
    )
    expect(darkPart(lit, 0, 100)).toBeUndefined()
  })
  it('comes all the way to a gate that is shut', () => {
    const shut = hop(faulty('raster differs'))
    expect(shut.reason).toEqual({ words: '720p59.94 meets 1080p59.94', at: 1, gate: true })
    expect(lightEnd(shut, 0, 300)).toBe(300)
  })
})

describe('the layout', () => {
  it.each(Object.entries(all))('of "%s" shows every lane once, in order, without overlap', (_, written) => {
    const board = boardFor(written)
    for (const open of [undefined, board.lanes[0]?.id]) {
      const { lanes, spines, rowH, columns, height } = layOut(board, 1264, open)
      expect(lanes.map(({ lane }) => lane.id).sort()).toEqual(board.lanes.map(({ id }) => id).sort())
      expect(spines.map(({ switcher }) => switcher.id).sort()).toEqual(board.switchers.map(({ id }) => id).sort())
      for (const { segments, x0, x1, top } of lanes) {
        expect(top + rowH).toBeLessThanOrEqual(height)
        segments.forEach((segment, i) => {
          expect(segment.x1).toBeGreaterThan(segment.x0)
          expect(segment.x0).toBeCloseTo(i === 0 ? x0 : segments[i - 1]!.x1, 6)
        })
        if (segments.length) expect(segments.at(-1)!.x1).toBeCloseTo(x1, 6)
        expect(x1).toBeLessThanOrEqual(columns.outX)
      }
      // Two lanes on one row must not cover the same stretch.
      for (const a of lanes)
        for (const b of lanes)
          if (a !== b && a.top === b.top && a.segments.length && b.segments.length)
            expect(a.x1 <= b.x0 || b.x1 <= a.x0).toBe(true)
      for (const a of spines)
        for (const b of spines)
          if (a !== b && a.x === b.x) expect(a.top + a.height <= b.top || b.top + b.height <= a.top).toBe(true)
    }
  })
  it('makes room for the panel under the opened lane only', () => {
    const board = boardFor(CLEAN['a feeder']!)
    const closed = layOut(board, 1264, undefined)
    const open = layOut(board, 1264, closed.lanes[0]!.lane.id)
    expect(open.height - closed.height).toBe(196 + 8)
    expect(open.panelY).toBe(open.rowH)
    expect(open.lanes[0]!.top).toBe(closed.lanes[0]!.top)
  })
  it('sets a feeder left of the switcher that it feeds, no taller than its own lanes', () => {
    const { spines } = layOut(boardFor(CLEAN['a feeder']!), 1264, undefined)
    const [main, side] = ['main', 'side'].map(id => spines.find(({ switcher }) => switcher.id === id)!)
    expect(side!.x + side!.width).toBeLessThan(main!.x)
    expect(side!.height).toBeLessThan(main!.height)
  })
  it('forks where a splitter stands', () => {
    const { lanes } = layOut(boardFor(CLEAN['program through a splitter and a loop']!), 1264, undefined)
    const forked = lanes.find(({ fork }) => fork)!
    const trunk = lanes.find(({ lane }) => lane.id === forked.lane.sharedWith)!
    const box = trunk.segments.find(({ hop }) => hop.is === 'device')!
    expect(forked.fork).toEqual({ x: (box.x0 + box.x1) / 2, fromY: trunk.y })
  })
  it('tells neighbouring free inputs together', () => {
    const { spines } = layOut(boardFor(CLEAN['a ring of switchers whose return is kept off the air']!), 1264, undefined)
    expect(spines.find(({ switcher }) => switcher.id === 'a')!.inputs.map(({ span }) => span)).toEqual([
      '1',
      '2',
      '3\u20134',
    ])
  })
  it('shows two switchers with nine sources at 1280 px without scrolling sideways', () => {
    const devices = Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`c${i}`, 'camera-studio-sdi 1080p50']))
    const links = Object.fromEntries(
      Array.from({ length: 9 }, (_, i) => [
        `l${i}`,
        i < 4 ? `c${i}.sdi > side.in-${i + 5} coax-rg6 30` : `c${i}.sdi > main.in-${i < 7 ? i + 1 : i + 1} coax-rg6 30`,
      ]),
    )
    const two = plan({
      devices: { ...devices, side: 'switcher-8-mixed 1080p50', main: 'switcher-8-mixed 1080p50' },
      links: { ...links, j: 'side.out-4 > main.in-1 hdmi-passive 2' },
    })
    expect(layOut(boardFor(two), 1264, undefined).columns.width).toBe(1264)
  })
})

describe('parts', () => {
  it('can all be asked for something else, but for sinks', () => {
    for (const written of Object.values(all)) {
      for (const placed of layOut(boardFor(written), 1264, undefined).lanes) {
        const parts = partsOf(placed)
        expect(new Set(parts.map(({ key }) => key)).size).toBe(parts.length)
        for (const part of parts) if (part.kind !== 'end') expect(part.part).toBeDefined()
      }
    }
  })
})
