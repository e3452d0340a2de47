import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { plan } from '../../../testing/plans'
import { swapsOf } from './swaps'

/** A camera of 9 W on two packs of 16 Wh: each lasts 16 x 0.8 / 9 h, 85.3 min, from 18:00 on; the first is empty at 19:25. */
const show = (segments: object, more: { brief?: object; battery?: object; model?: string } = {}) =>
  swapsOf(
    check(
      plan({
        brief: { rehearsal: '18:00', start: '19:00', end: '20:30', ...more.brief },
        devices: { cam: more.model ?? 'camera-hand-hdmi', pc: 'computer' },
        batteries: {
          packs: { title: 'Packs', order: 1, kind: 'pack', wh: 16, count: 2, loads: { cam: true }, ...more.battery },
        },
        segments,
      } as never),
    ).traced,
    'cam',
  )
const EMPTY = 18 * 60 + (16 * 0.8 * 60) / 9
const segment = (order: number, title: string, minutes: number, sources?: string[]) => ({
  title,
  order,
  minutes,
  ...(sources ? { sources } : {}),
})

describe('when a battery is changed', () => {
  it('is the latest moment before it is empty at which its picture is not used', () => {
    // Talk 19:00 to 19:10 without it, film 19:10 to 19:20 without it, panel from 19:20 with it.
    const [swap] = show({
      a: segment(1, 'Talk', 10, ['pc']),
      b: segment(2, 'Film', 10, ['pc']),
      c: segment(3, 'Panel', 70, ['cam']),
    })
    expect(swap!.by).toBeCloseTo(EMPTY, 6)
    expect(swap!.during).toBe('Panel')
    // Two minutes before the panel begins.
    expect(swap!.at).toBe(19 * 60 + 18)
  })
  it('is two minutes before it is empty, where it rests then', () => {
    const [swap] = show({ a: segment(1, 'Panel', 15, ['cam']), b: segment(2, 'Film', 75, ['pc']) })
    expect(swap!.at).toBeCloseTo(EMPTY - 2, 6)
    expect(swap!.during).toBe('Film')
  })
  it('is before the show, where it is on from its start and the second one then lasts', () => {
    // 18:58 and 85.3 min are 20:23.
    const [swap, ...others] = show({ a: segment(1, 'All', 80) }, { brief: { end: '20:20' } })
    expect([swap!.at, others]).toEqual([19 * 60 - 2, []])
    // Ten minutes longer, and it would be empty in the show all the same: then it is used up first.
    const [late] = show({ a: segment(1, 'All', 90) })
    expect(late!.at).toBeUndefined()
    expect(late!.by).toBeCloseTo(EMPTY, 6)
  })
  it('is at no moment, where it is switched on for the show alone and always on', () => {
    const [swap] = show({ a: segment(1, 'All', 90, ['cam']) }, { brief: { rehearsal: '19:00', start: '19:00' } })
    expect(swap).toMatchObject({ at: undefined, during: 'All' })
    const [short] = show(
      { a: segment(1, 'Pause', 1, ['pc']), b: segment(2, 'All', 89, ['cam']) },
      { brief: { rehearsal: '19:00', start: '19:00' } },
    )
    expect(short!.at).toBeUndefined()
  })
  it('is while it runs, where its battery is changed so', () => {
    const swaps = show(
      { a: segment(1, 'All', 90) },
      { model: 'camera-shoulder-sdi', battery: { wh: 40, count: 2 }, brief: { rehearsal: '18:00' } },
    )
    // 40 x 0.8 / 22 h.
    expect(swaps.map(({ at, by }) => [at, by])).toEqual([[swaps[0]!.by, swaps[0]!.by]])
    expect(swaps[0]!.by).toBeCloseTo(18 * 60 + (40 * 0.8 * 60) / 22, 6)
  })
  it('is not known while a segment has no time', () => {
    const [swap] = show({ a: { title: 'Open', order: 1 }, b: segment(2, 'Film', 20, ['pc']) })
    expect(swap).toMatchObject({ at: undefined, during: undefined })
  })
  it('goes on from when it is really changed, and takes the fewest changes while it is on', () => {
    // On from 19:00 with a rest of ten minutes from 19:30: changed at 19:38, the second is empty at 21:03.
    const order = (minutes: number) => ({
      a: segment(1, 'First', 30, ['cam']),
      b: segment(2, 'Film', 10, ['pc']),
      c: segment(3, 'Second', minutes, ['cam']),
    })
    const day = (end: string) => ({ rehearsal: '19:00', start: '19:00', end })
    expect(show(order(80), { brief: day('21:00') }).map(({ at }) => at)).toEqual([19 * 60 + 38])
    // To 21:30 the early one would not last, and there is no third: it is changed while it is on, at 20:25.
    const [late, ...none] = show(order(110), { brief: day('21:30') })
    expect([late!.at, late!.during, none]).toEqual([undefined, 'Second', []])
    // With a third one there is a change while it is on either way: then it is the only one.
    expect(show(order(110), { brief: day('21:30'), battery: { count: 3 } }).map(({ at }) => at)).toEqual([undefined])
  })
  it('never changes twice at one moment, nor after it is empty, over random days', () => {
    let state = 11
    const next = (n: number) => (state = (state * 1103515245 + 12345) % 2147483648) % n
    for (let round = 0; round < 40; round++) {
      const order = Object.fromEntries(
        Array.from({ length: 1 + next(6) }, (_, i) => [
          `s${i}`,
          segment(i, `S${i}`, 3 + next(60), next(2) ? ['cam'] : ['pc']),
        ]),
      )
      const swaps = show(order, { brief: { end: '23:30' }, battery: { count: 2 + next(3) } })
      let last = 18 * 60
      for (const { by, at } of swaps) {
        // Each battery lasts no longer than it holds from when it went in.
        expect(by - last).toBeCloseTo((16 * 0.8 * 60) / 9, 6)
        if (at !== undefined) {
          expect(at).toBeGreaterThan(last)
          expect(at).toBeLessThanOrEqual(by)
        }
        last = at ?? by
      }
    }
  })
})
