import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { withClips } from '../../../testing/buttons'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { flashingOf } from './flashing'

/** At 59.94 frames/s, so many steps and nothing else. */
const flashing = (steps: readonly object[], more: object = {}) => {
  const plan = withClips({
    ...more,
    macros: { m: { title: 'M', order: 1, at: 'main', steps: [{ do: 'program', input: 'in-1' }, ...steps] } },
  })
  return flashingOf(check(plan).traced, plan.macros.m!)
}
const times = (count: number, steps: (i: number) => object[]) =>
  Array.from({ length: count }, (_, i) => steps(i)).flat()
const wait = (frames: number) => ({ do: 'wait', frames })
const to = (input: string) => ({ do: 'program', input })

describe('how often a macro flashes', () => {
  it('is two changes a pair, within one second', () => {
    // Black, picture, black ... every ten frames: six changes in 60 of 59.94 frames, three pairs.
    expect(flashing(times(20, i => [to(i % 2 ? 'in-1' : 'black'), wait(10)]))).toEqual({ sure: 3, maybe: 3 })
    // Every 30 frames: at 0, 30 and, 59.94 of them being a second, not at 60.
    expect(flashing(times(9, i => [to(i % 2 ? 'in-1' : 'black'), wait(30)])).sure).toBe(1)
    expect(flashing([to('black'), wait(5), to('in-1'), wait(90), to('black'), wait(5), to('in-1')]).sure).toBe(1)
  })
  it('is not known of pictures, and of one picture alone there is none', () => {
    expect(flashing(times(12, i => [to(i % 2 ? 'in-1' : 'in-2'), wait(10)]))).toEqual({ sure: 0, maybe: 3 })
    expect(flashing(times(12, () => [to('in-1'), wait(2)]))).toEqual({ sure: 0, maybe: 0 })
    // Three in turn: one of them dark is one change there and one back in 3 x 5 frames, four times in the second.
    expect(flashing(times(24, i => [to(`in-${1 + (i % 3)}`), wait(5)])).maybe).toBe(4)
  })
  it('goes by what is seen on the way: fades and dips go to black, a mix from a picture to a picture does not', () => {
    const auto = (style: string) =>
      flashing([
        { do: 'preview', input: 'in-2' },
        ...times(12, () => [
          { do: 'auto', style, frames: 10 },
          { do: 'wait', until: 'transition' },
        ]),
      ])
    // Six dips of ten frames in the second.
    expect(auto('dip').sure).toBe(6)
    expect(auto('mix')).toMatchObject({ sure: 0, maybe: 3 })
    expect(auto('wipe')).toMatchObject({ sure: 0, maybe: 3 })
    const fades = times(8, i => [{ do: 'fade', to: i % 2 ? 'picture' : 'black', frames: 5 }, wait(5)])
    // Eight fades of five frames, within 40.
    expect(flashing(fades).sure).toBe(4)
  })
  it.each([
    // Dark enough over white is below 232 of 255 (160 cd/m2), bright enough over black is from 98 on (20 cd/m2).
    ['white', 255, 120, { sure: 0, maybe: 3 }],
    ['nearly black', 40, 120, { sure: 3, maybe: 3 }],
    ['grey, which is either', 150, 120, { sure: 3, maybe: 3 }],
    ['over less than a quarter', 150, 38, { sure: 0, maybe: 0 }],
  ])('counts a graphic that is %s', (_, level, width, expected) => {
    // 60 of 90 rows: 120 of 160 columns are a half, 38 are 16 %.
    const graphics = { g: kept(patches(160, 90, CLEAR, [[0, 10, width, 60, [level, level, level, 255]]])) }
    const overlays = { o: { title: 'O', order: 1, kind: 'luma', fill: 'film', graphic: 'g' } }
    const steps = times(20, i => [{ do: 'key', keyer: '1', overlay: i % 2 ? 'off' : 'o' }, wait(10)])
    expect(flashing(steps, { graphics, overlays })).toEqual(expected)
  })
  it('counts a camera in a box of more than a quarter, and not one in a corner', () => {
    const steps = times(20, i => [{ do: 'key', keyer: '1', overlay: i % 2 ? 'off' : 'o' }, wait(10)])
    const boxed = (w: number) =>
      flashing(steps, {
        overlays: { o: { title: 'O', order: 1, kind: 'box', fill: 'film', box: { x: 0, y: 0, w, h: 0.6 } } },
      })
    expect([boxed(0.6).maybe, boxed(0.3).maybe]).toEqual([3, 0])
  })
})
