import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { type Plan, applyEdits } from '#core/document'
import { fmt, plan } from '../../../testing/plans'
import { assignKeyers, inLooks } from './assign'

const highs = await highsLoader()

/** One switcher with a keyer in the mix (all kinds) and one over it (brightness, key signal); a camera and computers. */
const show = (overlays: Plan['overlays'], more: Partial<Plan> = {}, clean = false): Plan =>
  plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      a: 'computer 1080p59.94',
      b: 'computer 1080p59.94',
      c: 'computer 1080p59.94',
      main: {
        model: 'switcher-8-hdmi',
        standard: fmt('1080p59.94'),
        ...(clean ? { ports: { 'out-2': { feed: 'clean' } } } : {}),
      },
      rec: 'recorder-hdmi',
    },
    links: {
      v: 'cam.hdmi > main.in-1 hdmi-passive 2',
      a: 'a.hdmi-1 > main.in-2 hdmi-passive 2',
      b: 'b.hdmi-1 > main.in-3 hdmi-passive 2',
      c: 'c.hdmi-1 > main.in-4 hdmi-passive 2',
      r: 'main.out-2 > rec.in hdmi-passive 2',
    },
    wants: { rec: { feed: clean ? 'clean' : 'program', silent: true } },
    ...(more as object),
    overlays,
  })
const over = (fill: string, order: number, kind: 'luma' | 'box' = 'luma', segments?: string[]) => ({
  title: fill.toUpperCase(),
  order,
  kind,
  fill,
  ...(segments ? { segments } : {}),
})
const segments = {
  one: { title: 'One', order: 1 },
  two: { title: 'Two', order: 2 },
  three: { title: 'Three', order: 3 },
}
const told = (written: Plan) => {
  const { places, ...rest } = assignKeyers(highs, tracedOf(written))
  return { places: places.map(({ segment = '-', overlay, keyer }) => `${segment} ${overlay} ${keyer}`), ...rest }
}

describe('which overlay gets which keyer', () => {
  it('lays a box in the mix and captions over it', () => {
    const found = told(show({ names: over('a', 1), face: over('cam', 2, 'box') }))
    expect(found).toMatchObject({ places: ['- names 2', '- face 1'], unplaced: [], changes: 0, proven: true })
    expect(found.why.names).toBe('Key over all: it lies over the mix and stays through cuts.')
    expect(found.why.face).toBe('Key: it lies in the mix and goes with its picture.')
  })
  it('keeps the keyer of an overlay over the segments, though another would have its favourite', () => {
    // In the second segment both are used: the one of three segments keeps keyer 2, the other takes 1 (1 against 200).
    const written = show({ names: over('a', 1), score: over('b', 2, 'luma', ['two']) }, { segments } as Partial<Plan>)
    expect(told(written)).toMatchObject({
      places: ['one names 2', 'two names 2', 'two score 1', 'three names 2'],
      changes: 0,
    })
  })
  it('moves an overlay rather than leaving one out, and out of the clean picture before all else', () => {
    // A box can be in keyer 1 alone; the names, over which it has no claim, are in 2.
    const written = show(
      { names: over('a', 1), score: over('b', 2, 'luma', ['two']), face: over('cam', 3, 'box', ['three']) },
      { segments } as Partial<Plan>,
      true,
    )
    const { places, unplaced } = told(written)
    expect(unplaced).toEqual([])
    expect(places).toContain('three face 1')
    expect(places.filter(one => one.includes('names'))).toEqual(['one names 2', 'two names 2', 'three names 2'])
    expect(assignKeyers(highs, tracedOf(written)).why.names).toContain('behind the tap of the clean picture')
  })
  it('says what finds none, and lets what shows one picture in one way share', () => {
    const three = told(show({ a: over('a', 1), b: over('b', 2), c: over('c', 3) }))
    expect(three.unplaced).toHaveLength(1)
    const shared = told(show({ a: over('a', 1), again: over('a', 2), b: over('b', 3) }))
    expect(shared.unplaced).toEqual([])
  })
  it('is as good as the best of all assignments that are tried one by one', () => {
    // Two keyers, three segments, random use: every way counted by hand against the solver.
    for (let seed = 1; seed <= 40; seed++) {
      const bit = (n: number) => ((seed * 2654435761) >>> n) & 1
      const used = (n: number) => Object.keys(segments).filter((_, i) => bit(3 + 3 * n + i))
      const overlays = Object.fromEntries(['a', 'b', 'c'].map((id, n) => [id, over(id, n, 'luma', used(n))]))
      const found = told(show(overlays, { segments } as Partial<Plan>))
      const cost = (ways: Record<string, Record<string, number>>) => {
        let sum = 0
        for (const [id, { segments: where }] of Object.entries(overlays)) {
          const mine = where!.map(segment => ways[segment]![id] ?? 0)
          sum += mine.filter(keyer => keyer === 0).length * 2_000_000 + mine.filter(keyer => keyer === 1).length
          mine.slice(1).forEach((keyer, i) => {
            if (keyer !== 0 && keyer !== mine[i]) sum += 200
          })
        }
        return sum
      }
      const perSegment = Object.keys(segments).map(segment => {
        const ids = Object.keys(overlays).filter(id => overlays[id]!.segments!.includes(segment))
        const ways: Record<string, number>[] = [{}]
        for (const id of ids)
          for (const way of [...ways])
            for (const keyer of [1, 2]) if (!Object.values(way).includes(keyer)) ways.push({ ...way, [id]: keyer })
        return ways
      })
      let best = Infinity
      for (const one of perSegment[0]!)
        for (const two of perSegment[1]!)
          for (const three of perSegment[2]!) best = Math.min(best, cost({ one, two, three }))
      const chosen: Record<string, Record<string, number>> = { one: {}, two: {}, three: {} }
      for (const line of found.places) {
        const [segment, id, keyer] = line.split(' ') as [string, string, string]
        chosen[segment]![id] = Number(keyer)
      }
      expect(cost(chosen), `seed ${seed}`).toBe(best)
    }
  })
})

describe('the looks', () => {
  it('light each overlay in the keyer that it is given', () => {
    const written = show({ names: over('a', 1), face: over('cam', 2, 'box') }, {
      segments: { one: { title: 'One', order: 1, opens: 'named' } },
      looks: { named: { title: 'Named', order: 1, keys: { main: { '1': 'names' } } } },
    } as Partial<Plan>)
    const traced = tracedOf(written)
    const edits = inLooks(traced, assignKeyers(highs, traced))
    const applied = applyEdits(written, edits)
    if (!applied.ok) throw new Error(applied.problem.path)
    expect(applied.value.plan.looks.named!.keys).toEqual({ main: { '2': 'names' } })
    expect(inLooks(tracedOf(applied.value.plan), assignKeyers(highs, tracedOf(applied.value.plan)))).toEqual([])
  })
})
