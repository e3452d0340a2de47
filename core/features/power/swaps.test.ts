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
  it('is before the show, where it is on from its start', () => {
    const [swap] = show({ a: segment(1, 'All', 90) })
    expect(swap!.at).toBe(19 * 60 - 2)
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
})
