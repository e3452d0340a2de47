import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Plan, openFile } from '#core/document'
import { check } from '#core/features'
import { type Board, boardOf } from '#core/features/board'
import { FAULTY } from '../../testing/faulty'
import { plan } from '../../testing/plans'

import { foldBoard } from './fold'
import { layOut } from './layout'

const boardFor = (written: Plan): Board => boardOf(check(written))
const demo = (name: string): Board => {
  const opened = openFile(readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return boardFor(opened.value.plans.main!)
}
const fair = demo('three-hall-science-fair')
const draft = demo('harbour-robotics-cup-draft')

/** How many lanes are shown, and how many the ribbons stand for. */
function told({ lanes, switchers }: Board): { shown: number; folded: number } {
  const ports = switchers.flatMap(({ inputs, outputs }) => [...inputs, ...outputs])
  return { shown: lanes.length, folded: ports.reduce((sum, { folded = [] }) => sum + folded.length, 0) }
}

describe('lit lanes as ribbons', () => {
  it.each([
    ['the science fair', fair],
    ['the cup with faults', draft],
    ...FAULTY.map(({ name, plan: faulty }): [string, Board] => [name, boardFor(faulty)]),
  ])('of %s leave no lane out', (_, board) => {
    const { shown, folded } = told(foldBoard(board, {}, true, undefined))
    expect(shown + folded).toBe(board.lanes.length)
  })
  it('show what is wrong, dark, pinned, chosen, or leads from switcher to switcher', () => {
    const board = foldBoard(draft, {}, true, undefined)
    const kept = new Set(board.lanes.map(({ id }) => id))
    for (const lane of draft.lanes)
      if (lane.worst || !lane.lit || (lane.from?.role === 'switcher' && lane.to?.role === 'switcher'))
        expect(kept.has(lane.id), lane.words).toBe(true)
    const hidden = draft.lanes.find(({ id }) => !kept.has(id))!
    expect(foldBoard(draft, {}, true, hidden.id).lanes.map(({ id }) => id)).toContain(hidden.id)
    const pinned: Board = { ...draft, lanes: draft.lanes.map(lane => ({ ...lane, pinned: true })) }
    expect(told(foldBoard(pinned, {}, true, undefined))).toEqual({ shown: draft.lanes.length, folded: 0 })
  })
  it('never tell one lane alone', () => {
    for (const board of [foldBoard(fair, {}, true, undefined), foldBoard(draft, {}, true, undefined)]) {
      for (const { inputs, outputs } of layOut(board, 1264, undefined).spines)
        for (const { folded } of [...inputs, ...outputs]) expect(folded).not.toHaveLength(1)
    }
  })
  it('unfold switcher by switcher', () => {
    const all = foldBoard(fair, {}, true, undefined)
    const one = foldBoard(fair, {}, true, undefined, new Set(['p-main']))
    expect(one.lanes.filter(({ to }) => to?.device === 'p-main')).toHaveLength(
      fair.lanes.filter(({ to }) => to?.device === 'p-main').length,
    )
    expect(told(one).folded).toBeLessThan(told(all).folded)
  })
  it('make a board of 73 lanes one of a third of its height', () => {
    expect(fair.lanes.length).toBeGreaterThanOrEqual(70)
    const rows = (board: Board) => {
      const { height, rowH } = layOut(board, 1264, undefined)
      return height / rowH
    }
    expect(rows(foldBoard(fair, {}, true, undefined))).toBeLessThan(rows(fair) / 2)
  })
  it('fit three switchers at 1280 px', () => expect(layOut(fair, 1264, undefined).columns.width).toBe(1264))
})

describe('a filter', () => {
  const ids = (filter: Parameters<typeof foldBoard>[1]) =>
    foldBoard(draft, filter, false, undefined).lanes.map(({ id }) => id)
  it('takes words in any order, of names, formats, cables and reasons', () => {
    expect(ids({ words: 'wide coax' })).toContain('wide-main')
    expect(ids({ words: 'coax wide' })).toEqual(ids({ words: 'wide coax' }))
    expect(ids({ words: 'nothing is called so' })).toEqual([])
  })
  it('takes what is wrong, by how grave it is', () => {
    const dark = ids({ fault: 'D' })
    expect(dark.length).toBeGreaterThan(0)
    for (const id of dark) expect(draft.lanes.find(lane => lane.id === id)!.worst).toMatch(/[HD]/)
    expect([...dark, ...ids({ fault: 'R' }), ...ids({ fault: 'Q' })].sort()).toEqual(ids({ fault: 'any' }).sort())
  })
  it('takes a switcher and a cable', () => {
    for (const id of ids({ switcher: 'side' })) {
      const lane = draft.lanes.find(other => other.id === id)!
      expect([lane.from?.device, lane.to?.device]).toContain('side')
    }
    for (const id of ids({ cable: 'RG-59' }))
      expect(
        draft.lanes.find(lane => lane.id === id)!.hops.some(hop => hop.is === 'cable' && hop.short === 'RG-59'),
      ).toBe(true)
  })
  it('keeps what is chosen, and leaves the board alone when it asks nothing', () => {
    expect(foldBoard(draft, { words: 'xyz' }, false, 'wide-main').lanes.map(({ id }) => id)).toEqual(['wide-main'])
    expect(foldBoard(draft, { words: ' ' }, false, undefined)).toBe(draft)
  })
  it('draws a splitter\u2019s leg whole when its first leg is left out', () => {
    const forked = boardFor(
      plan({
        devices: {
          cam: 'camera-box-hdmi 1080p59.94',
          main: 'switcher-4-strict 1080p59.94',
          split: 'splitter-hdmi',
          rec: 'recorder-hdmi',
          west: 'projector',
        },
        links: {
          a: 'cam.hdmi > main.in-1 hdmi-passive 3',
          b: 'main.out-1 > split.in hdmi-passive 1',
          c: 'split.out-1 > rec.in hdmi-passive 1',
          d: 'split.out-2 > west.in hdmi-optical 30',
        },
      }),
    )
    const [lane] = foldBoard(forked, { words: 'west' }, false, undefined).lanes
    expect(lane).toMatchObject({ id: 'd', shared: 0, sharedWith: undefined })
  })
})
